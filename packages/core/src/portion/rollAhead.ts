/** The pace of two hands and a plate. */
export interface RollingPace {
  pieces: number;
  /** To flatten one disc, seconds. */
  rollS: number;
  /** From one piece off the plate to the next, seconds. */
  griddleS: number;
  /** A rolled disc may lie this long before its skin dries, seconds. */
  keepsS: number;
}

/** A rolled disc between cloths or sheets keeps this long before its skin dries (assumption). */
export const DISC_KEEPS_S = 600;
/** A hand's turn in hand, so that one slow disc does not leave the plate empty. */
const IN_HAND = 2;

/** How many discs should lie ready. */
export interface RollAhead {
  /** Rolled before the first goes on. */
  before: number;
  /** Kept ready all along. */
  ahead: number;
  /** What holds it: the hands are slower than the plate, the plate is slower, or a skin would dry. */
  limit: 'hands' | 'plate' | 'skin';
}

/**
 * Rolls so that the plate never waits and no disc dries: a hand slower than the plate needs a start, a quicker one stays two
 * ahead. When disc k comes off the pin at k·t_roll and is wanted at (k − before)·t_griddle, before ≥ N·(1 − t_griddle/t_roll).
 * @param pace pieces, and s of rolling, griddle and keeping
 * @returns discs to roll before the first goes on
 */
export function rollAhead({ pieces, rollS, griddleS, keepsS }: RollingPace): RollAhead {
  const slowHands = rollS > griddleS;
  const start = slowHands ? Math.ceil(pieces * (1 - griddleS / rollS)) : 0;
  const wanted = Math.min(pieces, Math.max(IN_HAND, start));
  // Of n rolled ahead the last is used after n turns of the plate.
  const dries = Math.max(1, Math.floor(keepsS / Math.max(1, griddleS)));
  const before = Math.min(wanted, dries, pieces);
  return {
    before,
    ahead: Math.min(IN_HAND + 1, before, pieces),
    limit: dries < wanted ? 'skin' : slowHands ? 'hands' : 'plate',
  };
}
