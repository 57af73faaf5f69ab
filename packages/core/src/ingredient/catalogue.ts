import { FATS } from './catalogue/fats';
import { FLOURS } from './catalogue/flours';
import { LIQUIDS } from './catalogue/liquids';
import { MAY_CONTAIN } from './catalogue/mayContain';
import { SEASONINGS } from './catalogue/seasonings';
import { ALLERGENS, type Ingredient } from './ingredientSchema';

/**
 * The ingredients that come with the product. Mass fractions are rounded values of public food-composition
 * knowledge. A kitchen's own entries lie over these (`kitchenIngredients`).
 */
export const CATALOGUE: readonly Ingredient[] = [...FLOURS, ...LIQUIDS, ...FATS, ...SEASONINGS].map(
  (food) => {
    const mayContain = MAY_CONTAIN[food.id];
    // In the order of the list, as forms keep it.
    return mayContain ? { ...food, mayContain: ALLERGENS.filter((one) => mayContain.includes(one)) } : food;
  },
);

/**
 * The catalogue with the kitchen's own and changed ingredients laid over it, in the order of the catalogue.
 * @param own the kitchen's own and changed ingredients
 */
export function kitchenIngredients(own: readonly Ingredient[]): Ingredient[] {
  const changed = new Map(own.map((food) => [food.id, food]));
  const base = CATALOGUE.map((food) => changed.get(food.id) ?? food);
  const known = new Set(CATALOGUE.map(({ id }) => id));
  return [...base, ...own.filter(({ id }) => !known.has(id))];
}
