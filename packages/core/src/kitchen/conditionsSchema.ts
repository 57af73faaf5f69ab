import { z } from 'zod';
import { choiceField, countField, fractionField, numberField, slugField, nameField } from '../message/fields';

const points = (label: string) => numberField(label, { min: -20, max: 20, unit: 'points' });

/** What is believed of a flour lot; see `LotOffset`. */
export const lotOffsetSchema = z.strictObject({
  meanPoints: points('Offset of the lot'),
  sdPoints: numberField('Uncertainty of the lot', { min: 0, max: 20, unit: 'points' }),
  noisePoints: numberField('Spread of batches', { min: 0, max: 20, unit: 'points' }),
  batches: countField('Batches of the lot', { min: 0, max: 1_000_000 }),
});

/** By then flour has long been as moist as its air. */
export const MOST_DAYS_IN_STORE = 4000;

const tempField = (label: string) => numberField(label, { min: -20, max: 60, unit: '°C' });

/** The day as the cook finds it: the air, the flour, the water, and the dough that is wanted. */
export const conditionsSchema = z.strictObject({
  airC: tempField('Air temperature'),
  /** Relative humidity of the air. */
  humidity: fractionField('Air humidity', 0.02, 0.98),
  /** Where the air's figures come from; assumed: nobody measured them. */
  airFrom: choiceField('Air figures', ['sensor', 'hand', 'simulated', 'assumed']),
  flourC: tempField('Flour temperature'),
  /** The liquid as it comes: the tap, or the fridge for milk. */
  liquidC: numberField('Liquid temperature', { min: 0, max: 100, unit: '°C' }),
  /** Wanted temperature of the mixed dough; without it the liquid is as warm as the formula says. */
  doughC: numberField('Dough temperature', { min: 5, max: 60, unit: '°C' }).optional(),
  /** Moisture of the flour, where someone measured it (wet basis). */
  flourMoisture: fractionField('Flour moisture', 0.04, 0.2).optional(),
  lot: z
    .strictObject({
      id: slugField('Flour lot'),
      name: nameField('Lot name', { min: 1, max: 60 }),
      ingredient: slugField('Flour'),
      /** As it came from the mill. */
      moisture: fractionField('Flour moisture', 0.04, 0.2),
      days: numberField('Days in store', { min: 0, max: MOST_DAYS_IN_STORE }),
      storage: choiceField('Storage', ['open', 'closed']),
      offset: lotOffsetSchema,
    })
    .optional(),
});

export type Conditions = z.infer<typeof conditionsSchema>;

/** An ordinary day in a warm kitchen, before anyone says otherwise (assumptions). */
export const ORDINARY_DAY: Conditions = {
  airC: 24,
  humidity: 0.55,
  airFrom: 'assumed',
  flourC: 22,
  liquidC: 16,
};
