import { FATS } from './catalogue/fats';
import { FLOURS } from './catalogue/flours';
import { LIQUIDS } from './catalogue/liquids';
import { SEASONINGS } from './catalogue/seasonings';
import type { Ingredient } from './ingredientSchema';

/**
 * The ingredients that come with the product. Mass fractions are rounded values of public food-composition
 * knowledge. A kitchen's own entries lie over these (`kitchenIngredients`).
 */
export const CATALOGUE: readonly Ingredient[] = [...FLOURS, ...LIQUIDS, ...FATS, ...SEASONINGS];

/** The catalogue with the kitchen's own and changed ingredients laid over it, in the order of the catalogue. */
export function kitchenIngredients(own: readonly Ingredient[]): Ingredient[] {
  const changed = new Map(own.map((food) => [food.id, food]));
  const base = CATALOGUE.map((food) => changed.get(food.id) ?? food);
  const known = new Set(CATALOGUE.map(({ id }) => id));
  return [...base, ...own.filter(({ id }) => !known.has(id))];
}
