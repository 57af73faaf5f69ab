import { wholePieces } from './wholePieces';

/** What every ball should weigh, how far it may be off, and how many were planned. */
export interface PieceTarget {
  pieces: number;
  ballG: number;
  toleranceG: number;
}

/** A way to cut a dough: so many balls of this weight. */
export interface Cut {
  pieces: number;
  ballG: number;
  /** Below zero: lighter than wanted. */
  offG: number;
  /** The balls are what the standard calls right. */
  inTolerance: boolean;
}

/**
 * So many pieces of a mass that is ready to be balled, g.
 * @param cutG g
 * @param pieces pieces
 * @param standard ball and tolerance, g
 * @returns g of a ball, and whether it is within tolerance
 */
export function cutInto(cutG: number, pieces: number, { ballG, toleranceG }: PieceTarget): Cut {
  const each = cutG / pieces;
  const offG = each - ballG;
  return { pieces, ballG: each, offG, inTolerance: Math.abs(offG) <= toleranceG + 1e-9 };
}

/**
 * Pieces that a mass should give: those planned while their balls stay in tolerance, else as many as come nearest to the
 * wanted ball, else whole ones of that weight.
 * @param cutG mass ready to be balled, losses taken off, g
 */
export function piecesFor(cutG: number, standard: PieceTarget): number {
  if (cutG <= 0) return 0;
  if (cutInto(cutG, standard.pieces, standard).inTolerance) return standard.pieces;
  const nearest = Math.round(cutG / standard.ballG);
  const fits = nearest > 0 && cutInto(cutG, nearest, standard).inTolerance;
  return fits ? nearest : wholePieces(cutG, standard.ballG);
}

/**
 * The ways to cut a dough that a cook chooses between: the planned count first, and the one whose balls come nearest to what
 * is wanted where that is another. No piece is dropped without being seen.
 * @param cutG g
 * @param standard ball and tolerance, g
 */
export function waysToCut(cutG: number, standard: PieceTarget): Cut[] {
  const nearest = Math.max(1, Math.round(cutG / standard.ballG));
  return [...new Set([standard.pieces, nearest])].map((pieces) => cutInto(cutG, pieces, standard));
}
