export * from './cutGuide';
export * from './division';
export * from './edgeProfile';
export * from './measuredDisc';
export * from './rollAhead';
export * from './piecesFor';
