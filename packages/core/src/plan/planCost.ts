import { type FormulaCost, costOf } from '../formula/cost';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Plan } from './planSchema';

/** Joins rows of a plan to their ingredients as they were when it was made. */
const withFood = <T extends { ingredient: string }>(
  rows: readonly T[],
  foods: ReadonlyMap<string, Ingredient>,
): (T & { food: Ingredient })[] =>
  rows.flatMap((row) => {
    const food = foods.get(row.ingredient);
    return food ? [{ ...row, food }] : [];
  });

/**
 * What a planned batch costs, what goes on the bread included, from the pack prices that were in force when it was planned.
 * @param plan the plan
 * @returns in the kitchen's currency, with what has no price
 */
export function planCost(plan: Plan): FormulaCost {
  const { sheet, onBread = [], ingredients, flourG, ballG, pieces, bowls, kitchen } = plan;
  const foods = new Map(ingredients.map((food) => [food.id, food]));
  return costOf(
    withFood(sheet, foods).map(({ lineId, massG, food }) => ({
      id: lineId,
      fraction: (massG * bowls) / flourG,
      food,
    })),
    { flourG, ballG, kept: keptShare(kitchen), pieces },
    withFood(onBread, foods).map(({ lineId, gPerPiece, pieces: gets = pieces, food }) => ({
      id: lineId,
      gPerPiece,
      share: gets / pieces,
      food,
    })),
  );
}
