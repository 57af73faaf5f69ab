import {
  type UnitSystem,
  formatMass,
  formatPercent,
  formatTemp,
  formatTempDifference,
  formatLength,
} from '../quantity/formatQuantity';
import { roundToStep } from '../quantity/roundToStep';
import type { Adjustment } from '../plan/adjustmentSchema';
import type { Plan } from '../plan/planSchema';

/** What history changed in a plan, in words and numbers. */
export interface PlanLesson {
  id: string;
  from: Adjustment['from'];
  /** "Start 14 g lower". */
  effect: string;
  why: string;
}

const PERCENT = 100;
const moreOrLess = (value: number, more: string, less: string): string => (value > 0 ? more : less);

/** Grams of the day's liquid in one bowl that a share of flour is worth, in the kitchen's step. */
function liquidWorth(plan: Plan, share: number, units: UnitSystem): string {
  const line = plan.sheet.find(({ lineId }) => lineId === plan.today?.liquid?.lineId);
  const food = plan.ingredients.find(({ id }) => id === line?.ingredient);
  const massG = (Math.abs(share) * plan.flourG) / plan.bowls / (food?.water ?? 1);
  return formatMass(roundToStep(massG, plan.kitchen.benchStepG), plan.kitchen.benchStepG, units);
}

const EFFECT: Record<Adjustment['what'], (plan: Plan, value: number, units: UnitSystem) => string> = {
  water: (plan, value, units) =>
    `${liquidWorth(plan, value / PERCENT, units)} ${moreOrLess(value, 'more', 'less')} liquid a bowl`,
  salt: (plan, value, units) =>
    `${formatMass((Math.abs(value) / PERCENT) * plan.flourG, plan.kitchen.fineStepG, units)} ${moreOrLess(value, 'more', 'less')} salt`,
  'bowl-loss': (_plan, value) => `${formatPercent(value, 1)} of the dough counted as lost in the bowl`,
  'bench-loss': (_plan, value) => `${formatPercent(value, 1)} of the dough counted as lost on the bench`,
  'relaxing-time': (_plan, value) =>
    `Rests worked out with ${formatPercent(Math.abs(value - 1))} ${moreOrLess(value - 1, 'more', 'less')} time to relax`,
  rest: (_plan, value) => `Last rest ${Math.abs(value)} min ${moreOrLess(value, 'longer', 'shorter')}`,
  'least-rest': (_plan, value) => `${Math.round(value)} min of rest in all, at least`,
  knead: (_plan, value) => `Knead ${Math.abs(value)} s ${moreOrLess(value, 'longer', 'shorter')}`,
  plate: (plan, value, units) =>
    `Plate at ${formatTemp(plan.formula.bake.plateC, units)}: ${formatTempDifference(value, units)} ${moreOrLess(value, 'hotter', 'cooler')}`,
  sides: (_plan, value) => `Each side ${Math.abs(value)} s ${moreOrLess(value, 'longer', 'shorter')}`,
  thickness: (_plan, value, units) =>
    `Rolled ${formatLength(Math.abs(value), units)} ${moreOrLess(value, 'thicker', 'thinner')}`,
};

const SMALLEST_POINTS = 0.05;

/**
 * Every lesson and every carried change that a plan was made with, and what it did to it.
 * @param plan the plan
 * @param units measures of the reader
 */
export function planLessons(plan: Plan, units: UnitSystem = 'metric'): PlanLesson[] {
  const { today, adjustments = [] } = plan;
  const lot = today?.conditions.lot;
  const byLot = today?.hydration.byLot ?? 0;
  const ofLot: PlanLesson[] =
    lot && lot.offset.batches > 0 && Math.abs(byLot) * PERCENT >= SMALLEST_POINTS
      ? [
          {
            id: `water/${lot.id}`,
            from: 'lesson',
            effect: `Start ${liquidWorth(plan, byLot, units)} ${moreOrLess(byLot, 'higher', 'lower')}`,
            why: `last ${lot.offset.batches} ${lot.offset.batches === 1 ? 'batch' : 'batches'} of ${lot.name}`,
          },
        ]
      : [];
  return [
    ...ofLot,
    ...adjustments.map(({ id, from, what, value, words }) => ({
      id,
      from,
      effect: EFFECT[what](plan, value, units),
      why: words,
    })),
  ];
}
