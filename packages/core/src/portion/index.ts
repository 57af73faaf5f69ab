export { BY_EYE, ballByEyeG } from './ballByEye';
export { cutGuide, type CutRound, MOST_GUIDED } from './cutGuide';
export { ballMassG, type Disc, discDiameterMm, discThicknessMm } from './disc';
export { type DivideBy, divideDough, type Division } from './division';
export { doughDensity } from './doughDensity';
export { EVEN_DISC, profileThickness } from './edgeProfile';
export { DISC_PLACES, measuredDisc } from './measuredDisc';
export { type Cut, cutInto, type PieceTarget, waysToCut } from './piecesFor';
export { DISC_KEEPS_S, rollAhead } from './rollAhead';
