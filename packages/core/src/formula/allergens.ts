import { type Words, message } from '../message/message';
import type { Allergen, Ingredient } from '../ingredient/ingredientSchema';

interface OfFood {
  food: Ingredient;
}

/** An ingredient that holds an allergen in some brands and not in others: its pack decides. */
export interface CheckPack {
  name: string;
  allergens: Allergen[];
}

/** Allergens of some ingredients, each once, in the order of the lines. */
export const allergensOf = (lines: readonly OfFood[]): Allergen[] => [
  ...new Set(lines.flatMap(({ food }) => food.allergens)),
];

/** Ingredients whose packs must be read for allergens that the others do not already bring. */
export function packsToCheck(lines: readonly OfFood[]): CheckPack[] {
  const known = new Set(allergensOf(lines));
  const foods = new Map(lines.map(({ food }) => [food.id, food]));
  return [...foods.values()].flatMap(({ name, mayContain = [] }) => {
    const allergens = mayContain.filter((one) => !known.has(one));
    return allergens.length > 0 ? [{ name, allergens }] : [];
  });
}

/**
 * "baking powder (wheat), margarine (milk, soy)".
 * @param packs packs to look at
 */
export const packWords = (packs: readonly CheckPack[]): Words =>
  message('{packs}', {
    packs: {
      list: packs.map(({ name, allergens }) =>
        message('{name} ({allergens})', { name: { lower: name }, allergens: { list: allergens } }),
      ),
    },
  });
