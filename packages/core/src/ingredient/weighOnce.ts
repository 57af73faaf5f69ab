import { message } from '../message/message';
import { InputError } from '../message/problem';
import type { FillMethod, Ingredient } from './ingredientSchema';

/** How well one cook fills the same cup the same way twice, as a share (assumption; two weighings show it). */
const REPEATABILITY = 0.02;
/** A weighing further outside the known interval than this is a slip, not a cup. */
const SLIP_FACTOR = 1.8;

/**
 * Replaces what is known of a fill by the kitchen's own weighed cup.
 * @param massG what the scale showed, without the cup
 * @param ml volume of the measure
 * @param on day of the weighing, as 2026-03-04
 * @returns the ingredient with its own cup
 * @throws InputError when the weight cannot belong to that volume
 */
export function weighOnce(
  food: Ingredient,
  fill: FillMethod,
  { massG, ml, on }: { massG: number; ml: number; on: string },
): Ingredient {
  if (!(massG > 0)) throw InputError.at('massG', 'Weigh the filled measure and give its grams.');
  const gMl = massG / ml;
  const before = (food.densities ?? []).find((density) => density.fill === fill);
  if (before && (gMl < before.low / SLIP_FACTOR || gMl > before.high * SLIP_FACTOR)) {
    const usual = message('{low} to {high}', { low: { g: before.low * ml }, high: { g: before.high * ml } });
    throw InputError.at(
      'massG',
      message('{mass} is far from the usual {usual}. Was the cup tared, and is it this measure?', {
        mass: { g: massG },
        usual,
      }),
    );
  }
  const own = {
    fill,
    low: gMl * (1 - REPEATABILITY),
    typical: gMl,
    high: gMl * (1 + REPEATABILITY),
    weighedOn: on,
  };
  const others = (food.densities ?? []).filter((density) => density.fill !== fill);
  return { ...food, densities: [...others, own] };
}
