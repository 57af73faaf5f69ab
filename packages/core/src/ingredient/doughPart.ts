import type { Ingredient } from './ingredientSchema';

/** A part of a dough: an ingredient and its mass, in grams or as a share of flour. */
export interface DoughPart {
  mass: number;
  food: Ingredient;
}
