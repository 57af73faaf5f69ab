import { doughTotals } from '../formula/percentages';
import type { IngredientKind } from '../ingredient/ingredientSchema';
import type { Plan, SheetLine, Step } from '../plan/planSchema';
import { roundToStep, sumG } from '../quantity/roundToStep';
import type { BatchState, LineState } from './batchState';
import type { EventBody } from './eventSchema';
import { correctionLines, runningDough } from './runningDough';

/** How a forgotten line still goes in. */
export type WayIn = 'dissolved' | 'sprinkled' | 'worked in';
/** What a little water takes up goes in with it: dry, it would stay in one place and tear the dough. */
const WAYS: Partial<Record<IngredientKind, WayIn>> = {
  salt: 'dissolved',
  sugar: 'dissolved',
  leavener: 'sprinkled',
};
/** Water that takes up salt or sugar by stirring, g a gram: far from its limit of 0.36 g of salt a gram (20 °C). */
const WATER_PER_G = 3;

/** What putting a forgotten line in now takes, and what it makes of the dough. */
export interface ForgottenCure {
  line: SheetLine;
  /** Of the line, g, and the water that it is dissolved in. */
  massG: number;
  way: WayIn;
  waterG: number;
  /** That water was held back anyway: the dough gets no wetter than it was meant to be. */
  waterIsHeld: boolean;
  /** Shares of the bowl's flour before and after. */
  fraction: { before: number; after: number };
  hydration: { before: number; after: number };
  /** The acts that say so. */
  acts: EventBody[];
}

const lineOf = (plan: Plan, state: BatchState, step: Step): { line: SheetLine; inBowl: LineState } | null => {
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const inBowl = state.bowls[(step.bowl ?? 1) - 1]?.lines.find(({ lineId }) => lineId === step.lineId);
  return line && inBowl ? { line, inBowl } : null;
};

/**
 * Weighings that may turn out not to have gone in: called weighed, in a bowl that is being mixed. Before that, undo is the way.
 * @param plan the plan
 * @param state its folded state
 */
export const forgettable = (plan: Plan, state: BatchState): Step[] =>
  plan.steps.filter((step) => {
    if (step.kind !== 'weigh' || !state.bowls[(step.bowl ?? 1) - 1]?.mixing) return false;
    const inBowl = lineOf(plan, state, step)?.inBowl;
    return inBowl !== undefined && inBowl.weighedG !== null && !inBowl.forgotten;
  });

/**
 * What of a line was forgotten and is still missing, with its cure. Null where nothing is missing, and once the balls are cut:
 * what goes in then goes into one ball and not into the next.
 * @param plan the plan
 * @param state its folded state
 * @param step the weighing that did not go in
 */
export function forgottenCure(plan: Plan, state: BatchState, step: Step): ForgottenCure | null {
  const found = lineOf(plan, state, step);
  const dough = runningDough(plan, state, step.bowl ?? 1);
  const into = plan.steps.findLast(
    ({ kind, bowl }) => (kind === 'knead' || kind === 'mix') && bowl === step.bowl,
  );
  if (!found || !dough || !into || state.divided) return null;
  const { line, inBowl } = found;
  const massG = roundToStep(inBowl.totalG - sumG([inBowl.weighedG ?? 0, inBowl.addedG]), line.stepG);
  if (!inBowl.forgotten || massG < line.stepG) return null;
  const way = WAYS[line.kind] ?? 'worked in';
  const { liquid } = correctionLines(plan);
  const wantedG = way === 'dissolved' && liquid ? roundToStep(WATER_PER_G * massG, liquid.stepG) : 0;
  const waterG = wantedG > 0 ? Math.max(liquid?.stepG ?? 0, wantedG) : 0;
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const moreG = (lineId: string): number =>
    (lineId === line.lineId ? massG : 0) + (waterG > 0 && lineId === liquid?.lineId ? waterG : 0);
  const after = doughTotals(
    dough.lines.flatMap((row) => {
      const food = foods.get(row.line.ingredient);
      return food ? [{ mass: row.inG + moreG(row.line.lineId), food }] : [];
    }),
  );
  const inG = dough.lines.find((row) => row.line.lineId === line.lineId)?.inG ?? 0;
  const flourG = dough.flourG + (line.kind === 'flour' ? massG : 0);
  const add = (lineId: string, g: number): EventBody => ({
    type: 'added',
    stepId: into.id,
    lineId,
    massG: g,
    why: 'forgotten',
  });
  return {
    line,
    massG,
    way,
    waterG,
    waterIsHeld: waterG > 0 && waterG <= dough.heldLeftG,
    fraction: { before: inG / dough.flourG, after: (inG + massG) / flourG },
    hydration: { before: dough.totals.hydration, after: after.hydration },
    acts: [add(line.lineId, massG), ...(waterG > 0 && liquid ? [add(liquid.lineId, waterG)] : [])],
  };
}
