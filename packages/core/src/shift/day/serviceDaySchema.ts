import { z } from 'zod';
import { formatFields } from '../../formula/formulaSchema';
import { HOLDINGS, WASTE_REASONS } from '../../kitchen/holdings';
import {
  choiceField,
  countField,
  instantField,
  numberField,
  slugField,
  nameField,
  uuidField,
} from '../../message/fields';
import {
  COLD_AS,
  HOURS,
  inOrderOfDay,
  moneyField,
  ordersSchema,
  personSchema,
  timeField,
  wavesSchema,
} from '../shiftSchema';

const SERVICE_DAY_FORMAT = 'kettle-scale/service-day';

const pieces = countField('Pieces', { min: 1, max: 10_000 });

/** A cook of the shift, by role. */
const cookSchema = personSchema.required({ name: true });

/** What is wanted of one formula. */
const demandSchema = z.strictObject({
  formulaId: slugField('Formula'),
  waves: wavesSchema,
  orders: ordersSchema.optional(),
  /** What a missing piece and one that is thrown away cost; without them sureness and the price of a piece say. */
  cu: moneyField('Cost of a missing piece').optional(),
  co: moneyField('Cost of a piece thrown away').optional(),
  holding: choiceField('Holding', HOLDINGS).optional(),
});

/** One batch of the day's plan. */
const plannedBatchSchema = z.strictObject({
  id: uuidField('Batch of the plan'),
  formulaId: slugField('Formula'),
  n: countField('Pieces in a batch', { min: 1, max: 10_000 }),
  start: timeField('Start'),
  bakeAt: timeField('Baking'),
  /** Begins with what an earlier batch left in the fridge. */
  cold: z
    .strictObject({ batchId: uuidField('Batch in the fridge'), as: choiceField('What is cold', COLD_AS) })
    .optional(),
});

export type PlannedBatch = z.infer<typeof plannedBatchSchema>;

/** A day's service: its hours, who works it, what is wanted, and the plan that was chosen. Times are seconds from midnight. */
export const serviceDaySchema = inOrderOfDay(
  z.strictObject({
    ...formatFields(SERVICE_DAY_FORMAT, 1),
    day: z.iso.date('The day must be a date like 2026-03-04.'),
    name: nameField('Name of the service', { min: 1, max: 80 }),
    ...HOURS,
    cooks: z.array(cookSchema).min(1, 'Nobody is on shift.').max(20, 'At most 20 cooks.'),
    breads: z.array(demandSchema).min(1, 'There is no bread to make.').max(20, 'At most 20 breads.'),
    /** How sure it must be that nobody goes without: cu / (cu + co). */
    sureness: numberField('Sureness', { min: 0.5, max: 0.99 }),
    leftAtClose: choiceField('Left at closing', ['thrown out', 'kept']),
    plan: z
      .strictObject({
        batches: z.array(plannedBatchSchema).max(60, 'At most 60 batches.'),
        light: timeField('Lighting').optional(),
        chosenAt: instantField('Time of the choice'),
      })
      .optional(),
  }),
).refine(({ breads }) => new Set(breads.map(({ formulaId }) => formulaId)).size === breads.length, {
  message: 'The same formula appears twice.',
  path: ['breads'],
});

export type ServiceDay = z.infer<typeof serviceDaySchema>;

const common = { id: uuidField('Act'), at: instantField('Time'), formulaId: slugField('Formula') };

/** What happens to bread that is ready: append-only; a void takes an act back. */
export const serviceActSchema = z.discriminatedUnion(
  'type',
  [
    /** Somebody took pieces. */
    z.strictObject({ ...common, type: z.literal('taken'), pieces }),
    /** The tray was counted. */
    z.strictObject({
      ...common,
      type: z.literal('counted'),
      pieces: countField('Pieces on the tray', { min: 0, max: 10_000 }),
    }),
    /** Bread of another day was brought in: thawed, or out of the fridge or the box. */
    z.strictObject({ ...common, type: z.literal('brought'), pieces }),
    z.strictObject({
      ...common,
      type: z.literal('thrown-out'),
      pieces,
      reason: choiceField('Reason', WASTE_REASONS),
    }),
    z.strictObject({
      id: uuidField('Act'),
      at: instantField('Time'),
      type: z.literal('void'),
      target: uuidField('Act that is taken back'),
    }),
  ],
  { error: 'An act must be “taken”, “counted”, “brought”, “thrown-out” or “void”.' },
);

export type ServiceAct = z.infer<typeof serviceActSchema>;

/** A day with everything that happened to its bread. */
export const serviceRecordSchema = z.strictObject({
  service: serviceDaySchema,
  acts: z.array(serviceActSchema),
});

export type ServiceRecord = z.infer<typeof serviceRecordSchema>;
