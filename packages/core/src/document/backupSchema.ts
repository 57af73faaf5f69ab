import { z } from 'zod';
import { carriedSchema } from '../plan/adjustmentSchema';
import { batchStartSchema } from '../batch/batchSchema';
import { eventSchema } from '../batch/eventSchema';
import { kitchenSchema } from '../kitchen/kitchenSchema';
import { planSchema } from '../plan/planSchema';
import { savedPlanSchema } from '../plan/savedPlanSchema';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { flourLotSchema } from '../flourLot/flourLotSchema';
import { serviceRecordSchema } from '../shift/day/serviceDaySchema';
import { ingredientSchema } from '../ingredient/ingredientSchema';

export const BACKUP_FORMAT = 'kettle-scale/backup';
export const BACKUP_FORMAT_VERSION = 3;

/** Twice four acts for each of as many pieces as an act can count. */
const MOST_ACTS = 200_000;

/** The first line of a backup. */
export const backupHeadSchema = z.strictObject({
  ...formatFields(BACKUP_FORMAT, 1, 2, BACKUP_FORMAT_VERSION),
  kind: z.literal('head'),
  madeAt: z.string(),
});

/** Every line of a backup: JSON Lines, so that a year of work is written and read without holding it all. */
export const backupLineSchema = z.discriminatedUnion(
  'kind',
  [
    backupHeadSchema,
    z.strictObject({ kind: z.literal('kitchen'), kitchen: kitchenSchema }),
    /** The kitchen's own, or changed; the catalogue itself comes with the program. */
    z.strictObject({ kind: z.literal('ingredient'), ingredient: ingredientSchema }),
    z.strictObject({ kind: z.literal('flour-lot'), lot: flourLotSchema }),
    /** Versions of one formula in order; the last is the one in use. */
    z.strictObject({
      kind: z.literal('formula'),
      archivedAt: z.string().nullable(),
      versions: z
        .array(z.strictObject({ formula: formulaSchema, reason: z.string(), savedAt: z.string() }))
        .min(1, 'A formula has at least one version.'),
    }),
    z.strictObject({ kind: z.literal('saved-plan'), plan: savedPlanSchema }),
    z.strictObject({ kind: z.literal('carried'), carried: carriedSchema }),
    /** A day's service with what happened to its bread. */
    z.strictObject({ kind: z.literal('service'), ...serviceRecordSchema.shape }),
    z
      .strictObject({
        kind: z.literal('batch'),
        start: batchStartSchema,
        plan: planSchema,
        events: z.array(eventSchema).max(MOST_ACTS),
        /** When the server stored each event. */
        receivedAt: z.array(z.string()).max(MOST_ACTS),
      })
      .refine(({ events, receivedAt }) => events.length === receivedAt.length, {
        message: 'Every act of a batch needs the time at which it was received.',
        path: ['receivedAt'],
      })
      .refine(({ start, plan }) => start.formulaId === plan.formula.id, {
        message: 'The batch was started with one formula and planned with another.',
        path: ['plan', 'formula', 'id'],
      }),
    /** The last line says how many there are: a file that was cut short is told from a whole one. */
    z.strictObject({ kind: z.literal('end'), lines: z.number().int() }),
  ],
  { error: 'This line is of no kind that a backup knows.' },
);

export type BackupLine = z.infer<typeof backupLineSchema>;
