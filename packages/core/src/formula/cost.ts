import type { Ingredient } from '../ingredient/ingredientSchema';
import { wholePieces } from '../portion/wholePieces';

/** What a formula costs in the kitchen's money. */
export interface FormulaCost {
  perBatch: number;
  /** Per kilogram of dough, without what goes on the bread. */
  perKg: number;
  /** Per piece made: what stays in the bowl and on the bench is paid for too. */
  perPiece: number;
  pieces: number;
  lines: { id: string; name: string; cost: number; share: number }[];
  /** Ingredients without a price: the cost is at least what is shown. */
  unpriced: string[];
}

const G_PER_KG = 1000;

/**
 * Price of one gram; null where the kitchen has no pack price.
 * @param ingredient its pack
 * @returns in the kitchen's currency
 */
export const pricePerG = ({ pack }: Ingredient): number | null => (pack ? pack.price / pack.massG : null);

/** A part of a batch with its price; what has none costs nothing here and is named apart. */
const priced = (id: string, food: Ingredient, massG: number) => ({
  id,
  name: food.name,
  cost: massG * (pricePerG(food) ?? 0),
});

const sumOf = (parts: readonly { cost: number }[]): number => parts.reduce((sum, { cost }) => sum + cost, 0);

/**
 * Cost of a batch, a kilogram of dough and a piece, from pack prices.
 * @param lines shares of flour with their ingredients
 * @param batch flour in grams, ball weight in grams, share of the dough that becomes balls; pieces where they are planned
 * @param onBread what goes on a piece, and the share of the pieces that get it
 */
export function costOf(
  lines: readonly { id: string; fraction: number; food: Ingredient }[],
  batch: { flourG: number; ballG: number; kept: number; pieces?: number },
  onBread: readonly { id: string; gPerPiece: number; share?: number | undefined; food: Ingredient }[] = [],
): FormulaCost {
  const doughG = lines.reduce((sum, { fraction }) => sum + fraction, 0) * batch.flourG;
  const pieces = batch.pieces ?? wholePieces(doughG * batch.kept, batch.ballG);
  const dough = lines.map(({ id, fraction, food }) => priced(id, food, fraction * batch.flourG));
  const onPieces = (count: number) =>
    onBread.map(({ id, gPerPiece, share = 1, food }) => priced(id, food, gPerPiece * share * count));
  const on = onPieces(pieces);
  const doughCost = sumOf(dough);
  const perBatch = doughCost + sumOf(on);
  const foods = [...lines, ...onBread].map(({ food }) => food);
  return {
    perBatch,
    perKg: doughG > 0 ? (doughCost / doughG) * G_PER_KG : 0,
    // A batch smaller than one ball still has a price by weight.
    perPiece:
      pieces > 0 ? perBatch / pieces : (doughCost / doughG) * (batch.ballG / batch.kept) + sumOf(onPieces(1)),
    pieces,
    lines: [...dough, ...on].map((line) => ({ ...line, share: perBatch > 0 ? line.cost / perBatch : 0 })),
    unpriced: [...new Set(foods.filter((food) => pricePerG(food) === null).map(({ name }) => name))],
  };
}
