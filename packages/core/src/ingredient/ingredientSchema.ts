import { z } from 'zod';
import { choiceField, fractionField, slugField, textField } from '../fields';

/** What an ingredient does in a dough; decides its colour, its scale and which totals it counts in. */
export const INGREDIENT_KINDS = [
  'flour',
  'water',
  'dairy',
  'fat',
  'salt',
  'leavener',
  'sugar',
  'egg',
  'other',
] as const;

/** Allergens named on a formula. The list follows common labelling groups; local law decides what must be declared. */
export const ALLERGENS = ['gluten', 'milk', 'egg', 'sesame', 'soy', 'nuts'] as const;

/** More than the whole plus rounding in composition tables. */
const LARGEST_SUM = 1.02;

/**
 * One ingredient and what it is made of, as mass fractions of itself.
 * `water` and `fat` are what hides in milk, yogurt or butter; ash counts minerals and salt.
 */
export const ingredientSchema = z
  .strictObject({
    id: slugField('Ingredient id'),
    name: textField('Ingredient name', { min: 1, max: 60 }),
    kind: choiceField('Kind', INGREDIENT_KINDS),
    water: fractionField('Water', 0, 1),
    protein: fractionField('Protein', 0, 1),
    fat: fractionField('Fat', 0, 1),
    carbohydrate: fractionField('Carbohydrate', 0, 1),
    ash: fractionField('Ash', 0, 1),
    allergens: z.array(choiceField('Allergen', ALLERGENS)).max(ALLERGENS.length),
  })
  .refine((i) => i.water + i.protein + i.fat + i.carbohydrate + i.ash <= LARGEST_SUM, {
    message: 'Water, protein, fat, carbohydrate and ash add up to more than the whole.',
    path: ['water'],
  });

export type Ingredient = z.infer<typeof ingredientSchema>;
export type IngredientKind = Ingredient['kind'];

/** Kinds weighed on the fine scale, because a gram of them is felt in the bread. */
export const FINE_SCALE_KINDS: ReadonlySet<IngredientKind> = new Set(['salt', 'leavener']);
