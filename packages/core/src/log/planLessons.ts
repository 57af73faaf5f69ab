import { type Words, message } from '../message/message';
import { roundToStep } from '../quantity/roundToStep';
import type { Adjustment } from '../plan/adjustmentSchema';
import type { Plan } from '../plan/planSchema';

/** What history changed in a plan, in words and numbers. */
export interface PlanLesson {
  id: string;
  from: Adjustment['from'];
  /** "Start 14 g lower". */
  effect: Words;
  why: Words;
}

const PERCENT = 100;
const moreOrLess = (value: number, more: string, less: string): string => (value > 0 ? more : less);

/** Grams of the day's liquid in one bowl that a share of flour is worth, in the kitchen's step. */
function liquidWorth(plan: Plan, share: number): Words {
  const line = plan.sheet.find(({ lineId }) => lineId === plan.today?.liquid?.lineId);
  const food = plan.ingredients.find(({ id }) => id === line?.ingredient);
  const massG = (Math.abs(share) * plan.flourG) / plan.bowls / (food?.water ?? 1);
  return { g: roundToStep(massG, plan.kitchen.benchStepG), stepG: plan.kitchen.benchStepG };
}

const EFFECT: Record<Adjustment['what'], (plan: Plan, value: number) => Words> = {
  water: (plan, value) =>
    message('{liquidWorth} {moreOrLess} liquid a bowl', {
      liquidWorth: liquidWorth(plan, value / PERCENT),
      moreOrLess: moreOrLess(value, 'more', 'less'),
    }),
  salt: (plan, value) =>
    message('{value} {moreOrLess} salt', {
      value: { g: (Math.abs(value) / PERCENT) * plan.flourG, stepG: plan.kitchen.fineStepG },
      moreOrLess: moreOrLess(value, 'more', 'less'),
    }),
  'bowl-loss': (_plan, value) =>
    message('{value} of the dough counted as lost in the bowl', { value: { share: value, decimals: 1 } }),
  'bench-loss': (_plan, value) =>
    message('{value} of the dough counted as lost on the bench', { value: { share: value, decimals: 1 } }),
  'relaxing-time': (_plan, value) =>
    message('Rests worked out with {value} {moreOrLess} time to relax', {
      value: { share: Math.abs(value - 1) },
      moreOrLess: moreOrLess(value - 1, 'more', 'less'),
    }),
  rest: (_plan, value) =>
    message('Last rest {value, number} min {moreOrLess}', {
      value: Math.abs(value),
      moreOrLess: moreOrLess(value, 'longer', 'shorter'),
    }),
  'least-rest': (_plan, value) =>
    message('{value, number} min of rest in all, at least', { value: Math.round(value) }),
  knead: (_plan, value) =>
    message('Knead {value, number} s {moreOrLess}', {
      value: Math.abs(value),
      moreOrLess: moreOrLess(value, 'longer', 'shorter'),
    }),
  plate: (plan, value) =>
    message('Plate at {plate}: {value} {moreOrLess}', {
      plate: { tempC: plan.formula.bake.plateC },
      value: { kelvin: value },
      moreOrLess: moreOrLess(value, 'hotter', 'cooler'),
    }),
  sides: (_plan, value) =>
    message('Each side {value, number} s {moreOrLess}', {
      value: Math.abs(value),
      moreOrLess: moreOrLess(value, 'longer', 'shorter'),
    }),
  thickness: (_plan, value) =>
    message('Rolled {value} {moreOrLess}', {
      value: { mm: Math.abs(value) },
      moreOrLess: moreOrLess(value, 'thicker', 'thinner'),
    }),
};

const SMALLEST_POINTS = 0.05;

/**
 * Every lesson and every carried change that a plan was made with, and what it did to it.
 * @param plan the plan
 */
export function planLessons(plan: Plan): PlanLesson[] {
  const { today, adjustments = [] } = plan;
  const lot = today?.conditions.lot;
  const byLot = today?.hydration.byLot ?? 0;
  const ofLot: PlanLesson[] =
    lot && lot.offset.batches > 0 && Math.abs(byLot) * PERCENT >= SMALLEST_POINTS
      ? [
          {
            id: `water/${lot.id}`,
            from: 'lesson',
            effect: message('Start {liquidWorth} {moreOrLess}', {
              liquidWorth: liquidWorth(plan, byLot),
              moreOrLess: moreOrLess(byLot, 'higher', 'lower'),
            }),
            why: message('last {batches, plural, one {# batch} other {# batches}} of {name}', {
              batches: lot.offset.batches,
              name: lot.name,
            }),
          },
        ]
      : [];
  return [
    ...ofLot,
    ...adjustments.map(({ id, from, what, value, words }) => ({
      id,
      from,
      effect: EFFECT[what](plan, value),
      why: words,
    })),
  ];
}
