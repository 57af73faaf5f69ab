import { type Words, message } from '../message/message';
import { type LotOffset, nextBatchReach } from '../flourLot/lotOffset';
import type { Explanation } from '../message/explanation';
import type { Plan, SheetLine, Today } from '../plan/planSchema';
import type { RestAdvice } from '../batch/restAdvice';

/** A figure of the day that can be asked "why this number". */
export type TodayFigure = 'water' | 'liquidTemp' | 'doughTemp' | 'cooling' | `rest:${number}`;

const points = (fraction: number): Words => ({ points: fraction * 100, signed: true });

type Explain = (plan: Plan, today: Today) => Explanation;

const liquidRow = (plan: Plan, today: Today): SheetLine | undefined =>
  plan.sheet.find(({ lineId }) => lineId === today.liquid?.lineId);

const lotWords = (offset: LotOffset | undefined): Words =>
  !offset || offset.batches === 0
    ? 'No batch of this lot was judged right yet, so the interval is wide.'
    : message(
        '{batches, plural, one {# batch} other {# batches}} of this lot judged right: nine in ten of the next fall within ±{nextBatchReach} points.',
        { batches: offset.batches, nextBatchReach: { figure: nextBatchReach(offset), decimals: 1 } },
      );

const EXPLAIN: Record<Exclude<TodayFigure, `rest:${number}`>, Explain> = {
  water: (plan, today) => {
    const row = liquidRow(plan, today);
    const { hydration, liquid, conditions } = today;
    const mass = (massG: number) => ({ g: massG, stepG: row?.stepG ?? 1 });
    return {
      title: message('{name} today', { name: row?.name ?? 'Liquid' }),
      value: mass(row?.massG ?? 0),
      equation:
        'The formula’s hydration, corrected so that all water to flour solids stays the same at the flour’s moisture, plus what the lot has taught',
      inputs: [
        { label: 'Hydration in the formula', value: { share: hydration.formula, decimals: 1 } },
        { label: 'Flour moisture now', value: { share: today.flourMoisture, decimals: 1 } },
        { label: 'For the moisture', value: points(hydration.byMoisture) },
        {
          label: conditions.lot
            ? message('For the lot, {lot}', { lot: { name: conditions.lot.name } })
            : 'For the lot',
          value: points(hydration.byLot),
        },
        { label: 'Hydration today', value: { share: hydration.today, decimals: 1 } },
        { label: 'Start with', value: mass(liquid?.startG ?? 0) },
        { label: 'Hold back', value: mass(liquid?.heldG ?? 0) },
        {
          label: 'Usual for this lot',
          value: message('{mass} to {mass2}', {
            mass: mass(liquid?.lowG ?? 0),
            mass2: mass(liquid?.highG ?? 0),
          }),
        },
      ],
      changes: [
        lotWords(conditions.lot?.offset),
        'Drier flour absorbs more: 1.8 points for every point of moisture.',
        'Judge the dough when kneading ends: every batch that is right narrows the interval.',
      ],
    };
  },
  liquidTemp: (plan, today) => {
    const { conditions, liquid } = today;
    const wanted = conditions.doughC;
    return {
      title: 'Liquid temperature',
      value: { tempC: liquid?.tempC ?? 0 },
      equation:
        wanted === undefined
          ? 'As the formula says; wish for a dough temperature and it is worked out'
          : 'Heat balance: the liquid must bring what warms everything else to the wanted dough, less friction and the flour’s own heat',
      inputs: [
        ...(wanted === undefined ? [] : [{ label: 'Wanted dough', value: { tempC: wanted } }]),
        { label: 'Flour', value: { tempC: conditions.flourC } },
        { label: 'All other dry ingredients', value: { tempC: conditions.airC } },
        { label: 'Mixer warms it by', value: { kelvin: today.frictionC, decimals: 1 } },
        { label: 'Liquid as it comes', value: { tempC: conditions.liquidC } },
      ],
      changes: [
        'Warmer flour or a longer mix wants cooler water.',
        'Flour 1.75, water 4.18, fat 2.0, milk 3.9 kJ/(kg K); flour gives off 6 kJ/kg as it absorbs water.',
      ],
    };
  },
  doughTemp: (_plan, today) => ({
    title: 'Dough temperature',
    value: { tempC: today.doughC },
    equation:
      'All parts brought to one temperature, plus the mixer’s work and the heat of the flour absorbing water',
    inputs: [
      { label: 'Liquid', value: { tempC: today.liquid?.tempC ?? today.conditions.liquidC } },
      { label: 'Flour', value: { tempC: today.conditions.flourC } },
      { label: 'Mixer warms it by', value: { kelvin: today.frictionC, decimals: 1 } },
    ],
    changes: [
      'A warmer dough relaxes sooner: 12 degrees halve the rest.',
      'Measure it with the probe; rests then follow what it shows.',
    ],
  }),
  cooling: (_plan, today) => ({
    title: 'Wait until hands may go in',
    value: today.cooling?.waitS ? { s: today.cooling.waitS } : '–',
    equation:
      'Newton’s cooling over both faces of the dough, spread thin and turned over: wait = heat of the dough ÷ (12 W/(m² K) × surface) × ln(how far it is above the air, before ÷ after)',
    inputs: [
      { label: 'After scalding', value: { tempC: today.cooling?.fromC ?? 0 } },
      { label: 'Hands may go in at', value: { tempC: today.cooling?.toC ?? 0 } },
      { label: 'Air', value: { tempC: today.conditions.airC } },
      {
        label: 'In a heap',
        value: today.cooling?.heapS ? { s: today.cooling.heapS } : '–',
      },
    ],
    changes: ['A thinner spread cools sooner.'],
  }),
};

function explainRestWindow(plan: Plan, today: Today, index: number): Explanation {
  const window = today.rests[index];
  const rest = plan.formula.method.rests[index];
  if (!window || !rest) throw new RangeError(`the plan has no rest ${index}`);
  return {
    title: message('Rest of the {of}', { of: rest.of }),
    value: message('{earliest} to {latest}', {
      earliest: { s: window.earliestS },
      latest: { s: window.latestS },
    }),
    equation: 'Spring-back falls as e^(−t/τ); the rest ends when a disc keeps its size',
    inputs: [
      {
        label: 'Not before',
        value: message('{span}: {why}', { span: { s: window.earliestS }, why: window.whyEarliest }),
      },
      {
        label: 'Not after',
        value: message('{span}: {why}', { span: { s: window.latestS }, why: window.whyLatest }),
      },
      {
        label: 'The formula says',
        value: message('{earliest} to {latest}', {
          earliest: { s: rest.earliestS },
          latest: { s: rest.latestS },
        }),
      },
      { label: 'Spring-back wanted', value: { share: plan.formula.product.springBack } },
      { label: 'Dough', value: { tempC: today.doughC } },
    ],
    changes: [
      'Warmer, fatter or lightly kneaded dough relaxes sooner.',
      'Rests before balling count by half. A poke or a trial disc during the rest corrects it.',
    ],
  };
}

/**
 * Why a figure of the day is what it is; null for a plan that was made without a day.
 * @param plan the plan
 * @param figure which figure
 */
export function explainToday(plan: Plan, figure: TodayFigure): Explanation | null {
  const { today } = plan;
  if (!today) return null;
  if (figure.startsWith('rest:')) return explainRestWindow(plan, today, Number(figure.slice('rest:'.length)));
  return EXPLAIN[figure as keyof typeof EXPLAIN](plan, today);
}

const FROM_WORDS: Record<RestAdvice['from'], string> = {
  law: 'The relaxation model with its usual constants',
  poke: 'Your last poke',
  disc: 'Your trial disc',
};

/**
 * Why a resting dough is called calm, or not yet.
 * @param advice where the rest stands
 */
export const explainRest = (advice: RestAdvice): Explanation => ({
  title: 'Rest still needed',
  value: { s: advice.moreS },
  equation:
    's(t) = s∞ + (s₀ − s∞) e^(−t/τ), solved for the time at which a disc springs back no more than wanted',
  inputs: [
    { label: 'Based on', value: FROM_WORDS[advice.from] },
    { label: 'This rest so far', value: { s: advice.restedMin * 60 } },
    { label: 'Time constant τ', value: { s: advice.tauMin * 60 } },
    { label: 'Dough', value: { tempC: advice.tempC } },
    { label: 'A disc rolled now springs back', value: { share: advice.springBackNow } },
    { label: 'Wanted', value: { share: advice.wanted } },
    ...(advice.coldS > 0 ? [{ label: 'Until its centre is warm enough', value: { s: advice.coldS } }] : []),
  ],
  changes: ['Poke a ball, or roll one disc and measure it twice: what you see counts more than the model.'],
});
