import { asText, message } from '../message/message';
import { z } from 'zod';
import { lotOffsetSchema } from '../kitchen/conditionsSchema';
import { choiceField, countField, fractionField, numberField, slugField, nameField } from '../message/fields';

const dayField = (label: string) =>
  z.iso.date(asText(message('{label} must be a date like 2026-03-04.', { label })));

/** What is counted in a bin, kg, as it is typed. */
export const countedKgField = numberField('Left', { min: 0, max: 100_000, unit: 'kg' });

/** A delivery of one flour: lots drink differently, so a batch remembers which it was. */
export const flourLotSchema = z.strictObject({
  id: slugField('Lot id'),
  ingredient: slugField('Flour'),
  name: nameField('Lot name', { min: 1, max: 60 }),
  receivedOn: dayField('The day it came'),
  bagKg: numberField('Bag', { min: 0.5, max: 1000, unit: 'kg' }),
  /** Bags that came; one when not said. */
  bags: countField('Bags', { min: 1, max: 1000 }).optional(),
  /** Price of a bag, in the kitchen's money. */
  bagPrice: numberField('Price of a bag', { min: 0, max: 100_000 }).optional(),
  /** From the mill's paper (wet basis); 14 % when not known. */
  moisture: fractionField('Moisture', 0.04, 0.2).optional(),
  /** Closed bags follow the air slowly. */
  storage: choiceField('Storage', ['open', 'closed']).optional(),
  /** The bin was weighed: so much was there, from that instant on. */
  counted: z
    .strictObject({
      at: z.iso.datetime('The time of the count must be a time in UTC.'),
      leftG: numberField('Left', { min: 0, max: 100_000_000, unit: 'g' }),
    })
    .optional(),
  /** Used up or given away; kept for the log. */
  closed: z.boolean().optional(),
});

export type FlourLot = z.infer<typeof flourLotSchema>;

/** What a batch took of a lot and taught about it. */
export const lotUseSchema = z.strictObject({
  batchId: z.string(),
  startedAt: z.string(),
  formulaName: z.string(),
  flourG: z.number(),
  /** Points of hydration above what formula and moisture say; null while the dough was not judged right. */
  points: z.number().nullable(),
});

export type LotUse = z.infer<typeof lotUseSchema>;

/** A lot with what is left of it and what its batches have taught. */
export const lotStateSchema = flourLotSchema.extend({
  boughtG: z.number(),
  usedG: z.number(),
  leftG: z.number(),
  /** Use of the last days; null before there is any. */
  perDayG: z.number().nullable(),
  /** Day on which it runs out at that rate. */
  runsOutOn: z.string().nullable(),
  offset: lotOffsetSchema,
  /** The newest, the newest first. */
  uses: z.array(lotUseSchema),
});

export type LotState = z.infer<typeof lotStateSchema>;
