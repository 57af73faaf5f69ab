import { chilledMs } from './coldStore';
import type { BatchState } from './batchState';
import { DEFAULT_COLD_LIMIT_H } from '../kitchen/kitchenDefaults';
import { isPerishable } from '../ingredient/perishable';
import type { Plan } from '../plan/planSchema';

export interface ColdChain {
  /** Out of the cold so far; rests in the fridge do not count. */
  outS: number;
  limitS: number;
  /** Below zero when it is over. */
  leftS: number;
}

const MS_PER_S = 1000;
const S_PER_H = 3600;

/**
 * How long milk, yogurt or egg of a batch has been out of the cold; null for a dough without, or before it is weighed.
 * The limit is the kitchen's setting: local food codes and the person in charge decide.
 * @param plan the plan
 * @param state its folded state
 * @param nowMs the instant, ms
 * @returns hours out, limit and where it stands
 */
export function coldChain(plan: Plan, state: BatchState, nowMs: number): ColdChain | null {
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const perishable = new Set(
    plan.sheet.flatMap(({ lineId, ingredient }) => {
      const food = foods.get(ingredient);
      return food && isPerishable([food]) ? [lineId] : [];
    }),
  );
  const outMs = state.steps.flatMap(({ step, doneMs }) =>
    step.kind === 'weigh' && perishable.has(step.lineId ?? '') && doneMs !== null ? [doneMs] : [],
  );
  if (outMs.length === 0) return null;
  const griddle = state.steps.find(({ step }) => step.kind === 'griddle')?.doneMs;
  const untilMs = griddle ?? nowMs;
  const inFridgeMs = state.steps.reduce((sum, { step, startedMs, doneMs }) => {
    const rest = step.rest === undefined ? undefined : plan.formula.method.rests[step.rest];
    return rest?.where === 'fridge' && startedMs !== null ? sum + ((doneMs ?? untilMs) - startedMs) : sum;
  }, 0);
  const keptMs = inFridgeMs + chilledMs(plan, state, untilMs);
  const outS = Math.max(0, untilMs - Math.min(...outMs) - keptMs) / MS_PER_S;
  const limitS = (plan.kitchen.coldLimitH ?? DEFAULT_COLD_LIMIT_H) * S_PER_H;
  return { outS, limitS, leftS: limitS - outS };
}
