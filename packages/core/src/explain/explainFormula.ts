import type { Explanation } from '../message/explanation';
import {
  type UnitSystem,
  formatLength,
  formatMass,
  formatMoney,
  formatPercent,
} from '../quantity/formatQuantity';
import type { FormulaFacts } from '../formula/formulaFacts';
import type { Formula } from '../formula/formulaSchema';
import type { HydrationSpread } from '../formula/hydrationSpread';

/** A figure of a formula that can be asked "why this number". */
export type FormulaFigure = 'hydration' | 'fat' | 'salt' | 'dough' | 'disc' | 'cost';

interface Told {
  formula: Formula;
  facts: FormulaFacts;
  system: UnitSystem;
  currency: string | undefined;
}

/** What each line brings of something, as a share of flour; lines that bring nothing are left out. */
const brought = ({ lines }: FormulaFacts, share: (food: FormulaFacts['lines'][number]['food']) => number) =>
  lines.flatMap(({ food, fraction }) =>
    food.kind === 'flour' || fraction * share(food) < 0.00005
      ? []
      : [{ label: food.name, value: formatPercent(fraction * share(food), 1) }],
  );

const EXPLAIN: Record<FormulaFigure, (told: Told) => Explanation> = {
  hydration: ({ facts }) => ({
    title: 'Effective hydration',
    value: formatPercent(facts.totals.hydration, 1),
    equation: 'All water outside the flour, also what hides in milk, yogurt and butter, divided by all flour',
    inputs: brought(facts, ({ water }) => water),
    changes: ['More water makes a softer, stickier dough.', 'Wholemeal needs more for the same feel.'],
  }),
  fat: ({ facts }) => ({
    title: 'Effective fat',
    value: formatPercent(facts.totals.fat, 1),
    equation: 'All fat outside the flour, also what hides in butter and milk, divided by all flour',
    inputs: brought(facts, ({ fat }) => fat),
    changes: ['More fat makes a shorter, softer bread that browns sooner.'],
  }),
  salt: ({ facts }) => ({
    title: 'Salt',
    value: formatPercent(facts.totals.salt, 2),
    equation: 'All salts divided by all flour; the salt in salted butter is not in it',
    inputs: brought(facts, ({ kind }) => (kind === 'salt' ? 1 : 0)),
    changes: ['By weight every crystal salts alike; by the spoon it does not.'],
  }),
  dough: ({ facts, system }) => ({
    title: 'Dough in all',
    value: formatMass(facts.doughG, 1, system),
    equation: 'Flour times the sum of all shares',
    inputs: [
      { label: 'Flour', value: formatMass(facts.flourG, 1, system) },
      { label: 'All shares', value: formatPercent(facts.totals.doughPerFlour, 1) },
    ],
    changes: ['The flour of the batch you have in mind; a plan works it out anew for the need.'],
  }),
  disc: ({ facts, formula, system }) => ({
    title: 'Disc',
    value: formatLength(facts.relaxed.diameterMm, system),
    equation: 'The ball’s volume spread to the thickness: mass = density × area × thickness',
    inputs: [
      { label: 'Ball', value: formatMass(formula.product.ballG, 0.1, system) },
      { label: 'Thickness, relaxed', value: formatLength(facts.relaxed.thicknessMm, system) },
      { label: 'Density of the dough', value: `${facts.densityGMl.toFixed(3)}\u00a0g/ml` },
      { label: 'of which air', value: formatPercent(formula.product.air) },
      { label: 'Roll it to', value: formatLength(facts.rolled.diameterMm, system) },
      { label: 'because it springs back', value: formatPercent(formula.product.springBack) },
    ],
    changes: ['A heavier ball or a thinner sheet makes it wider.', 'A longer rest springs back less.'],
  }),
  cost: ({ facts: { cost, flourG, doughG }, system, currency }) => ({
    title: 'Cost of a piece',
    value: formatMoney(cost.perPiece, currency),
    equation:
      'Each line’s weight times the price of its pack, added up, divided by the pieces that reach the griddle',
    inputs: [
      ...cost.lines.map(({ name, cost: money }) => ({ label: name, value: formatMoney(money, currency) })),
      {
        label: `Batch of ${formatMass(flourG, 1, system)} flour`,
        value: formatMoney(cost.perBatch, currency),
      },
      { label: 'Dough', value: formatMass(doughG, 1, system) },
      { label: 'Pieces', value: `${cost.pieces}` },
    ],
    changes: [
      'Pack prices stand under Ingredients.',
      'Losses stand under Settings.',
      'Work, gas and rent are not in it.',
    ],
  }),
};

/**
 * Answers "why this number" for a figure of a formula.
 * @param formula the formula
 * @param facts what it comes to
 * @param figure which figure
 * @param system measures of the reader
 * @param currency ISO 4217
 */
export const explainFormula = (
  formula: Formula,
  facts: FormulaFacts,
  figure: FormulaFigure,
  system: UnitSystem = 'metric',
  currency?: string,
): Explanation => EXPLAIN[figure]({ formula, facts, system, currency });

/**
 * Answers why the hydration of a dough measured in cups is a range.
 * @param spread hydration with the lines that move it
 */
export const explainSpread = ({ hydration, worst, causes }: HydrationSpread): Explanation => ({
  title: 'Hydration, as measured',
  value: `${formatPercent(hydration.low, 1)} to ${formatPercent(hydration.high, 1)}`,
  equation:
    'Each measured line is moved to its least and its most alone; what that does to the hydration is added up as independent errors are: the root of the sum of squares',
  inputs: [
    { label: 'Typical', value: formatPercent(hydration.typical, 1) },
    ...causes.map(({ food, low, high }) => ({
      label: `${food.name} alone`,
      value: `${formatPercent(low, 1)} to ${formatPercent(high, 1)}`,
    })),
    {
      label: 'All off the worst way',
      value: `${formatPercent(worst.low, 1)} to ${formatPercent(worst.high, 1)}`,
    },
  ],
  changes: ['Weigh your own cup once: its range gets three times narrower or better.', 'A scale ends it.'],
});
