import { z } from 'zod';
import { choiceField, fractionField, numberField } from '../fields';
import { SCALE_STEPS_G } from '../quantity/roundToStep';

const stepField = (label: string) =>
  z.literal([...SCALE_STEPS_G], {
    error: (issue) =>
      issue.input === undefined
        ? `${label} is missing.`
        : `${label} must be a step that scales show: ${SCALE_STEPS_G.join(', ')} g.`,
  });

/** What the kitchen works with: scales, bowl, and the dough it loses on the way. */
export const kitchenSchema = z
  .strictObject({
    /** What the bench scale can show. */
    benchStepG: stepField('Step of the bench scale'),
    /** What the fine scale can show; salt and leaveners go on it. */
    fineStepG: stepField('Step of the fine scale'),
    /** The most the fine scale carries; heavier lines go on the bench scale. */
    fineMaxG: numberField('Limit of the fine scale', { min: 1, max: 20_000, unit: 'g' }),
    /** The most dough one bowl or mixer takes. */
    bowlCapacityG: numberField('Bowl capacity', { min: 50, max: 500_000, unit: 'g' }),
    /** The least it mixes well. */
    bowlMinimumG: numberField('Smallest load', { min: 0, max: 500_000, unit: 'g' }),
    /** Share of the dough that stays in the bowl and on hands. */
    bowlLoss: fractionField('Bowl loss', 0, 0.2),
    /** Share of the dough lost on the bench when dividing. */
    benchLoss: fractionField('Bench loss', 0, 0.2),
    /** Which cups and spoons hang on the wall; chosen once. US when not said. */
    measures: choiceField('Cups and spoons', ['us', 'metric']).optional(),
    /** Money that pack prices are in. */
    currency: z
      .string()
      .regex(/^[A-Z]{3}$/, 'The currency is three capital letters, like EUR.')
      .optional(),
  })
  .refine((k) => k.bowlMinimumG <= k.bowlCapacityG, {
    message: 'The smallest load is more than the bowl holds.',
    path: ['bowlMinimumG'],
  });

export type Kitchen = z.infer<typeof kitchenSchema>;

/** Before a kitchen says otherwise: a 12 kg mixer, a 1 g and a 0.1 g scale, losses of 1 % and 0.5 % (assumptions). */
export const DEFAULT_KITCHEN: Kitchen = {
  benchStepG: 1,
  fineStepG: 0.1,
  fineMaxG: 500,
  bowlCapacityG: 12_000,
  bowlMinimumG: 1_500,
  bowlLoss: 0.01,
  benchLoss: 0.005,
  measures: 'us',
  currency: 'EUR',
};
