import { type Words, message } from '../message/message';
import type { ResolvedLine } from './formulaSchema';
import type { MixingSchool } from './methodSchema';
import type { DoughPart } from '../ingredient/doughPart';
import { kindOfBread } from './kindOfBread';
import { doughTotals } from './percentages';

export interface FormulaWarning {
  /** What is outside the usual range, as in "hydration". */
  measure: string;
  /** Shares of flour. */
  value: number;
  low: number;
  high: number;
  /** What would happen to the bread, in a cook's words. */
  message: Words;
}

interface TradeRange {
  measure: string;
  of: (lines: readonly ResolvedLine[]) => number;
  low: number;
  high: number | ((lines: readonly ResolvedLine[], school?: MixingSchool) => number);
  below: string;
  above: string;
}

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

/** Wholemeal drinks more: the top of the water range rises from 65 % with none to 75 % with all. */
const wholemealShare = shareOf(
  'flour-wholemeal-fine',
  'flour-wholemeal-coarse',
  'flour-spelt',
  'flour-rye',
  'flour-rye-whole',
);
const WATER_TOP = 0.65;
const WHOLEMEAL_ADDS = 0.1;
const highestWater = (lines: readonly ResolvedLine[], school?: MixingSchool): number =>
  WATER_TOP + WHOLEMEAL_ADDS * (school === 'boiling-water' ? 1 : Math.min(1, wholemealShare(lines)));
/** Above this share of flour without gluten, a sheet does not hold when rolled. */
const MOST_THAT_DOES_NOT_ROLL = 0.3;
const doesNotRoll = (lines: readonly ResolvedLine[]): number =>
  lines.filter(({ food }) => food.rolls === 'no').reduce((sum, line) => sum + line.fraction, 0);

/** A fat that is solid in the hand is worked in up to more than an oil, which leaves the dough greasy and short. */
const MOST_FAT = { solid: 0.29, liquid: 0.25 } as const;
function mostFat(lines: readonly ResolvedLine[]): number {
  const of = (liquid: boolean) =>
    lines
      .filter(({ food }) => food.kind === 'fat' && (food.at20 === 'liquid') === liquid)
      .reduce((sum, { fraction }) => sum + fraction, 0);
  return of(true) > of(false) ? MOST_FAT.liquid : MOST_FAT.solid;
}

/** Alkali-treated maize drinks far more than wheat (trade practice), and is pressed, not rolled. */
const MAIZE_WATER: TradeRange = {
  measure: 'hydration',
  of: (lines) => doughTotals(partsOf(lines)).hydration,
  low: 1.1,
  high: 1.6,
  below: 'a ball will crack at its edge when it is pressed',
  above: 'the disc will stick to the sheets of the press',
};

/** Usual ranges of the trade for griddle flatbreads, as shares of flour. */
const TRADE_RANGES: readonly TradeRange[] = [
  {
    measure: 'hydration',
    of: (lines) => doughTotals(partsOf(lines)).hydration,
    low: 0.45,
    high: highestWater,
    below: 'the dough will be stiff, spring back when rolled and bake hard',
    above: 'the dough will stick to the bench and the plate and be hard to roll thin',
  },
  {
    measure: 'fat',
    of: (lines) => doughTotals(partsOf(lines)).fat,
    low: 0,
    high: mostFat,
    below: '',
    above: 'the dough will be short, tear when stretched and smoke on a hot plate',
  },
  {
    measure: 'salt',
    of: shareOfKind('salt'),
    low: 0,
    high: 0.03,
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
    high: 0.3,
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
    of: (lines) => (kindOfBread(lines) === 'maize' ? 0 : doesNotRoll(lines)),
    low: 0,
    high: MOST_THAT_DOES_NOT_ROLL,
    below: '',
    above: 'the dough will crack and not roll thin; press it, or use more wheat',
  },
];

const percent = (fraction: number): string => `${Number((fraction * 100).toFixed(1))} %`;

/**
 * Says which shares lie outside what the trade uses, and what the bread would do. Empty when all is usual.
 * @param school a boiling-water dough may be wetter, because its starch binds more
 */
export function formulaWarnings(lines: readonly ResolvedLine[], school?: MixingSchool): FormulaWarning[] {
  const isMaize = kindOfBread(lines) === 'maize';
  const ranges = isMaize
    ? TRADE_RANGES.map((range) => (range.measure === 'hydration' ? MAIZE_WATER : range))
    : TRADE_RANGES;
  return ranges.flatMap(({ measure, of, low, high: highLimit, below, above }): FormulaWarning[] => {
    const value = of(lines);
    const high = typeof highLimit === 'function' ? highLimit(lines, school) : highLimit;
    if (value >= low - 1e-9 && value <= high + 1e-9) return [];
    const effect = value < low ? below : above;
    const range = message('the usual range is {percent} to {percent2} of flour', {
      percent: percent(low),
      percent2: percent(high),
    });
    const name = measure.charAt(0).toUpperCase() + measure.slice(1);
    return [
      {
        measure,
        value,
        low,
        high,
        message: message('{name} is {percent}; {range}: {effect}.', {
          name,
          percent: percent(value),
          range,
          effect,
        }),
      },
    ];
  });
}
