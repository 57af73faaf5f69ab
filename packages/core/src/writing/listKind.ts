import { guessKind } from '../formula/kindOfBread';
import type { KindOfBread } from '../formula/kindsOfBread';
import type { MixingSchool } from '../formula/methodSchema';
import type { ReadLine, ReadList } from './readListTypes';

/** Water this hot scalds flour, °C. */
const BOILING_C = 85;

/**
 * The school that a list speaks of: boiling water, milk, yogurt and leavener, cold or melted fat; null where it does not.
 * @param lines its lines
 */
export function schoolOf(lines: readonly ReadLine[]): MixingSchool | null {
  const has = (test: (line: ReadLine) => boolean) => lines.some(test);
  const wet = lines.filter(({ food }) => food.kind === 'water' || food.kind === 'dairy');
  const mainLiquid = [...wet].sort((a, b) => (b.mass?.typical ?? 0) - (a.mass?.typical ?? 0))[0];
  if (has(({ food, tempC }) => food.kind === 'water' && (tempC ?? 0) >= BOILING_C)) return 'boiling-water';
  if (has(({ food }) => food.kind === 'leavener') && has(({ food }) => food.id.startsWith('yogurt'))) {
    return 'yogurt-leavener';
  }
  if (mainLiquid?.food.kind === 'dairy') return 'milk';
  if (has(({ food, state }) => food.kind === 'fat' && state === 'cold')) return 'rubbed-in';
  if (has(({ food, state }) => food.kind === 'fat' && state === 'soft')) return 'creamed';
  if (has(({ food, state }) => food.kind === 'fat' && (state === 'melted' || food.at20 === 'liquid')))
    return 'oil';
  return has(({ food }) => food.kind === 'fat' && food.at20 !== 'liquid') ? 'rubbed-in' : null;
}

/**
 * The kind of bread that a written list makes, as far as its lines say.
 * @param list the list as it was read
 */
export function listKind({ lines, flourG }: Pick<ReadList, 'lines' | 'flourG'>): KindOfBread {
  const school = schoolOf(lines);
  const shares = flourG
    ? lines.map(({ food, mass }) => ({ food, fraction: (mass?.typical ?? 0) / flourG }))
    : [];
  return guessKind(shares, school ? { school } : {});
}
