import type { ResolvedLine } from './formulaSchema';

/** Flours milled with their bran; it drinks, and it browns. */
const WHOLE: ReadonlySet<string> = new Set([
  'flour-wholemeal-fine',
  'flour-wholemeal-coarse',
  'flour-spelt',
  'flour-rye',
  'flour-rye-whole',
]);

/**
 * Wholemeal in a dough.
 * @param lines lines with their ingredients
 * @returns share of the flour, 0 to 1
 */
export const wholemealShare = (lines: readonly Pick<ResolvedLine, 'food' | 'fraction'>[]): number =>
  lines.filter(({ food }) => WHOLE.has(food.id)).reduce((sum, { fraction }) => sum + fraction, 0);
