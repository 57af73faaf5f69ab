import { z } from 'zod';
import { wordsSchema } from '../message/wordsSchema';
import { adjustmentSchema } from '../plan/adjustmentSchema';

const LESSON_KINDS = [
  'water',
  'season',
  'bowl-loss',
  'bench-loss',
  'relaxing',
  'rest',
  'ball-spread',
  'disc-spread',
  'cost',
  'rejects',
  'step-time',
  'feel',
] as const;

/** Something the records teach, with how sure it is and what it rests on. */
export const lessonSchema = z.strictObject({
  /** Stable: switches and plans name it. */
  id: z.string(),
  kind: z.enum(LESSON_KINDS),
  title: wordsSchema,
  words: wordsSchema,
  unit: z.string(),
  value: z.number(),
  /** Nine times in ten the truth is between these. */
  low: z.number(),
  high: z.number(),
  /** What would be thought without any records; null where nothing would. */
  before: z.number().nullable(),
  formulaId: z.string().optional(),
  lotId: z.string().optional(),
  /** Of one cook alone: it counts for what this cook makes. */
  cookId: z.string().optional(),
  /** Share of the doughs that were this cook's own, of all and of each lot: so much of it the learned water holds already. */
  ownShare: z.strictObject({ all: z.number(), lots: z.record(z.string(), z.number()) }).optional(),
  /** The newest of the batches that it rests on; `batches` counts them all. */
  evidence: z.array(
    z.strictObject({ batchId: z.string(), at: z.string(), formulaName: z.string(), value: z.number() }),
  ),
  batches: z.number().int(),
  /** What it changes in a plan; null where it is only good to know. */
  adjustment: adjustmentSchema.nullable(),
  /** Whether the kitchen lets it. */
  on: z.boolean(),
});

export type Lesson = z.infer<typeof lessonSchema>;
