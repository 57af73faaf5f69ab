import { bakeSecondsOf } from '../formula/bakePhases';
import type { LAID_OUT } from '../formula/methodSchema';
import { FLATTEN_S, PIECES_ON_PLATE } from './planSteps';
import type { Plan } from './planSchema';

/** How long a disc lies before its skin dries, s: sheets keep it moist, flour draws on it, the rim of a bowl leaves it bare (assumptions). */
const LIES_S: Record<(typeof LAID_OUT)[number], number> = {
  floured: 900,
  'between sheets': 3600,
  'over the rim of a bowl': 600,
};

/** Discs that are all made before the first is baked. */
export interface LaidOut {
  where: (typeof LAID_OUT)[number];
  /** As many as may lie at once, from 1 to all that are asked about. */
  atOnce: number;
  /** How long one keeps so, s. */
  keepsS: number;
}

/**
 * How many discs may be made before the first is baked. The k-th waits for the rolling of those after it and the baking of
 * those before it, N·t_roll + k·(t_griddle − t_roll): at most N times the slower of both.
 * @param formula how discs are made, where they lie, how long they bake
 * @param pieces discs to make
 * @returns null where the formula bakes them as they are made
 */
export function laidOut({ method, bake }: Plan['formula'], pieces: number): LaidOut | null {
  const { laidOut: where, how } = method.shaping;
  if (!where) return null;
  const keepsS = LIES_S[where];
  const slowerS = Math.max(FLATTEN_S[how], bakeSecondsOf(bake) / PIECES_ON_PLATE);
  return { where, keepsS, atOnce: Math.max(1, Math.min(pieces, Math.floor(keepsS / slowerS))) };
}
