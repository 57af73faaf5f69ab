import type { DayPicture } from './picture';

/** Something that comes up in a shift. */
export interface NextAct {
  kind: 'light' | 'heat' | 'take-out' | 'weigh' | 'divide' | 'bake';
  at: number;
  /** Index into the picture's batches; below zero for the plate. */
  batch: number;
  /** Who does it, or which plate. */
  who: string;
}

/** An act that should have begun is still told for so long, s. */
const STILL_TOLD_S = 900;

/**
 * What of a plan is due now: it should have been begun, and not so long ago that it is past telling.
 * @param at when each is to be begun, s from midnight
 * @param nowS s from midnight
 */
export const isDue = (at: number, nowS: number): boolean => at <= nowS && nowS < at + STILL_TOLD_S;

/**
 * What comes up next, the soonest first.
 * @param picture the day as it is planned, or goes on
 * @param nowS s from midnight
 * @param count at most so many
 */
export function nextActs({ rows, batches }: DayPicture, nowS: number, count: number): NextAct[] {
  const acts = rows.flatMap(({ of, id, bars }) =>
    of === 'plate'
      ? bars.flatMap(({ kind, from, batch }): NextAct[] =>
          kind === 'light' || kind === 'heat' ? [{ kind, at: from, batch, who: id }] : [],
        )
      : bars.flatMap(({ kind, from, batch }): NextAct[] =>
          kind === 'weigh' || kind === 'divide' || kind === 'bake'
            ? [{ kind, at: from, batch, who: id }]
            : [],
        ),
  );
  const out = batches.flatMap(({ cold, start }, batch): NextAct[] =>
    cold === null ? [] : [{ kind: 'take-out', at: start, batch, who: 'fridge' }],
  );
  const seen = new Set<string>();
  return [...acts, ...out]
    .sort((a, b) => a.at - b.at)
    .filter(({ kind, batch, at, who }) => {
      // Of each batch its first weighing, dividing and baking; the plate as often as its heat changes.
      const key = batch < 0 ? `${kind}${who}${at}` : `${kind}${batch}`;
      if (seen.has(key)) return false;
      seen.add(key);
      return at >= nowS - STILL_TOLD_S;
    })
    .slice(0, count);
}
