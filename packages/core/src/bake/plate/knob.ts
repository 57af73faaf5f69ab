import type { Griddle } from '../../kitchen/griddleSchema';

type Mark = Griddle['marks'][number];

/**
 * Where to set the knob for a temperature, in words; null when fewer than two marks were measured.
 * @param marks marks that were measured
 * @param tempC plate, °C
 */
export function knobAdvice(marks: readonly Mark[], tempC: number): string | null {
  const sorted = [...marks].sort((a, b) => a.tempC - b.tempC);
  const [coolest, hottest] = [sorted[0], sorted.at(-1)];
  if (!coolest || !hottest || sorted.length < 2) return null;
  if (tempC < coolest.tempC - NEAR_C) return `below ${coolest.mark}, the coolest mark measured`;
  if (tempC > hottest.tempC + NEAR_C) return `above ${hottest.mark}, the hottest mark measured`;
  const near = sorted.find((mark) => Math.abs(mark.tempC - tempC) <= NEAR_C);
  if (near) return `at ${near.mark}`;
  const above = sorted.findIndex((mark) => mark.tempC > tempC);
  const [low, high] = [sorted[above - 1] ?? coolest, sorted[above] ?? hottest];
  const share = (tempC - low.tempC) / (high.tempC - low.tempC);
  const nearer = share < NEARER ? low : share > 1 - NEARER ? high : null;
  return `between ${low.mark} and ${high.mark}${nearer ? `, nearer ${nearer.mark}` : ''}`;
}

/** A mark that settles this near is the answer. */
const NEAR_C = 3;
/** Within this share of the way it is nearer to an end. */
const NEARER = 0.3;
