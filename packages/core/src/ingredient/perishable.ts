import type { Ingredient } from './ingredientSchema';

/** A kitchen's fridge, for what comes out of it and what rests in it (assumption). */
export const FRIDGE_C = 4;

/** Drier than this it keeps on a shelf, as milk powder does. */
const KEEPS_BELOW_WATER = 0.3;

/** Whether a dough of these may not stand in the warm for long: fresh milk, yogurt, whey, cream, egg or the like is in it. */
export const isPerishable = (foods: readonly Pick<Ingredient, 'kind' | 'water' | 'keepCold'>[]): boolean =>
  foods.some(
    ({ kind, water, keepCold }) =>
      keepCold === true || ((kind === 'dairy' || kind === 'egg') && water > KEEPS_BELOW_WATER),
  );
