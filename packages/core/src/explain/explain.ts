import { type Words, message } from '../message/message';
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

type Explain = (plan: Plan) => Explanation;

const lossInputs = ({ kitchen }: Plan) => [
  { label: 'Stays in bowl and on hands', value: { share: kitchen.bowlLoss, decimals: 1 } },
  { label: 'Lost on the bench', value: { share: kitchen.benchLoss, decimals: 1 } },
];

const EXPLAIN: Record<Exclude<FigureId, `line:${string}`>, Explain> = {
  pieces: (plan) => ({
    title: 'Pieces',
    value: { figure: plan.pieces },
    equation:
      plan.need.by === 'flour'
        ? 'Flour × dough per flour, less losses, divided by the ball weight, whole pieces only'
        : 'As you asked',
    inputs: [
      { label: 'Flour', value: { g: plan.flourG } },
      { label: 'Dough', value: { g: plan.doughG } },
      ...lossInputs(plan),
      { label: 'Ball', value: { g: plan.ballG } },
      { label: 'Left over', value: { g: Math.max(0, plan.leftoverG) } },
    ],
    changes: ['A lighter ball gives more pieces.', 'More flour gives more pieces.'],
  }),
  ball: (plan) => ({
    title: 'Ball weight',
    value: { g: plan.ballG },
    equation: 'The rounded dough, less losses, shared out over the pieces',
    inputs: [
      { label: 'Asked for', value: { g: plan.ballG, stepG: 0.1 } },
      { label: 'The rounded sheet gives', value: { g: plan.expectedBallG, stepG: 0.1 } },
      { label: 'Dough', value: { g: plan.doughG } },
      { label: 'Pieces', value: { figure: plan.pieces } },
      ...lossInputs(plan),
    ],
    changes: ['At dividing the real dough weight decides, and the ball is worked out again.'],
  }),
  dough: (plan) => ({
    title: 'Dough to mix',
    value: { g: plan.doughG, stepG: plan.kitchen.benchStepG },
    equation:
      'Pieces × ball weight ÷ what is kept after the bowl and after the bench, then rounded line by line',
    inputs: [
      { label: 'Pieces', value: { figure: plan.pieces } },
      { label: 'Ball', value: { g: plan.ballG } },
      ...lossInputs(plan),
      { label: 'Before rounding', value: { g: plan.neededG, stepG: 0.1 } },
      {
        label: 'Bowls',
        value: message('{bowls, number} × {bowl}', {
          bowls: plan.bowls,
          bowl: { g: plan.bowlG, stepG: 0.1 },
        }),
      },
    ],
    changes: ['Losses are set for the kitchen under Settings.'],
  }),
  disc: (plan) => ({
    title: 'Disc',
    value: { mm: plan.relaxed.diameterMm },
    equation: 'Ball weight = dough density × area × thickness, solved for the diameter',
    inputs: [
      { label: 'Ball', value: { g: plan.ballG } },
      { label: 'Thickness on the griddle', value: { mm: plan.relaxed.thicknessMm } },
      {
        label: 'Dough density, from its composition',
        value: { gPerMl: plan.doughDensityGMl },
      },
      { label: 'Air in the dough', value: { share: plan.formula.product.air } },
      { label: 'Roll it to', value: { mm: plan.rolled.diameterMm } },
    ],
    changes: [
      'A heavier ball or a thinner disc is wider.',
      'More spring-back: roll wider to end at the same disc.',
    ],
  }),
  thickness: (plan) => ({
    title: 'Rolled thickness',
    value: { mm: plan.rolled.thicknessMm },
    equation: 'The disc shrinks when it relaxes and the dough stays: rolled = relaxed × (1 − spring-back)²',
    inputs: [
      { label: 'After it relaxes', value: { mm: plan.relaxed.thicknessMm } },
      {
        label: 'Spring-back of the diameter',
        value: { share: plan.formula.product.springBack, decimals: 1 },
      },
      { label: 'Rolled to', value: { mm: plan.rolled.diameterMm } },
    ],
    changes: ['A longer rest means less spring-back, so it may be rolled thicker.'],
  }),
  hydration: (plan) => ({
    title: 'Hydration',
    value: { share: plan.totals.hydration, decimals: 1 },
    equation: 'All water, also what hides in milk, yogurt and butter, divided by all flour',
    inputs: plan.sheet.flatMap((line) => {
      const food = plan.ingredients.find(({ id }) => id === line.ingredient);
      if (!food || line.kind === 'flour' || food.water < 0.01) return [];
      return [
        {
          label: message('{name} ({water} water)', { name: line.name, water: { share: food.water } }),
          value: { share: line.weighedFraction * food.water, decimals: 1 },
        },
      ];
    }),
    changes: ['The moisture of the flour itself is not counted, by bakers’ custom.'],
  }),
  bowls: (plan) => ({
    title: 'Bowls',
    value: { figure: plan.bowls },
    equation: 'Dough ÷ bowl capacity, rounded up; all bowls get the same load',
    inputs: [
      { label: 'Dough', value: { g: plan.doughG } },
      { label: 'A bowl holds', value: { g: plan.kitchen.bowlCapacityG } },
      { label: 'Load of each', value: { g: plan.bowlG, stepG: 0.1 } },
    ],
    changes: ['Bowl capacity is set for the kitchen under Settings.'],
  }),
  rounding: (plan) => {
    const worst = plan.sheet.find(({ lineId }) => lineId === plan.rounding.worstLineId);
    return {
      title: 'Rounding error',
      value: { share: Math.abs(plan.rounding.worstRelativeError), decimals: 2 },
      equation: 'Each line is rounded to the step of its scale; this is the line it changes most',
      inputs: [
        { label: 'Line', value: worst?.name ?? '' },
        { label: 'Exact', value: { g: worst?.exactG ?? 0, stepG: 0.01 } },
        { label: 'On the sheet', value: { g: worst?.massG ?? 0, stepG: worst?.stepG } },
        { label: 'Step of its scale', value: { g: worst?.stepG ?? 1, stepG: worst?.stepG } },
        {
          label: 'Largest change of any percentage',
          value: message('{points} of flour', {
            points: { points: plan.rounding.worstFractionError * 100, decimals: 3 },
          }),
        },
      ],
      changes: ['A finer scale or a larger batch makes it smaller.'],
    };
  },
  holdBack: (plan) => {
    const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
    return {
      title: 'Hold back',
      value: { g: plan.holdBack?.massG ?? 0, stepG: line?.stepG },
      equation:
        'The formula’s share is held back, or the day’s uncertainty if that is more, and added in small steps until the dough feels right',
      inputs: [
        { label: line?.name ?? 'Liquid', value: { g: line?.massG ?? 0, stepG: line?.stepG } },
        { label: 'The formula holds back', value: { share: plan.formula.method.holdBack } },
        ...(plan.today ? [{ label: 'The day’s uncertainty', value: { share: openShare(plan.today) } }] : []),
      ],
      changes: ['Flour that absorbs less needs less of it: stop when the dough is right.'],
    };
  },
  cost: (plan) => {
    const { lines, perBatch, perPiece, unpriced } = planCost(plan);
    const { currency } = plan.kitchen;
    return {
      title: 'Cost',
      value: { money: perBatch, currency },
      equation: 'Each line’s weight times the price of its pack, added up',
      inputs: [
        ...lines.map(({ name, cost }) => ({ label: name, value: { money: cost, currency } })),
        { label: 'A piece', value: { money: perPiece, currency } },
      ],
      changes: [
        ...(unpriced.length > 0
          ? [
              message('At least: there is no price for {unpriced}.', {
                unpriced: { lower: { list: unpriced } },
              }),
            ]
          : []),
        'Pack prices are set under Ingredients. Work, gas and rent are not included.',
      ],
    };
  },
  ready: (plan) => {
    const byTitle = new Map<string, { label: Words; s: number }>();
    for (const step of plan.steps) {
      const label = step.kind === 'weigh' ? 'Weigh' : stepTitle(plan, step);
      const title = JSON.stringify(label);
      byTitle.set(title, { label, s: (byTitle.get(title)?.s ?? 0) + step.expectedS });
    }
    return {
      title: 'Ready at',
      value: { s: plan.expectedS },
      equation: 'The usual time of every step, one cook, one after the other',
      inputs: [...byTitle.values()].map(({ label, s }) => ({ label, value: { s } })),
      changes: ['Rests count with their earliest end.', 'A second pair of hands or a hot press is faster.'],
    };
  },
};

/** Why a line of the sheet is what it is. */
export function explainLine(plan: Plan, lineId: string): Explanation {
  const line = plan.sheet.find((row) => row.lineId === lineId);
  if (!line) throw new RangeError(`the plan has no line “${lineId}”`);
  return {
    title: line.name,
    value: { g: line.massG, stepG: line.stepG },
    equation: 'Flour of the bowl × its share, rounded to the scale',
    inputs: [
      { label: 'Share asked for', value: { share: line.fraction, decimals: 1 } },
      { label: 'Flour of the bowl', value: { g: plan.flourG / plan.bowls } },
      { label: 'Exact', value: { g: line.exactG, stepG: 0.01 } },
      { label: 'Step of the scale', value: { g: line.stepG, stepG: line.stepG } },
      { label: 'Share as weighed', value: { share: line.weighedFraction, decimals: 2 } },
      { label: 'Moved by rounding', value: { share: line.relativeError, decimals: 2 } },
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
 * @throws RangeError when the plan has no such line
 */
export function explainFigure(plan: Plan, figure: FigureId): Explanation {
  if (figure.startsWith('line:')) return explainLine(plan, figure.slice('line:'.length));
  return EXPLAIN[figure as keyof typeof EXPLAIN](plan);
}
