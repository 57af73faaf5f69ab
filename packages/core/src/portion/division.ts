import { ballMassG, discDiameterMm } from './disc';
import { wholePieces } from './wholePieces';

/** A dough on the scale, before it is cut. */
export interface DoughAtHand {
  doughG: number;
  /** Share of it that stays on the bench and the hands. */
  benchLoss: number;
  densityGMl: number;
  /** Thickness of the relaxed disc. */
  thicknessMm: number;
  /** Ingredients in a gram of dough, in the kitchen's money; 0 where nothing has a price. */
  costPerG: number;
}

/** What the cook holds on to. */
export type DivideBy =
  { by: 'count'; pieces: number } | { by: 'ball'; ballG: number } | { by: 'size'; diameterMm: number };

/** What a dough gives. */
export interface Division {
  pieces: number;
  ballG: number;
  /** Of the relaxed disc. */
  diameterMm: number;
  /** Left when all pieces are cut. */
  leftoverG: number;
  /** What the bench keeps. */
  lossG: number;
  /** Of all ingredients, shared over the pieces; 0 without pieces. */
  costPerPiece: number;
}

/**
 * Divides a dough by count, by ball weight or by the size of the bread. Masses in grams, lengths in mm.
 * @param dough what there is, g
 * @param ask count, ball or disc
 * @returns count, g of a ball, mm of a disc, g left over
 */
export function divideDough(dough: DoughAtHand, ask: DivideBy): Division {
  const { doughG, benchLoss, densityGMl, thicknessMm, costPerG } = dough;
  const lossG = doughG * benchLoss;
  const cutG = doughG - lossG;
  const wantedG =
    ask.by === 'count'
      ? cutG / Math.max(1, ask.pieces)
      : ask.by === 'ball'
        ? ask.ballG
        : ballMassG(ask.diameterMm, thicknessMm, densityGMl);
  const pieces = ask.by === 'count' ? Math.max(0, Math.floor(ask.pieces)) : wholePieces(cutG, wantedG);
  return {
    pieces,
    ballG: wantedG,
    diameterMm: discDiameterMm(wantedG, thicknessMm, densityGMl),
    leftoverG: Math.max(0, cutG - pieces * wantedG),
    lossG,
    costPerPiece: pieces > 0 ? (doughG * costPerG) / pieces : 0,
  };
}
