import type { ResolvedLine } from './formulaSchema';

const waterIn = (line: ResolvedLine): number =>
  line.food.kind === 'flour' ? 0 : line.fraction * line.food.water;

/** The main liquid, which follows the day and the feel: the line that brings most water. Null in a dough of flour and fat alone. */
export function mainLiquid(lines: readonly ResolvedLine[]): ResolvedLine | null {
  const wettest = lines.reduce((a, b) => (waterIn(b) > waterIn(a) ? b : a));
  return waterIn(wettest) > 0 ? wettest : null;
}
