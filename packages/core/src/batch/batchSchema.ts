import { z } from 'zod';
import { countField, instantField, slugField, uuidField } from '../message/fields';
import { adjustmentSchema } from '../plan/adjustmentSchema';
import { eventSchema } from './eventSchema';
import { whoFields } from './whoSchema';
import { conditionsSchema } from '../kitchen/conditionsSchema';
import { needSchema } from '../plan/planRequestSchema';
import { planSchema } from '../plan/planSchema';

/** What a client sends to start a batch; the server computes and freezes the plan. */
export const batchStartSchema = z.strictObject({
  id: uuidField('Batch id'),
  at: instantField('Start time'),
  ...whoFields,
  formulaId: slugField('Formula'),
  formulaVersion: countField('Formula version', { min: 1, max: 100_000 }),
  need: needSchema,
  flourLotId: slugField('Flour lot').optional(),
  /** The day; what is believed of the lot is filled in by the server. */
  conditions: conditionsSchema.optional(),
  mixer: slugField('Mixer').optional(),
  /** What lessons and earlier batches change in the plan. */
  adjustments: z.array(adjustmentSchema).max(60, 'At most sixty changes.').optional(),
  /** Of the plan that the cook saw (see `planHash`): when the server's differs, nothing starts. */
  planHash: z
    .string()
    .regex(/^[0-9a-f]{8}$/, 'The hash of a plan is eight hexadecimal digits.')
    .optional(),
  /** The plan as a phone froze it while no server answered: the cook has worked by it, whatever the kitchen plans now. */
  frozenPlan: planSchema.optional(),
  /** That it was so; the server says it, in what it keeps of a start. */
  begunOffline: z.literal(true).optional(),
});

/** A batch: its frozen plan and everything that happened. */
export const batchSchema = z.strictObject({
  id: uuidField('Batch id'),
  startedAt: instantField('Start time'),
  /** Who began it. */
  ...whoFields,
  plan: planSchema,
  flourLotId: z.string().nullable(),
  events: z.array(eventSchema),
});

export type BatchStart = z.infer<typeof batchStartSchema>;
export type Batch = z.infer<typeof batchSchema>;
