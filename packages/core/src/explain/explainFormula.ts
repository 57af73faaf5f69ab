import { message } from '../message/message';
import type { Explanation } from '../message/explanation';
import type { FormulaFacts } from '../formula/formulaFacts';
import type { Formula } from '../formula/formulaSchema';
import type { HydrationSpread } from '../formula/hydrationSpread';

/** A figure of a formula that can be asked "why this number". */
export type FormulaFigure = 'hydration' | 'fat' | 'salt' | 'dough' | 'disc' | 'cost';

interface Told {
  formula: Formula;
  facts: FormulaFacts;
  currency: string | undefined;
}

/** What each line brings of something, as a share of flour; lines that bring nothing are left out. */
const brought = ({ lines }: FormulaFacts, share: (food: FormulaFacts['lines'][number]['food']) => number) =>
  lines.flatMap(({ food, fraction }) =>
    food.kind === 'flour' || fraction * share(food) < 0.00005
      ? []
      : [{ label: food.name, value: { share: fraction * share(food), decimals: 1 } }],
  );

const EXPLAIN: Record<FormulaFigure, (told: Told) => Explanation> = {
  hydration: ({ facts }) => ({
    title: 'Effective hydration',
    value: { share: facts.totals.hydration, decimals: 1 },
    equation: 'All water outside the flour, also what hides in milk, yogurt and butter, divided by all flour',
    inputs: brought(facts, ({ water }) => water),
    changes: ['More water makes a softer, stickier dough.', 'Wholemeal needs more for the same feel.'],
  }),
  fat: ({ facts }) => ({
    title: 'Effective fat',
    value: { share: facts.totals.fat, decimals: 1 },
    equation: 'All fat outside the flour, also what hides in butter and milk, divided by all flour',
    inputs: brought(facts, ({ fat }) => fat),
    changes: ['More fat makes a shorter, softer bread that browns sooner.'],
  }),
  salt: ({ facts }) => ({
    title: 'Salt',
    value: { share: facts.totals.salt, decimals: 2 },
    equation: 'All salts divided by all flour; the salt in salted butter is not in it',
    inputs: brought(facts, ({ kind }) => (kind === 'salt' ? 1 : 0)),
    changes: ['By weight every crystal salts alike; by the spoon it does not.'],
  }),
  dough: ({ facts }) => ({
    title: 'Total dough',
    value: { g: facts.doughG },
    equation: 'Flour times the sum of all shares',
    inputs: [
      { label: 'Flour', value: { g: facts.flourG } },
      { label: 'All shares', value: { share: facts.totals.doughPerFlour, decimals: 1 } },
    ],
    changes: ['The flour of a typical batch; each plan works it out again.'],
  }),
  disc: ({ facts, formula }) => ({
    title: 'Disc',
    value: { mm: facts.relaxed.diameterMm },
    equation: 'The ball’s volume spread to the thickness: mass = density × area × thickness',
    inputs: [
      { label: 'Ball', value: { g: formula.product.ballG, stepG: 0.1 } },
      { label: 'Thickness, relaxed', value: { mm: facts.relaxed.thicknessMm } },
      {
        label: 'Density of the dough',
        value: { gPerMl: facts.densityGMl },
      },
      { label: 'of which air', value: { share: formula.product.air } },
      { label: 'Roll it to', value: { mm: facts.rolled.diameterMm } },
      { label: 'because it springs back', value: { share: formula.product.springBack } },
    ],
    changes: ['A heavier ball or a thinner sheet makes it wider.', 'A longer rest springs back less.'],
  }),
  cost: ({ facts: { cost, flourG, doughG }, currency }) => ({
    title: 'Cost of a piece',
    value: { money: cost.perPiece, currency },
    equation:
      'Each line’s weight times the price of its pack, added up, divided by the pieces that reach the griddle',
    inputs: [
      ...cost.lines.map(({ name, cost: money }) => ({ label: name, value: { money, currency } })),
      {
        label: message('Batch of {flour} flour', { flour: { g: flourG } }),
        value: { money: cost.perBatch, currency },
      },
      { label: 'Dough', value: { g: doughG } },
      { label: 'Pieces', value: { figure: cost.pieces } },
    ],
    changes: [
      'Pack prices are set under Ingredients.',
      'Losses are set under Settings.',
      'Work, gas and rent are not included.',
    ],
  }),
};

/**
 * Answers "why this number" for a figure of a formula.
 * @param formula the formula
 * @param facts what it comes to
 * @param figure which figure
 * @param currency ISO 4217
 */
export const explainFormula = (
  formula: Formula,
  facts: FormulaFacts,
  figure: FormulaFigure,
  currency?: string,
): Explanation => EXPLAIN[figure]({ formula, facts, currency });

/**
 * Answers why the hydration of a dough measured in cups is a range.
 * @param spread hydration with the lines that move it
 */
export const explainSpread = ({ hydration, worst, causes }: HydrationSpread): Explanation => ({
  title: 'Hydration, as measured',
  value: message('{low} to {high}', {
    low: { share: hydration.low, decimals: 1 },
    high: { share: hydration.high, decimals: 1 },
  }),
  equation:
    'Each measured line is moved to its least and its most alone; what that does to the hydration is added up as independent errors are: the root of the sum of squares',
  inputs: [
    { label: 'Typical', value: { share: hydration.typical, decimals: 1 } },
    ...causes.map(({ food, low, high }) => ({
      label: message('{name} alone', { name: food.name }),
      value: message('{low} to {high}', {
        low: { share: low, decimals: 1 },
        high: { share: high, decimals: 1 },
      }),
    })),
    {
      label: 'All off in the worst direction',
      value: message('{low} to {high}', {
        low: { share: worst.low, decimals: 1 },
        high: { share: worst.high, decimals: 1 },
      }),
    },
  ],
  changes: ['Weigh your own cup once: its range gets three times narrower or better.', 'A scale ends it.'],
});
