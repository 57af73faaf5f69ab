import { type Value, message, type Words } from '../message/message';
import type { BatchFacts } from '../log/factsSchema';
import { type Prior, learnMean, learnShare, learnSlope } from '../quality/learn';
import {
  type LessonDraft,
  type LessonContext,
  adjust,
  byFormula,
  nameOf,
  seenOf,
  batchesOf,
} from './lessonDraft';
import { PRIORS } from './priors';

const DAY_MS = 24 * 3600 * 1000;
const MONTH_DAYS = 30;
const POINTS = 100;
/** Fewer than these say nothing of a trend, or of a spread. */
const ENOUGH = { trend: 4, spread: 5 } as const;

export function lossOf(
  facts: readonly BatchFacts[],
  kind: 'bowl-loss' | 'bench-loss',
  of: (one: BatchFacts) => number | null,
  prior: Prior,
  words: (share: Value) => Words,
  title: string,
): LessonDraft[] {
  const seen = seenOf(facts, of);
  if (seen.length === 0) return [];
  const found = learnMean(
    seen.map(({ value }) => value),
    prior,
  );
  const value = Math.max(0, found.value);
  return [
    {
      ...{ id: kind, kind, title, unit: 'share', before: prior.mean, seen },
      ...{ value, low: Math.max(0, found.low), high: found.high },
      words: words({ share: value, decimals: 1 }),
      adjustment: adjust(
        kind,
        kind,
        value,
        message('mean of {batches}', { batches: batchesOf(seen.length) }),
      ),
    },
  ];
}

export function cost(facts: readonly BatchFacts[], { currency }: LessonContext): LessonDraft[] {
  return byFormula(facts).flatMap(([formulaId, of]) => {
    const seen = seenOf(of, ({ costPerPiece }) => costPerPiece);
    if (seen.length < ENOUGH.trend) return [];
    const firstMs = Date.parse(seen[0]?.facts.startedAt ?? '');
    const found = learnSlope(
      seen.map(({ facts: one, value }) => ({
        x: (Date.parse(one.startedAt) - firstMs) / DAY_MS / MONTH_DAYS,
        y: value,
      })),
    );
    if (!found) return [];
    const sure = found.low > 0 || found.high < 0;
    return [
      {
        ...{
          id: `cost/${formulaId}`,
          kind: 'cost',
          title: message('Cost of {formula}', { formula: nameOf(of) }),
          unit: `${currency ?? ''} a month`,
        },
        ...{ value: found.value, low: found.low, high: found.high, before: null, formulaId, seen },
        words: sure
          ? message('A piece costs {value} {more} every month.', {
              value: { money: Math.abs(found.value), currency },
              more: found.value > 0 ? 'more' : 'less',
            })
          : 'No trend in the cost of a piece beyond chance.',
        adjustment: null,
      },
    ];
  });
}

export function rejects(facts: readonly BatchFacts[]): LessonDraft[] {
  return byFormula(facts).flatMap(([formulaId, of]) => {
    const inspected = of.flatMap((one) =>
      one.pieces.made !== null && one.pieces.good !== null && one.pieces.made > 0
        ? [{ facts: one, of: one.pieces.made, hit: one.pieces.made - one.pieces.good }]
        : [],
    );
    if (inspected.length === 0) return [];
    const found = learnShare(inspected, PRIORS.rejects);
    return [
      {
        ...{
          id: `rejects/${formulaId}`,
          kind: 'rejects',
          title: message('Rejects of {formula}', { formula: nameOf(of) }),
          unit: 'share',
        },
        ...{ value: found.value, low: found.low, high: found.high, formulaId },
        before: PRIORS.rejects.hit / (PRIORS.rejects.hit + PRIORS.rejects.miss),
        words: message('About {value, number} of 100 pieces are not sold: make that many more.', {
          value: Math.round(found.value * POINTS),
        }),
        seen: inspected.map(({ facts: one, of: made, hit }) => ({ facts: one, value: hit / made })),
        adjustment: null,
      },
    ];
  });
}
