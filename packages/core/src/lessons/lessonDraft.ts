import { type Words, message } from '../message/message';
import type { Zone } from '../quantity/days';
import type { Adjustment } from '../plan/adjustmentSchema';
import type { BatchFacts } from '../log/factsSchema';
import type { Lesson } from '../log/lessonSchema';

/** What the kitchen knows that facts do not. */
export interface LessonContext {
  lots: readonly { id: string; name: string }[];
  currency?: string | undefined;
  /** The kitchen's time zone, by which days and seasons are counted. */
  zone: Zone;
  /** Lessons the kitchen does not let into plans. */
  off: readonly string[];
  /** Names of cooks to be learned of; none where the kitchen wants no such lessons. */
  cooks?: readonly { id: string; name: string }[];
}

export type LessonDraft = Omit<Lesson, 'on' | 'batches' | 'evidence'> & { seen: readonly Seen[] };
export interface Seen {
  facts: BatchFacts;
  value: number;
}

export const batchesOf = (batches: number): Words =>
  message('{batches, plural, one {# batch} other {# batches}}', { batches });
export const signedPoints = (points: number): Words => ({ points, signed: true });

export const adjust = (id: string, what: Adjustment['what'], value: number, words: Words): Adjustment => ({
  ...{ id, from: 'lesson', what, value, words },
});

export const seenOf = (facts: readonly BatchFacts[], of: (one: BatchFacts) => number | null): Seen[] =>
  facts.flatMap((one) => {
    const value = of(one);
    return value === null || !Number.isFinite(value) ? [] : [{ facts: one, value }];
  });

export function groupBy(facts: readonly BatchFacts[], key: (one: BatchFacts) => string | null) {
  const groups = new Map<string, BatchFacts[]>();
  for (const one of facts) {
    const name = key(one);
    if (name === null) continue;
    const known = groups.get(name);
    if (known) known.push(one);
    else groups.set(name, [one]);
  }
  return [...groups];
}

export const byFormula = (facts: readonly BatchFacts[]) => groupBy(facts, ({ formulaId }) => formulaId);
export const nameOf = (facts: readonly BatchFacts[]): string => facts.at(-1)?.formulaName ?? '';
