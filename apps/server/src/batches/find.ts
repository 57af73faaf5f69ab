import type { Batch, BatchRecord, BatchState } from '@kettle-scale/core/batch';
import { type Day, type Zone, addDays, startOfDayMs } from '@kettle-scale/core/quantity';
import { z } from 'zod';

/** How a batch came out, for who looks for it. */
const RESULTS = ['good', 'some rejects', 'many rejects', 'abandoned', 'running'] as const;

/** From this share of good pieces on a batch is good; below the second it had many rejects. */
const SHARE = { good: 0.95, some: 0.8 } as const;

const day = z.iso.date('A day is written like 2026-03-04.').optional();

/** What the log is searched by. */
export const findQuery = z.strictObject({
  status: z.enum(['running', 'finished', 'abandoned']).optional(),
  formula: z.string().max(60).optional(),
  lot: z.string().max(60).optional(),
  /** Who began it or worked on it. */
  cook: z.string().max(60).optional(),
  /** From and to a day, both included. */
  from: day,
  to: day,
  result: z.enum(RESULTS, `“result” must be one of: ${RESULTS.join(', ')}.`).optional(),
  /** Of which bread is still held. */
  held: z.literal('yes', '“held” can only be “yes”.').optional(),
  text: z.string().max(80, 'The words to find are longer than 80 characters.').optional(),
  /** The last batch of the page before, by its id; or an instant, before which the batches started. */
  before: z
    .union([z.uuid(), z.iso.datetime()], '“before” must be the id of a batch or a time in UTC.')
    .optional(),
  limit: z.coerce.number('“limit” must be a number.').int().min(1).max(200).default(50),
});

type FindQuery = Omit<z.infer<typeof findQuery>, 'limit'>;

/** A search as the store takes it: days are instants in UTC, the second one past the end. */
export type Find = FindQuery & { limit: number };

/** The days of a search as instants, by the kitchen's time zone. */
export const findBetween = <T extends Pick<FindQuery, 'from' | 'to'>>(query: T, zone: Zone): T => {
  const beginOf = (day: Day) => new Date(startOfDayMs(day, zone)).toISOString();
  return {
    ...query,
    ...(query.from ? { from: beginOf(query.from) } : {}),
    ...(query.to ? { to: beginOf(addDays(query.to, 1)) } : {}),
  };
};

/** Wild cards of LIKE are letters to a cook. */
const literal = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`);

const RESULT_SQL: Record<(typeof RESULTS)[number], string> = {
  good: `f.status = 'finished' AND f.goodShare >= ${SHARE.good}`,
  'some rejects': `f.status = 'finished' AND f.goodShare >= ${SHARE.some} AND f.goodShare < ${SHARE.good}`,
  'many rejects': `f.status = 'finished' AND f.goodShare < ${SHARE.some}`,
  abandoned: `f.status = 'abandoned'`,
  running: `f.status = 'running'`,
};

const HELD_SQL = `EXISTS (SELECT 1 FROM batches b WHERE b.id = f.batchId AND json_array_length(b.record, '$.held') > 0)`;

/** Whoever began a batch stands in its start, whoever worked on one that is over in its record. */
const cookSql = (cook: string): string =>
  `EXISTS (SELECT 1 FROM batches b WHERE b.id = f.batchId AND (b.start ->> '$.cook' = ${cook}
     OR ${cook} IN (SELECT value FROM json_each(b.record, '$.cooks'))))`;

/** A page goes on after a batch, not after its instant: two may have started at the same one. */
const beforeSql = (before: string, value: (one: unknown) => string): string =>
  before.includes(':')
    ? `f.startedAt < ${value(before)}`
    : `(f.startedAt, f.batchId) < (SELECT startedAt, batchId FROM batch_finds WHERE batchId = ${value(before)})`;

/** The search as SQL over `batch_finds f`; the first bound value is the limit. */
export function searchSql(find: Find): { where: string; bind: unknown[] } {
  const bind: unknown[] = [find.limit];
  const value = (one: unknown) => `$${bind.push(one)}`;
  const parts = [
    ...(find.status ? [`f.status = ${value(find.status)}`] : []),
    ...(find.formula ? [`f.formulaId = ${value(find.formula)}`] : []),
    ...(find.lot ? [`f.lotId = ${value(find.lot)}`] : []),
    ...(find.cook ? [cookSql(value(find.cook))] : []),
    ...(find.from ? [`f.startedAt >= ${value(find.from)}`] : []),
    ...(find.to ? [`f.startedAt < ${value(find.to)}`] : []),
    ...(find.result ? [RESULT_SQL[find.result]] : []),
    ...(find.held ? [HELD_SQL] : []),
    ...(find.before ? [beforeSql(find.before, value)] : []),
    ...(find.text ?? '')
      .toLowerCase()
      .split(/\s+/)
      .filter(Boolean)
      .map((word) => `f.words LIKE ${value(`%${literal(word)}%`)} ESCAPE '\\'`),
  ];
  return { where: parts.length > 0 ? `WHERE ${parts.join(' AND ')}` : '', bind };
}

/** A batch as the log finds it: the values of `batch_finds` up to the facts. */
export function findOf(batch: Batch, state: BatchState, record: BatchRecord): unknown[] {
  const words = [
    batch.plan.formula.name,
    batch.plan.today?.conditions.lot?.name,
    ...state.notes.map(({ text }) => text),
    state.finished?.note,
    state.abandoned?.reason,
    ...state.rejected.map(({ reason }) => reason),
  ];
  const { good, piecesMade } = record;
  return [
    batch.id,
    batch.startedAt,
    batch.plan.formula.id,
    batch.flourLotId,
    record.status,
    good !== null && piecesMade ? good / piecesMade : null,
    words.filter(Boolean).join(' ').toLowerCase(),
  ];
}
