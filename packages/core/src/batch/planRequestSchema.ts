import { z } from 'zod';
import { countField, numberField } from '../fields';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { ingredientSchema } from '../ingredient/ingredientSchema';
import { kitchenSchema } from './kitchenSchema';

export const PLAN_REQUEST_FORMAT = 'kettle-scale/plan-request';

const ballG = numberField('Ball weight', { min: 5, max: 2000, unit: 'g' });

/** How a cook says what is needed. */
export const needSchema = z.discriminatedUnion(
  'by',
  [
    z.strictObject({
      by: z.literal('pieces'),
      pieces: countField('Pieces', { min: 1, max: 10_000 }),
      ballG,
    }),
    z.strictObject({
      by: z.literal('flour'),
      flourG: numberField('Flour at hand', { min: 10, max: 1_000_000, unit: 'g' }),
      ballG,
    }),
  ],
  { error: 'The need must be by “pieces” or by “flour”.' },
);

export type Need = z.infer<typeof needSchema>;

/** Everything `planBatch` needs, in one document. */
export const planRequestSchema = z.strictObject({
  ...formatFields(PLAN_REQUEST_FORMAT, 1),
  formula: formulaSchema,
  need: needSchema,
  kitchen: kitchenSchema,
  /** Catalogue to use instead of the one that comes with the product. */
  ingredients: z.array(ingredientSchema).max(500).optional(),
});

export type PlanRequest = z.infer<typeof planRequestSchema>;
