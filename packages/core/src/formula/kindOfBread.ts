import type { Formula, ResolvedLine } from './formulaSchema';
import type { KindOfBread } from './kindsOfBread';
import { wholemealShare } from './wholemeal';

type Lines = readonly Pick<ResolvedLine, 'food' | 'fraction'>[];

/** What of a formula says which bread it is, as far as it is known. */
export type KindHints = Partial<Pick<Formula['method'], 'school'>> &
  Partial<Pick<Formula['product'], 'thicknessMm' | 'puff'>> & { how?: Formula['method']['shaping']['how'] };

/** From this share of the flour on, an ingredient makes the dough what it is. */
const MOSTLY = 0.5;
/** Shares of flour from which a dough is a rich one, or a yogurt one (assumptions). */
const RICH_FAT = 0.1;
const MUCH_YOGURT = 0.1;
/** Powder in a thin bread only makes it tender; from this thickness on it makes the bread, mm. */
const RAISED_MM = 2.5;
/** Relaxed discs thinner than this are sheets, mm. */
const SHEET_MM = 1.15;

const sum = (lines: Lines, test: (line: Lines[number]) => boolean): number =>
  lines.filter(test).reduce((all, { fraction }) => all + fraction, 0);

/** The first that holds, in this order. */
const SIGNS: readonly (readonly [KindOfBread, (lines: Lines, hints: KindHints) => boolean])[] = [
  [
    'maize',
    (lines) => {
      const maize = sum(lines, ({ food }) => food.id === 'flour-maize-alkali');
      return maize > 0 && maize >= MOSTLY * sum(lines, ({ food }) => food.kind === 'flour');
    },
  ],
  ['boiling-water dough', (_lines, { school }) => school === 'boiling-water'],
  ['sheet', (_lines, { how, thicknessMm = Infinity }) => how === 'sheet-thin' || thicknessMm <= SHEET_MM],
  ['pocket bread', (_lines, { puff }) => puff === 'full pocket'],
  [
    'yogurt and leavened',
    (lines, { thicknessMm = 0 }) =>
      lines.some(({ food }) => food.id.startsWith('yeast')) ||
      sum(lines, ({ food }) => food.id.startsWith('yogurt')) >= MUCH_YOGURT ||
      (thicknessMm >= RAISED_MM && lines.some(({ food }) => food.kind === 'leavener')),
  ],
  ['milk dough', (_lines, { school }) => school === 'milk'],
  [
    'enriched wheat',
    (lines) => lines.reduce((fat, { food, fraction }) => fat + fraction * food.fat, 0) >= RICH_FAT,
  ],
  ['wholemeal', (lines) => wholemealShare(lines) >= MOSTLY],
];

/**
 * The kind of bread that lines and what is known of their method make, where nobody has said it.
 * @param lines lines with their ingredients
 * @param hints what is known of method and product
 */
export const guessKind = (lines: Lines, hints: KindHints = {}): KindOfBread =>
  SIGNS.find(([, holds]) => holds(lines, hints))?.[0] ?? 'thin wheat';

/**
 * A formula's kind of bread: as its cook says, else by its figures.
 * @param formula kind, method and product
 * @param lines its lines with their ingredients
 */
export const kindOfBread = (
  { kind, method, product }: Pick<Formula, 'kind' | 'method' | 'product'>,
  lines: Lines,
): KindOfBread =>
  kind ??
  guessKind(lines, {
    school: method.school,
    how: method.shaping.how,
    thicknessMm: product.thicknessMm,
    ...(product.puff ? { puff: product.puff } : {}),
  });

/**
 * Whether a dough has gluten: it is kneaded to a dent, rests until it is calm, and springs back when it is rolled.
 * @param kind kind of bread
 */
export const hasGluten = (kind: KindOfBread): boolean => kind !== 'maize';
