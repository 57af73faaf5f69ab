import { z } from 'zod';
import { countField, numberField, slugField } from '../message/fields';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { ingredientSchema } from '../ingredient/ingredientSchema';
import { adjustmentSchema } from './adjustmentSchema';
import { conditionsSchema } from '../kitchen/conditionsSchema';
import { kitchenSchema } from '../kitchen/kitchenSchema';

const PLAN_REQUEST_FORMAT = 'kettle-scale/plan-request';

const ballG = numberField('Ball weight', { min: 5, max: 2000, unit: 'g' });
const pieces = countField('Pieces', { min: 1, max: 10_000 });
const massG = (label: string) => numberField(label, { min: 10, max: 1_000_000, unit: 'g' });

/** How a cook says what is needed. */
export const needSchema = z.discriminatedUnion(
  'by',
  [
    z.strictObject({ by: z.literal('pieces'), pieces, ballG }),
    /** By the bread: its size when it has relaxed. */
    z.strictObject({
      by: z.literal('discs'),
      pieces,
      diameterMm: numberField('Diameter', { min: 30, max: 900, unit: 'mm' }),
      thicknessMm: numberField('Thickness', { min: 0.4, max: 25, unit: 'mm' }),
    }),
    /** By the flour that goes into each: a quarter cup is a small one. */
    z.strictObject({
      by: z.literal('flour-each'),
      pieces,
      flourEachG: numberField('Flour a piece', { min: 2, max: 1500, unit: 'g' }),
    }),
    z.strictObject({ by: z.literal('dough'), doughG: massG('Dough'), ballG }),
    z.strictObject({ by: z.literal('flour'), flourG: massG('Flour at hand'), ballG }),
    /** As much as the scarcest ingredient allows. */
    z.strictObject({
      by: z.literal('stock'),
      atHand: z
        .array(
          z.strictObject({
            ingredient: slugField('Ingredient'),
            massG: numberField('At hand', { min: 0.1, max: 1_000_000, unit: 'g' }),
          }),
        )
        .min(1, 'Enter how much there is of at least one ingredient.')
        .max(40, 'At most 40 ingredients.'),
      ballG,
    }),
    /** As many full bowls. */
    z.strictObject({
      by: z.literal('bowl'),
      bowls: countField('Bowls', { min: 1, max: 50 }),
      ballG,
    }),
  ],
  { error: 'The need must be by “pieces”, “discs”, “flour-each”, “dough”, “flour”, “stock” or “bowl”.' },
);

export type Need = z.infer<typeof needSchema>;

/** Everything `planBatch` needs, in one document. */
export const planRequestSchema = z.strictObject({
  ...formatFields(PLAN_REQUEST_FORMAT, 1, 2, 3, 4),
  formula: formulaSchema,
  need: needSchema,
  kitchen: kitchenSchema,
  /** The day; without it the formula's own water and temperatures hold. */
  conditions: conditionsSchema.optional(),
  /** One of the kitchen's bowls or machines. */
  mixer: slugField('Mixer').optional(),
  /** What lessons and earlier batches change. */
  adjustments: z.array(adjustmentSchema).max(60, 'At most sixty changes.').optional(),
  /** Catalogue to use instead of the one that comes with the product. */
  ingredients: z.array(ingredientSchema).max(500).optional(),
});

export type PlanRequest = z.infer<typeof planRequestSchema>;
