import type { Ingredient } from './ingredientSchema';

/** Specific heats of food components at 20 °C in kJ/(kg K). Source: Choi & Okos 1986. */
const COMPONENT_HEAT = {
  water: 4.1762 - 9.0864e-5 * 20 + 5.4731e-6 * 400,
  protein: 2.0082 + 1.2089e-3 * 20 - 1.3129e-6 * 400,
  fat: 1.9842 + 1.4733e-3 * 20 - 4.8008e-6 * 400,
  carbohydrate: 1.5488 + 1.9625e-3 * 20 - 5.9399e-6 * 400,
  ash: 1.0926 + 1.8896e-3 * 20 - 3.6817e-6 * 400,
} as const;

/**
 * Specific heat of an ingredient in kJ/(kg K): its own figure, or the sum over what it is made of.
 * @param food ingredient
 */
export function heatCapacity(food: Ingredient): number {
  if (food.heatKJKgK !== undefined) return food.heatKJKgK;
  return Object.entries(COMPONENT_HEAT).reduce(
    (sum, [component, heat]) => sum + food[component as keyof typeof COMPONENT_HEAT] * heat,
    0,
  );
}
