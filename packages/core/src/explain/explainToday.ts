import { type LotOffset, nextBatchReach } from '../flourLot/lotOffset';
import {
  type UnitSystem,
  formatMass,
  formatPercent,
  formatSpan,
  formatTemp,
} from '../quantity/formatQuantity';
import type { Explanation } from '../message/explanation';
import type { Plan, SheetLine, Today } from '../plan/planSchema';
import type { RestAdvice } from '../batch/restAdvice';

/** A figure of the day that can be asked "why this number". */
export type TodayFigure = 'water' | 'liquidTemp' | 'doughTemp' | 'cooling' | `rest:${number}`;

const points = (fraction: number): string =>
  `${fraction >= 0 ? '+' : '−'}${Math.abs(fraction * 100).toFixed(1)} points`;

type Explain = (plan: Plan, today: Today, units: UnitSystem) => Explanation;

const liquidRow = (plan: Plan, today: Today): SheetLine | undefined =>
  plan.sheet.find(({ lineId }) => lineId === today.liquid?.lineId);

const lotWords = (offset: LotOffset | undefined): string =>
  !offset || offset.batches === 0
    ? 'No batch of this lot was judged right yet, so the interval is wide.'
    : `${offset.batches} ${offset.batches === 1 ? 'batch' : 'batches'} of this lot judged right: nine in ten of the next fall within ±${nextBatchReach(offset).toFixed(1)} points.`;

const EXPLAIN: Record<Exclude<TodayFigure, `rest:${number}`>, Explain> = {
  water: (plan, today, units) => {
    const row = liquidRow(plan, today);
    const { hydration, liquid, conditions } = today;
    const mass = (massG: number) => formatMass(massG, row?.stepG ?? 1, units);
    return {
      title: `${row?.name ?? 'Liquid'} today`,
      value: mass(row?.massG ?? 0),
      equation:
        'The formula’s hydration, corrected so that all water to flour solids stays the same at the flour’s moisture, plus what the lot has taught',
      inputs: [
        { label: 'Hydration in the formula', value: formatPercent(hydration.formula, 1) },
        { label: 'Flour moisture now', value: formatPercent(today.flourMoisture, 1) },
        { label: 'For the moisture', value: points(hydration.byMoisture) },
        {
          label: `For the lot${conditions.lot ? `, ${conditions.lot.name}` : ''}`,
          value: points(hydration.byLot),
        },
        { label: 'Hydration today', value: formatPercent(hydration.today, 1) },
        { label: 'Start with', value: mass(liquid?.startG ?? 0) },
        { label: 'Hold back', value: mass(liquid?.heldG ?? 0) },
        { label: 'Usual for this lot', value: `${mass(liquid?.lowG ?? 0)} to ${mass(liquid?.highG ?? 0)}` },
      ],
      changes: [
        lotWords(conditions.lot?.offset),
        'Drier flour drinks more: 1.8 points for every point of moisture.',
        'Judge the dough when kneading ends: every batch that is right narrows the interval.',
      ],
    };
  },
  liquidTemp: (plan, today, units) => {
    const { conditions, liquid } = today;
    const wanted = conditions.doughC;
    return {
      title: 'Liquid temperature',
      value: formatTemp(liquid?.tempC ?? 0, units),
      equation:
        wanted === undefined
          ? 'As the formula says; wish for a dough temperature and it is worked out'
          : 'Heat balance: the liquid must bring what warms everything else to the wanted dough, less friction and the flour’s own heat',
      inputs: [
        ...(wanted === undefined ? [] : [{ label: 'Wanted dough', value: formatTemp(wanted, units) }]),
        { label: 'Flour', value: formatTemp(conditions.flourC, units) },
        { label: 'Everything else dry', value: formatTemp(conditions.airC, units) },
        { label: 'Mixer warms it by', value: `${today.frictionC.toFixed(1)} K` },
        { label: 'Liquid as it comes', value: formatTemp(conditions.liquidC, units) },
      ],
      changes: [
        'Warmer flour or a longer mix wants cooler water.',
        'Flour 1.75, water 4.18, fat 2.0, milk 3.9 kJ/(kg K); flour gives off 6 kJ/kg when it drinks.',
      ],
    };
  },
  doughTemp: (_plan, today, units) => ({
    title: 'Dough temperature',
    value: formatTemp(today.doughC, units),
    equation:
      'All parts brought to one temperature, plus the mixer’s work and the heat of the flour drinking',
    inputs: [
      { label: 'Liquid', value: formatTemp(today.liquid?.tempC ?? today.conditions.liquidC, units) },
      { label: 'Flour', value: formatTemp(today.conditions.flourC, units) },
      { label: 'Mixer warms it by', value: `${today.frictionC.toFixed(1)} K` },
    ],
    changes: [
      'A warmer dough relaxes sooner: 12 degrees halve the rest.',
      'Measure it with the probe; rests then follow what it shows.',
    ],
  }),
  cooling: (_plan, today, units) => ({
    title: 'Wait until hands may go in',
    value: today.cooling?.waitS ? formatSpan(today.cooling.waitS) : '–',
    equation:
      'Newton’s cooling over the free surface: wait = heat of the dough ÷ (12 W/(m² K) × surface) × ln(how far it is above the air, before ÷ after)',
    inputs: [
      { label: 'After scalding', value: formatTemp(today.cooling?.fromC ?? 0, units) },
      { label: 'Hands may go in at', value: formatTemp(today.cooling?.toC ?? 0, units) },
      { label: 'Air', value: formatTemp(today.conditions.airC, units) },
      {
        label: 'Spread on the bench',
        value: today.cooling?.spreadS ? formatSpan(today.cooling.spreadS) : '–',
      },
    ],
    changes: ['A wider bowl or a thinner spread cools sooner.'],
  }),
};

function explainRestWindow(plan: Plan, today: Today, index: number): Explanation {
  const window = today.rests[index];
  const rest = plan.formula.method.rests[index];
  if (!window || !rest) throw new RangeError(`the plan has no rest ${index}`);
  return {
    title: `Rest of the ${rest.of}`,
    value: `${formatSpan(window.earliestS)} to ${formatSpan(window.latestS)}`,
    equation: 'Spring-back falls as e^(−t/τ); the rest ends when a disc keeps its size',
    inputs: [
      { label: 'Not before', value: `${formatSpan(window.earliestS)}: ${window.whyEarliest}` },
      { label: 'Not after', value: `${formatSpan(window.latestS)}: ${window.whyLatest}` },
      { label: 'The formula says', value: `${formatSpan(rest.earliestS)} to ${formatSpan(rest.latestS)}` },
      { label: 'Spring-back wanted', value: formatPercent(plan.formula.product.springBack) },
      { label: 'Dough', value: formatTemp(today.doughC) },
    ],
    changes: [
      'Warmer, fatter or lightly kneaded dough is calm sooner.',
      'Rests before balling count by half. A poke or a trial disc during the rest sets it right.',
    ],
  };
}

/**
 * Why a figure of the day is what it is; null for a plan that was made without a day.
 * @param plan the plan
 * @param figure which figure
 * @param units measures of the reader
 */
export function explainToday(
  plan: Plan,
  figure: TodayFigure,
  units: UnitSystem = 'metric',
): Explanation | null {
  const { today } = plan;
  if (!today) return null;
  if (figure.startsWith('rest:')) return explainRestWindow(plan, today, Number(figure.slice('rest:'.length)));
  return EXPLAIN[figure as keyof typeof EXPLAIN](plan, today, units);
}

const FROM_WORDS: Record<RestAdvice['from'], string> = {
  law: 'The law of relaxation with usual constants',
  poke: 'Your last poke',
  disc: 'Your trial disc',
};

/**
 * Why a resting dough is called calm, or not yet.
 * @param advice where the rest stands
 * @param units measures of the reader
 */
export const explainRest = (advice: RestAdvice, units: UnitSystem = 'metric'): Explanation => ({
  title: 'Rest still needed',
  value: formatSpan(advice.moreS),
  equation:
    's(t) = s∞ + (s₀ − s∞) e^(−t/τ), solved for the time at which a disc springs back no more than wanted',
  inputs: [
    { label: 'Rests on', value: FROM_WORDS[advice.from] },
    { label: 'This rest so far', value: formatSpan(advice.restedMin * 60) },
    { label: 'Time constant τ', value: `${advice.tauMin.toFixed(0)} min` },
    { label: 'Dough', value: formatTemp(advice.tempC, units) },
    { label: 'A disc rolled now springs back', value: formatPercent(advice.springBackNow) },
    { label: 'Wanted', value: formatPercent(advice.wanted) },
    ...(advice.coldS > 0
      ? [{ label: 'Until its centre is warm enough', value: formatSpan(advice.coldS) }]
      : []),
  ],
  changes: ['Poke a ball, or roll one disc and measure it twice: what you see outweighs the law.'],
});
