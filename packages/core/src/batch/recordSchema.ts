import { z } from 'zod';
import { wordsSchema } from '../message/wordsSchema';
import { whoFields } from './whoSchema';
import { HOLDINGS } from '../kitchen/holdings';
import { STEP_KINDS, totalsSchema } from '../plan/planSchema';

/** A line of the whole batch, planned against weighed. */
const recordLineSchema = z.strictObject({
  lineId: z.string(),
  name: z.string(),
  stepG: z.number(),
  plannedG: z.number(),
  /** Null while a bowl still misses it. */
  weighedG: z.number().nullable(),
});

/** A batch for the log: what was planned and what came of it. */
export const batchRecordSchema = z.strictObject({
  status: z.enum(['running', 'finished', 'abandoned']),
  /** Title of the step to do now; null when the batch is over. */
  nowTitle: wordsSchema.nullable(),
  piecesPlanned: z.number(),
  /** What the dough in the bowls should give at the planned ball weight. */
  piecesExpected: z.number(),
  piecesMade: z.number().nullable(),
  good: z.number().nullable(),
  doughPlannedG: z.number(),
  /** Weighed at dividing, else the sum of what is in the bowls. */
  doughG: z.number(),
  ballPlannedG: z.number(),
  ballG: z.number().nullable(),
  lines: z.array(recordLineSchema),
  planned: totalsSchema,
  /** Of the dough as weighed; lines not yet weighed count as asked. */
  actual: totalsSchema,
  /** What the flour lot gave to it, and how much more it drank than its formula and its moisture say, once judged right. */
  lotFlourG: z.number().optional(),
  lotPoints: z.number().optional(),
  /** What a running batch is at, with the marks of its clock, and what comes after; neither once it is over. */
  now: z
    .strictObject({
      stepId: z.string(),
      kind: z.enum(STEP_KINDS),
      title: wordsSchema,
      startedMs: z.number().nullable(),
      opensMs: z.number().nullable(),
      closesMs: z.number().nullable(),
    })
    .optional(),
  ahead: z
    .array(z.strictObject({ kind: z.enum(STEP_KINDS), title: wordsSchema, seconds: z.number() }))
    .optional(),
  finishedMs: z.number().nullable(),
  /** Everybody who worked on it, by the ids of cooks. */
  cooks: z.array(z.string()).optional(),
  /** Bread that is held, without what was taken, moved on or thrown out since. */
  held: z
    .array(
      z.strictObject({
        how: z.enum(HOLDINGS),
        pieces: z.number(),
        atMs: z.number(),
        /** It lay frozen before. */
        thawed: z.literal(true).optional(),
      }),
    )
    .optional(),
  /** Held pieces that were thrown out. */
  thrownOut: z.number().optional(),
});

/** A row of the log. */
export const batchSummarySchema = z.strictObject({
  id: z.string(),
  startedAt: z.string(),
  formulaId: z.string(),
  formulaName: z.string(),
  formulaVersion: z.number().int(),
  flourLotId: z.string().nullable(),
  /** Who began it, and that it was begun on a phone that had no network. */
  ...whoFields,
  begunOffline: z.literal(true).optional(),
  /** Without the lines, which only the page of one batch shows. */
  record: batchRecordSchema.omit({ lines: true }),
});

export type BatchRecord = z.infer<typeof batchRecordSchema>;
export type BatchSummary = z.infer<typeof batchSummarySchema>;
