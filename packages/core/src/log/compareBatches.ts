import { type Words, message } from '../message/message';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { Batch } from '../batch/batchSchema';
import { foldBatch } from '../batch/foldBatch';
import { batchRecord } from '../batch/record';
import { batchFacts } from './batchFacts';
import { type ThreadRow, stepThread } from './stepAmounts';

/** One figure of two batches. */
export interface BatchDifference {
  what: Words;
  a: Words;
  b: Words;
  /** By how much they differ against what is ordinary for this figure; 1 and more is worth a look. */
  weight: number;
}

interface Side {
  batch: Batch;
  facts: ReturnType<typeof batchFacts>;
  record: ReturnType<typeof batchRecord>;
  thread: ThreadRow[];
}

/** A figure that may be missing, how it is written, and the difference that is worth a look. */
interface Row {
  what: string;
  of: (side: Side) => number | null;
  write: (value: number) => Words;
  ordinary: number;
}

const minutes = (value: number): Words => message('{value, number} min', { value: Math.round(value) });
const grams = (value: number): Words => ({ g: value, stepG: 0.1 });

const ROWS: readonly Row[] = [
  { what: 'Good pieces', of: ({ record }) => record.good, write: String, ordinary: 2 },
  {
    what: 'Rejected',
    of: ({ facts: { pieces } }) =>
      pieces.made && pieces.good !== null ? 1 - pieces.good / pieces.made : null,
    write: (value) => ({ share: value }),
    ordinary: 0.03,
  },
  {
    what: 'Hydration',
    of: ({ record }) => record.actual.hydration,
    write: (value) => ({ share: value, decimals: 1 }),
    ordinary: 0.01,
  },
  {
    what: 'Salt',
    of: ({ record }) => record.actual.salt,
    write: (value) => ({ share: value, decimals: 2 }),
    ordinary: 0.001,
  },
  {
    what: 'Fat',
    of: ({ record }) => record.actual.fat,
    write: (value) => ({ share: value, decimals: 1 }),
    ordinary: 0.01,
  },
  {
    what: 'Air',
    of: ({ batch }) => batch.plan.today?.conditions.airC ?? null,
    write: (value) => ({ tempC: value }),
    ordinary: 3,
  },
  {
    what: 'Humidity',
    of: ({ batch }) => batch.plan.today?.conditions.humidity ?? null,
    write: (value) => ({ share: value }),
    ordinary: 0.1,
  },
  {
    what: 'Flour moisture',
    of: ({ batch }) => batch.plan.today?.flourMoisture ?? null,
    write: (value) => ({ share: value, decimals: 1 }),
    ordinary: 0.005,
  },
  {
    what: 'Lost in the bowl',
    of: ({ facts }) => facts.bowlLoss,
    write: (value) => ({ share: value, decimals: 1 }),
    ordinary: 0.005,
  },
  { what: 'Rest in all', of: ({ facts }) => facts.restMin, write: minutes, ordinary: 5 },
  {
    what: 'Spring-back',
    of: ({ facts }) => facts.springBack.seen,
    write: (value) => ({ share: value, decimals: 1 }),
    ordinary: 0.02,
  },
  {
    what: 'Balls',
    of: ({ facts: { balls } }) => (balls.massesG.length > 0 ? mean(balls.massesG) : null),
    write: grams,
    ordinary: 1.5,
  },
  {
    what: 'Spread of balls',
    of: ({ facts: { balls } }) => (balls.massesG.length > 1 ? sampleStandardDeviation(balls.massesG) : null),
    write: grams,
    ordinary: 0.8,
  },
  {
    what: 'Disc',
    of: ({ facts: { discs } }) => (discs.diametersMm.length > 0 ? mean(discs.diametersMm) : null),
    write: (value) => ({ mm: value }),
    ordinary: 5,
  },
  {
    what: 'Cost of a piece',
    of: ({ facts }) => facts.costPerPiece,
    write: (value) => ({ figure: value, decimals: 3 }),
    ordinary: 0.01,
  },
];

const NOTHING = '–';
const SECONDS_WORTH = 60;

function sideOf(batch: Batch): Side {
  const state = foldBatch(batch.plan, batch.events);
  return {
    batch,
    facts: batchFacts(batch, state),
    record: batchRecord(batch.plan, state),
    thread: stepThread(batch.plan, state, Date.parse(batch.startedAt)),
  };
}

/** Steps that both have, by their time; weighing is told by its amounts. */
function stepRows(a: Side, b: Side): BatchDifference[] {
  return a.thread.flatMap((row) => {
    const other = b.thread.find(({ step }) => step.id === row.step.id);
    if (row.step.kind === 'weigh' || !other || row.actualS === null || other.actualS === null) return [];
    const [aS, bS] = [row.actualS, other.actualS];
    return [
      {
        what: message('{title}, time', { title: row.title }),
        a: minutes(aS / SECONDS_WORTH),
        b: minutes(bS / SECONDS_WORTH),
        weight: Math.abs(aS - bS) / Math.max(SECONDS_WORTH, 0.2 * Math.max(aS, bS)),
      },
    ];
  });
}

/**
 * Two batches figure by figure, what differs most first.
 * @param a one
 * @param b the other
 */
export function compareBatches(a: Batch, b: Batch): BatchDifference[] {
  const [left, right] = [sideOf(a), sideOf(b)];
  const figures = ROWS.flatMap(({ what, of, write, ordinary }): BatchDifference[] => {
    const [x, y] = [of(left), of(right)];
    if (x === null && y === null) return [];
    return [
      {
        what,
        a: x === null ? NOTHING : write(x),
        b: y === null ? NOTHING : write(y),
        weight: x === null || y === null ? 0 : Math.abs(x - y) / ordinary,
      },
    ];
  });
  const lots: BatchDifference[] =
    a.flourLotId === b.flourLotId
      ? []
      : [{ what: 'Flour lot', a: a.flourLotId ?? NOTHING, b: b.flourLotId ?? NOTHING, weight: 2 }];
  return [...lots, ...figures, ...stepRows(left, right)].sort((x, y) => y.weight - x.weight);
}
