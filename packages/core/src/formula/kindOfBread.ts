import type { ResolvedLine } from './formulaSchema';

/** Breads whose doughs follow other rules: maize has no gluten to rest, to spring back or to be rolled. */
export type KindOfBread = 'wheat' | 'maize';

/** From this share of the flour on, alkali-treated maize makes the dough. */
const MOSTLY = 0.5;

/**
 * The kind of bread that a formula's flours make.
 * @param lines lines with their ingredients
 */
export function kindOfBread(lines: readonly Pick<ResolvedLine, 'food' | 'fraction'>[]): KindOfBread {
  const flours = lines.filter(({ food }) => food.kind === 'flour');
  const shareOf = (some: typeof flours) => some.reduce((sum, { fraction }) => sum + fraction, 0);
  const maize = shareOf(flours.filter(({ food }) => food.id === 'flour-maize-alkali'));
  return maize > 0 && maize >= MOSTLY * shareOf(flours) ? 'maize' : 'wheat';
}
