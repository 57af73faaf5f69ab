import type { DoughPart } from '../ingredient/doughPart';

const isFlour = (part: DoughPart): boolean => part.food.kind === 'flour';

const sumOver = (parts: readonly DoughPart[], share: (part: DoughPart) => number): number =>
  parts.reduce((sum, part) => sum + part.mass * share(part), 0);

/** Mass of all flours. */
export const flourMass = (parts: readonly DoughPart[]): number => sumOver(parts.filter(isFlour), () => 1);

/** What a formula or a weighed dough comes to, with what hides in milk, yogurt and butter counted in. */
export interface DoughTotals {
  /** All water outside the flour / all flour (a fraction). The flour's own moisture is not counted, by bakers' custom. */
  hydration: number;
  /** All fat outside the flour / all flour. */
  fat: number;
  /** Salt / all flour. */
  salt: number;
  /** Everything / all flour: the size of the dough for one unit of flour. */
  doughPerFlour: number;
  /** Water of the whole dough including the flour's own, wet basis: what the griddle model needs. */
  doughMoisture: number;
}

/**
 * Effective hydration, fat and salt of a dough.
 * @param parts at least one flour; masses in any one unit
 * Source: baker's percentage; sums of m·w and m·f over non-flour lines, divided by the flour.
 * @returns 0.6 for 60 %
 */
export function doughTotals(parts: readonly DoughPart[]): DoughTotals {
  const flour = flourMass(parts);
  const others = parts.filter((part) => !isFlour(part));
  const total = sumOver(parts, () => 1);
  return {
    hydration: sumOver(others, (p) => p.food.water) / flour,
    fat: sumOver(others, (p) => p.food.fat) / flour,
    salt: sumOver(others, (p) => (p.food.kind === 'salt' ? 1 : 0)) / flour,
    doughPerFlour: total / flour,
    doughMoisture: sumOver(parts, (p) => p.food.water) / total,
  };
}

/** Baker's percentage of each part, as fractions of all flour. */
export function bakersFractions(parts: readonly DoughPart[]): number[] {
  const flour = flourMass(parts);
  return parts.map((part) => part.mass / flour);
}
