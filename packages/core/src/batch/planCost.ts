import { type FormulaCost, costOf } from '../formula/cost';
import { keptShare } from './kitchenSchema';
import type { Plan } from './planSchema';

/** What a planned batch costs, from the pack prices that were in force when it was planned. */
export function planCost({ sheet, ingredients, flourG, ballG, pieces, bowls, kitchen }: Plan): FormulaCost {
  const foods = new Map(ingredients.map((food) => [food.id, food]));
  const lines = sheet.flatMap(({ lineId, ingredient, massG }) => {
    const food = foods.get(ingredient);
    return food ? [{ id: lineId, fraction: (massG * bowls) / flourG, food }] : [];
  });
  const cost = costOf(lines, { flourG, ballG, kept: keptShare(kitchen) });
  return { ...cost, pieces, perPiece: cost.perBatch / pieces };
}
