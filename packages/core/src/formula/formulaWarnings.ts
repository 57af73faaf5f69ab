import { type Words, message } from '../message/message';
import type { ResolvedLine } from './formulaSchema';
import type { DoughPart } from '../ingredient/doughPart';
import { guessKind, hasGluten } from './kindOfBread';
import { type KindOfBread, USUAL_DOUGH } from './kindsOfBread';
import { doughTotals } from './percentages';
import { wholemealShare } from './wholemeal';

export interface FormulaWarning {
  /** What is outside the usual range, as in "hydration". */
  measure: string;
  /** Shares of flour. */
  value: number;
  low: number;
  high: number;
  /** What would happen to the bread, in a cook's words. */
  message: Words;
  /** It depends on how much flour there is, and so on how its cup was filled. */
  byFlour: boolean;
  /** In one line, with the first thing to check. */
  short: Words;
}

type OfKind<T> = T | ((kind: KindOfBread, lines: readonly ResolvedLine[]) => T);

interface TradeRange {
  measure: string;
  of: (lines: readonly ResolvedLine[]) => number;
  low: OfKind<number>;
  high: OfKind<number>;
  below: OfKind<string>;
  above: OfKind<string>;
}

const ofKind = <T extends number | string>(
  value: OfKind<T>,
  kind: KindOfBread,
  lines: readonly ResolvedLine[],
): T => (typeof value === 'function' ? value(kind, lines) : value);

const partsOf = (lines: readonly ResolvedLine[]): DoughPart[] =>
  lines.map(({ fraction, food }) => ({ mass: fraction, food }));

const shareOf =
  (...ids: string[]) =>
  (lines: readonly ResolvedLine[]): number =>
    lines.filter((line) => ids.includes(line.food.id)).reduce((sum, line) => sum + line.fraction, 0);

const shareOfKind =
  (kind: string) =>
  (lines: readonly ResolvedLine[]): number =>
    lines.filter((line) => line.food.kind === kind).reduce((sum, line) => sum + line.fraction, 0);

/** Wholemeal drinks more: all of it raises the top of a wheat dough's water by so much. */
const WHOLEMEAL_ADDS = 0.1;
const MOST_WATER = 0.75;
const highestWater = (lines: readonly ResolvedLine[], kind: KindOfBread): number => {
  const { high } = USUAL_DOUGH[kind].hydration;
  if (!hasGluten(kind)) return high;
  return Math.max(high, Math.min(MOST_WATER, high + WHOLEMEAL_ADDS * Math.min(1, wholemealShare(lines))));
};
/** Above this share of flour without gluten, a sheet does not hold when rolled. */
const MOST_THAT_DOES_NOT_ROLL = 0.3;
const doesNotRoll = (lines: readonly ResolvedLine[]): number =>
  lines.filter(({ food }) => food.rolls === 'no').reduce((sum, line) => sum + line.fraction, 0);

/** An oil leaves the dough greasy and short sooner than a fat that is solid in the hand. */
const MOST_OIL = 0.25;
function mostFat(lines: readonly ResolvedLine[], kind: KindOfBread): number {
  const of = (liquid: boolean) =>
    lines
      .filter(({ food }) => food.kind === 'fat' && (food.at20 === 'liquid') === liquid)
      .reduce((sum, { fraction }) => sum + fraction, 0);
  const { high } = USUAL_DOUGH[kind].fat;
  return of(true) > of(false) ? Math.min(MOST_OIL, high) : high;
}

/** Yogurt beside another liquid; and where it is the liquid, as shares of flour (trade practice). */
const USUAL_YOGURT = 0.3;
const MOST_YOGURT: Partial<Record<KindOfBread, number>> = { 'yogurt and leavened': 1 };

/** Usual ranges of the trade for griddle flatbreads, as shares of flour. */
const TRADE_RANGES: readonly TradeRange[] = [
  {
    measure: 'hydration',
    of: (lines) => doughTotals(partsOf(lines)).hydration,
    low: (kind) => USUAL_DOUGH[kind].hydration.low,
    high: (kind, lines) => highestWater(lines, kind),
    below: (kind) => USUAL_DOUGH[kind].tooDry,
    above: (kind) => USUAL_DOUGH[kind].tooWet,
  },
  {
    measure: 'fat',
    of: (lines) => doughTotals(partsOf(lines)).fat,
    low: 0,
    high: (kind, lines) => mostFat(lines, kind),
    below: '',
    above: 'the dough will be short, tear when stretched and smoke on a hot plate',
  },
  {
    measure: 'salt',
    of: shareOfKind('salt'),
    low: (kind) => USUAL_DOUGH[kind].salt.low,
    high: (kind) => USUAL_DOUGH[kind].salt.high,
    below: '',
    above: 'the bread will taste salty',
  },
  {
    measure: 'baking powder',
    of: shareOf('baking-powder'),
    low: 0,
    high: 0.04,
    below: '',
    above: 'the bread will taste of powder and turn crumbly',
  },
  {
    measure: 'baking soda',
    of: shareOf('baking-soda'),
    low: 0,
    high: 0.01,
    below: '',
    above: 'the bread will taste of soap and brown unevenly',
  },
  {
    measure: 'sugar',
    of: shareOfKind('sugar'),
    low: 0,
    high: 0.05,
    below: '',
    above: 'the bread will burn on the plate before it is cooked',
  },
  {
    measure: 'yogurt',
    of: shareOf('yogurt-plain', 'yogurt-strained', 'yogurt-lowfat'),
    low: 0,
    high: (kind) => MOST_YOGURT[kind] ?? USUAL_YOGURT,
    below: '',
    above: 'the dough will be slack and sour and stick to the plate',
  },
  {
    measure: 'milk powder',
    of: shareOf('milk-powder', 'milk-powder-whole'),
    low: 0,
    high: 0.07,
    below: '',
    above: 'the bread will brown too fast and stay dense',
  },
  {
    measure: 'flour without gluten',
    of: doesNotRoll,
    low: 0,
    high: (kind) => (hasGluten(kind) ? MOST_THAT_DOES_NOT_ROLL : 1),
    below: '',
    above: 'the dough will crack and not roll thin; press it, or use more wheat',
  },
];

const percent = (fraction: number): string => `${Number((fraction * 100).toFixed(1))} %`;

/** What is looked at first of a line that was measured by volume, before the formula is doubted. */
const firstCheck = (lines: readonly ResolvedLine[], flourCounts: boolean): Words => {
  const byVolume = lines.find(
    ({ food, measure }) =>
      food.kind === 'flour' && (measure?.fill !== undefined || measure?.gMl !== undefined),
  );
  return flourCounts && byVolume
    ? message('how the cup of {name} was filled', { name: { lower: byVolume.food.name } })
    : 'the amount in the formula';
};

/** These depend on how much flour there is, and so on how its cup was filled. */
const BY_FLOUR: ReadonlySet<string> = new Set(['hydration', 'fat', 'salt']);

/**
 * Says which shares lie outside what the trade uses for a kind of bread, and what the bread would do.
 * @param lines lines with their ingredients
 * @param kind kind of bread; guessed from the lines where it is not known
 * @returns a warning each; empty when all is usual
 */
export function formulaWarnings(
  lines: readonly ResolvedLine[],
  kind: KindOfBread = guessKind(lines),
): FormulaWarning[] {
  return TRADE_RANGES.flatMap(({ measure, of, ...range }): FormulaWarning[] => {
    const value = of(lines);
    const low = ofKind(range.low, kind, lines);
    const high = ofKind(range.high, kind, lines);
    if (value >= low - 1e-9 && value <= high + 1e-9) return [];
    const facts = {
      name: measure.charAt(0).toUpperCase() + measure.slice(1),
      percent: percent(value),
      low: percent(low),
      high: percent(high),
    };
    return [
      {
        measure,
        value,
        low,
        high,
        byFlour: BY_FLOUR.has(measure),
        message: message('{name} is {percent}; the usual range is {low} to {high} of flour: {effect}.', {
          ...facts,
          effect: ofKind(value < low ? range.below : range.above, kind, lines),
        }),
        short: message('{name} {percent}, usual {low} to {high}: check {check} first.', {
          ...facts,
          check: firstCheck(lines, BY_FLOUR.has(measure)),
        }),
      },
    ];
  });
}
