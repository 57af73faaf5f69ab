import { DEFAULT_HOLD_H, type Holding } from '../kitchen/holdings';
import type { Kitchen } from '../kitchen/kitchenSchema';
import type { BatchRecord } from '../batch/recordSchema';

const MS_PER_H = 3_600_000;

/** Bread that was put away, and until when the kitchen lets it be. */
export interface HeldBread {
  how: Holding;
  pieces: number;
  madeMs: number;
  useByMs: number;
  /** Of the way it is held, hours. */
  limitH: number;
  /** It lay frozen before: it is not frozen again. */
  thawed: boolean;
  /** The kitchen has set that limit; otherwise it is the starting figure that the product comes with. */
  limitIsOwn: boolean;
}

/**
 * How long bread may be held in a way: the kitchen's setting, else the product's own default; local food codes come first.
 * @param kitchen its limits
 * @param how the way it is held
 * @returns h
 */
export const holdLimitH = ({ holdH }: Pick<Kitchen, 'holdH'>, how: Holding): number =>
  holdH?.[how] ?? DEFAULT_HOLD_H[how];

/**
 * Bread of a record with its clock, which starts when it was put away.
 * @param kitchen its limits
 * @param record what was put away
 */
export function heldBread(
  kitchen: Pick<Kitchen, 'holdH'>,
  { held = [] }: Pick<BatchRecord, 'held'>,
): HeldBread[] {
  return held.map(({ how, pieces, atMs: madeMs, thawed = false }) => {
    const limitH = holdLimitH(kitchen, how);
    return {
      how,
      pieces,
      madeMs,
      useByMs: madeMs + limitH * MS_PER_H,
      ...{ limitH, thawed },
      limitIsOwn: kitchen.holdH?.[how] !== undefined,
    };
  });
}

/**
 * Where a clock stands: well within, in its last fifth, or over.
 * @param bread when it was made and its use-by
 * @param nowMs the instant, ms
 */
export function holdState({ madeMs, useByMs }: HeldBread, nowMs: number): 'good' | 'soon' | 'over' {
  if (nowMs >= useByMs) return 'over';
  return nowMs >= useByMs - (useByMs - madeMs) / 5 ? 'soon' : 'good';
}
