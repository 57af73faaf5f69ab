import type { Ingredient } from '../ingredient/ingredientSchema';
import { wholePieces } from '../portion/wholePieces';

/** What a formula costs in the kitchen's money. */
export interface FormulaCost {
  perBatch: number;
  /** Per kilogram of dough. */
  perKg: number;
  /** Per piece made: what stays in the bowl and on the bench is paid for too. */
  perPiece: number;
  pieces: number;
  lines: { id: string; name: string; cost: number; share: number }[];
  /** Ingredients without a price: the cost is at least what is shown. */
  unpriced: string[];
}

const G_PER_KG = 1000;

/** Price of one gram; null where the kitchen has no pack price. */
export const pricePerG = ({ pack }: Ingredient): number | null => (pack ? pack.price / pack.massG : null);

/**
 * Cost of a batch, a kilogram of dough and a piece, from pack prices.
 * @param lines shares of flour with their ingredients
 * @param batch flour in grams, ball weight in grams, share of the dough that becomes balls
 */
export function costOf(
  lines: readonly { id: string; fraction: number; food: Ingredient }[],
  batch: { flourG: number; ballG: number; kept: number },
): FormulaCost {
  const priced = lines.map(({ id, fraction, food }) => ({
    id,
    name: food.name,
    cost: fraction * batch.flourG * (pricePerG(food) ?? 0),
  }));
  const perBatch = priced.reduce((sum, { cost }) => sum + cost, 0);
  const doughG = lines.reduce((sum, { fraction }) => sum + fraction, 0) * batch.flourG;
  const pieces = wholePieces(doughG * batch.kept, batch.ballG);
  return {
    perBatch,
    perKg: doughG > 0 ? (perBatch / doughG) * G_PER_KG : 0,
    // A batch smaller than one ball still has a price by weight.
    perPiece: pieces > 0 ? perBatch / pieces : (perBatch / doughG) * (batch.ballG / batch.kept),
    pieces,
    lines: priced.map((line) => ({ ...line, share: perBatch > 0 ? line.cost / perBatch : 0 })),
    unpriced: lines.filter(({ food }) => pricePerG(food) === null).map(({ food }) => food.name),
  };
}
