import { message } from '../message/message';
import type { Problem } from '../message/problem';
import type { Ingredient } from '../ingredient/ingredientSchema';
import type { Formula } from './formulaSchema';

/** The ingredients that a formula may name, by id: those of the catalogue, and those that it brings along, which go first. */
export const foodsOf = (
  { ingredients = [] }: Pick<Formula, 'ingredients'>,
  catalogue: readonly Ingredient[],
): Map<string, Ingredient> => new Map([...catalogue, ...ingredients].map((food) => [food.id, food]));

/** An ingredient that a formula names and nobody knows. */
export interface MissingIngredient {
  part: 'lines' | 'onBread';
  index: number;
  ingredient: string;
}

/**
 * Returns what a formula names that is neither in the catalogue nor brought along: dough lines first, then toppings.
 * @param catalogue ingredients it may name
 */
export function missingIngredients(
  formula: Pick<Formula, 'lines' | 'onBread' | 'ingredients'>,
  catalogue: readonly Ingredient[],
): MissingIngredient[] {
  const foods = foodsOf(formula, catalogue);
  return (['lines', 'onBread'] as const).flatMap((part) =>
    (formula[part] ?? []).flatMap(({ ingredient }, index) =>
      foods.has(ingredient) ? [] : [{ part, index, ingredient }],
    ),
  );
}

/** What is said of an ingredient that nobody knows, at its place in the formula. */
export const noSuchIngredient = ({ part, index, ingredient }: MissingIngredient): Problem => ({
  path: `${part}[${index}].ingredient`,
  message: message('There is no ingredient “{ingredient}” in this kitchen or in the file.', { ingredient }),
});
