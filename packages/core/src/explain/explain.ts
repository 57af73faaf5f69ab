import {
  type UnitSystem,
  formatLength,
  formatMass,
  formatMoney,
  formatPercent,
  formatSpan,
} from '../quantity/formatQuantity';
import { openShare } from '../plan/today/holdBack';
import { planCost } from '../plan/planCost';
import type { Explanation } from '../message/explanation';
import type { Plan } from '../plan/planSchema';
import { stepTitle } from '../plan/stepText';

/** A figure of a plan that can be asked "why this number". A line of the sheet is `line:` and its id. */
export type FigureId =
  | 'pieces'
  | 'ball'
  | 'dough'
  | 'disc'
  | 'thickness'
  | 'hydration'
  | 'bowls'
  | 'rounding'
  | 'holdBack'
  | 'ready'
  | 'cost'
  | `line:${string}`;

type Explain = (plan: Plan, system: UnitSystem) => Explanation;

const lossInputs = ({ kitchen }: Plan) => [
  { label: 'Stays in bowl and on hands', value: formatPercent(kitchen.bowlLoss, 1) },
  { label: 'Lost on the bench', value: formatPercent(kitchen.benchLoss, 1) },
];

const EXPLAIN: Record<Exclude<FigureId, `line:${string}`>, Explain> = {
  pieces: (plan, system) => ({
    title: 'Pieces',
    value: `${plan.pieces}`,
    equation:
      plan.need.by === 'flour'
        ? 'Flour × dough per flour, less losses, divided by the ball weight, whole pieces only'
        : 'As you asked for it',
    inputs: [
      { label: 'Flour', value: formatMass(plan.flourG, 1, system) },
      { label: 'Dough', value: formatMass(plan.doughG, 1, system) },
      ...lossInputs(plan),
      { label: 'Ball', value: formatMass(plan.ballG, 1, system) },
      { label: 'Left over', value: formatMass(Math.max(0, plan.leftoverG), 1, system) },
    ],
    changes: ['A lighter ball gives more pieces.', 'More flour gives more pieces.'],
  }),
  ball: (plan, system) => ({
    title: 'Ball weight',
    value: formatMass(plan.ballG, 1, system),
    equation: 'The rounded dough, less losses, shared out over the pieces',
    inputs: [
      { label: 'Asked for', value: formatMass(plan.ballG, 0.1, system) },
      { label: 'The rounded sheet gives', value: formatMass(plan.expectedBallG, 0.1, system) },
      { label: 'Dough', value: formatMass(plan.doughG, 1, system) },
      { label: 'Pieces', value: `${plan.pieces}` },
      ...lossInputs(plan),
    ],
    changes: ['At dividing the real dough weight decides, and the ball is worked out again.'],
  }),
  dough: (plan, system) => ({
    title: 'Dough to mix',
    value: formatMass(plan.doughG, plan.kitchen.benchStepG, system),
    equation:
      'Pieces × ball weight ÷ what is kept after the bowl and after the bench, then rounded line by line',
    inputs: [
      { label: 'Pieces', value: `${plan.pieces}` },
      { label: 'Ball', value: formatMass(plan.ballG, 1, system) },
      ...lossInputs(plan),
      { label: 'Before rounding', value: formatMass(plan.neededG, 0.1, system) },
      { label: 'Bowls', value: `${plan.bowls} × ${formatMass(plan.bowlG, 0.1, system)}` },
    ],
    changes: ['Losses are set for the kitchen under Settings.'],
  }),
  disc: (plan, system) => ({
    title: 'Disc',
    value: formatLength(plan.relaxed.diameterMm, system),
    equation: 'Ball weight = dough density × area × thickness, solved for the diameter',
    inputs: [
      { label: 'Ball', value: formatMass(plan.ballG, 1, system) },
      { label: 'Thickness on the griddle', value: formatLength(plan.relaxed.thicknessMm, system) },
      { label: 'Dough density, from its composition', value: `${plan.doughDensityGMl.toFixed(3)} g/ml` },
      { label: 'Air in the dough', value: formatPercent(plan.formula.product.air) },
      { label: 'Roll it to', value: formatLength(plan.rolled.diameterMm, system) },
    ],
    changes: [
      'A heavier ball or a thinner disc is wider.',
      'More spring-back: roll wider to end at the same disc.',
    ],
  }),
  thickness: (plan, system) => ({
    title: 'Rolled thickness',
    value: formatLength(plan.rolled.thicknessMm, system),
    equation: 'The disc shrinks when it relaxes and the dough stays: rolled = relaxed × (1 − spring-back)²',
    inputs: [
      { label: 'After it relaxes', value: formatLength(plan.relaxed.thicknessMm, system) },
      { label: 'Spring-back of the diameter', value: formatPercent(plan.formula.product.springBack, 1) },
      { label: 'Rolled to', value: formatLength(plan.rolled.diameterMm, system) },
    ],
    changes: ['A longer rest means less spring-back, so it may be rolled thicker.'],
  }),
  hydration: (plan) => ({
    title: 'Hydration',
    value: formatPercent(plan.totals.hydration, 1),
    equation: 'All water, also what hides in milk, yogurt and butter, divided by all flour',
    inputs: plan.sheet.flatMap((line) => {
      const food = plan.ingredients.find(({ id }) => id === line.ingredient);
      if (!food || line.kind === 'flour' || food.water < 0.01) return [];
      return [
        {
          label: `${line.name} (${formatPercent(food.water)} water)`,
          value: formatPercent(line.weighedFraction * food.water, 1),
        },
      ];
    }),
    changes: ['The moisture of the flour itself is not counted, by bakers’ custom.'],
  }),
  bowls: (plan, system) => ({
    title: 'Bowls',
    value: `${plan.bowls}`,
    equation: 'Dough ÷ bowl capacity, rounded up; all bowls get the same load',
    inputs: [
      { label: 'Dough', value: formatMass(plan.doughG, 1, system) },
      { label: 'A bowl holds', value: formatMass(plan.kitchen.bowlCapacityG, 1, system) },
      { label: 'Load of each', value: formatMass(plan.bowlG, 0.1, system) },
    ],
    changes: ['Bowl capacity is set for the kitchen under Settings.'],
  }),
  rounding: (plan, system) => {
    const worst = plan.sheet.find(({ lineId }) => lineId === plan.rounding.worstLineId);
    return {
      title: 'Rounding error',
      value: formatPercent(Math.abs(plan.rounding.worstRelativeError), 2),
      equation: 'Each line is rounded to what its scale can show; this is the line it moves most',
      inputs: [
        { label: 'Line', value: worst?.name ?? '' },
        { label: 'Exact', value: formatMass(worst?.exactG ?? 0, 0.01, system) },
        { label: 'On the sheet', value: formatMass(worst?.massG ?? 0, worst?.stepG, system) },
        { label: 'Step of its scale', value: formatMass(worst?.stepG ?? 1, worst?.stepG, 'metric') },
        {
          label: 'Most any percentage moves',
          value: `${(plan.rounding.worstFractionError * 100).toFixed(3)} points of flour`,
        },
      ],
      changes: ['A finer scale or a larger batch makes it smaller.'],
    };
  },
  holdBack: (plan, system) => {
    const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
    return {
      title: 'Hold back',
      value: formatMass(plan.holdBack?.massG ?? 0, line?.stepG, system),
      equation:
        'The formula’s share is kept back, or what the day leaves open if that is more, and added in small steps until the dough feels right',
      inputs: [
        { label: line?.name ?? 'Liquid', value: formatMass(line?.massG ?? 0, line?.stepG, system) },
        { label: 'The formula keeps back', value: formatPercent(plan.formula.method.holdBack) },
        ...(plan.today
          ? [{ label: 'The day leaves open', value: formatPercent(openShare(plan.today)) }]
          : []),
      ],
      changes: ['Flour that drinks less needs less of it: stop when the dough is right.'],
    };
  },
  cost: (plan) => {
    const { lines, perBatch, perPiece, unpriced } = planCost(plan);
    const { currency } = plan.kitchen;
    return {
      title: 'Cost',
      value: formatMoney(perBatch, currency),
      equation: 'Each line’s weight times the price of its pack, added up',
      inputs: [
        ...lines.map(({ name, cost }) => ({ label: name, value: formatMoney(cost, currency) })),
        { label: 'A piece', value: formatMoney(perPiece, currency) },
      ],
      changes: [
        ...(unpriced.length > 0
          ? [`At least: there is no price for ${unpriced.join(', ').toLowerCase()}.`]
          : []),
        'Pack prices stand under Ingredients. Work, gas and rent are not in it.',
      ],
    };
  },
  ready: (plan) => {
    const byTitle = new Map<string, number>();
    for (const step of plan.steps) {
      const title = step.kind === 'weigh' ? 'Weigh' : stepTitle(plan, step);
      byTitle.set(title, (byTitle.get(title) ?? 0) + step.expectedS);
    }
    return {
      title: 'Ready at',
      value: formatSpan(plan.expectedS),
      equation: 'The usual time of every step, one cook, one after the other',
      inputs: [...byTitle].map(([label, seconds]) => ({ label, value: formatSpan(seconds) })),
      changes: ['Rests count with their earliest end.', 'A second pair of hands or a hot press is faster.'],
    };
  },
};

/** Why a line of the sheet is what it is. */
export function explainLine(plan: Plan, lineId: string, system: UnitSystem): Explanation {
  const line = plan.sheet.find((row) => row.lineId === lineId);
  if (!line) throw new RangeError(`the plan has no line “${lineId}”`);
  return {
    title: line.name,
    value: formatMass(line.massG, line.stepG, system),
    equation: 'Flour of the bowl × its share, rounded to the scale',
    inputs: [
      { label: 'Share asked for', value: formatPercent(line.fraction, 1) },
      { label: 'Flour of the bowl', value: formatMass(plan.flourG / plan.bowls, 1, system) },
      { label: 'Exact', value: formatMass(line.exactG, 0.01, system) },
      { label: 'Step of the scale', value: formatMass(line.stepG, line.stepG, 'metric') },
      { label: 'Share as weighed', value: formatPercent(line.weighedFraction, 2) },
      { label: 'Moved by rounding', value: formatPercent(line.relativeError, 2) },
    ],
    changes: [
      line.scale === 'fine'
        ? 'Salt and leaveners go on the fine scale: a gram of them is tasted.'
        : 'The bench scale’s step is set for the kitchen under Settings.',
    ],
  };
}

/**
 * Why a figure of a plan is what it is: value, equation in words, inputs, and what would change it.
 * @param plan the plan
 * @param figure which figure
 * @param system measures of the reader
 * @throws RangeError when the plan has no such line
 */
export function explainFigure(plan: Plan, figure: FigureId, system: UnitSystem = 'metric'): Explanation {
  if (figure.startsWith('line:')) return explainLine(plan, figure.slice('line:'.length), system);
  return EXPLAIN[figure as keyof typeof EXPLAIN](plan, system);
}
