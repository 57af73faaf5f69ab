import { type Correction, type Feel, correctFeel } from '../dough/feel';
import { type DoughTotals, doughTotals } from '../formula/percentages';
import { roundToStep, sumG } from '../quantity/roundToStep';
import type { BatchState } from './batchState';
import type { Plan, SheetLine } from '../plan/planSchema';
import { mainLiquid } from '../formula/mainLiquid';

/** A dough as it is in one bowl now. */
export interface RunningDough {
  flourG: number;
  doughG: number;
  totals: DoughTotals;
  lines: { line: SheetLine; inG: number; fraction: number }[];
  /** Of what was kept back, not in yet. */
  heldLeftG: number;
}

/** Salt, leavener, fat and sugar are felt or tasted when their share drifts. */
const KEPT_IN_STEP: ReadonlySet<string> = new Set(['salt', 'leavener', 'fat', 'sugar']);
/** Hold-back goes in by steps a cook can pour, grams, and no more than this share of the flour at once. */
const ADDITION = { leastG: 5, mostG: 45, shareOfFlour: 0.015 } as const;

/**
 * What is in a bowl, by line and in shares of its flour. Null before there is flour in it.
 * @param plan the plan
 * @param state its folded state
 * @param bowlNumber bowl, from 1
 */
export function runningDough(plan: Plan, state: BatchState, bowlNumber: number): RunningDough | null {
  const bowl = state.bowls[bowlNumber - 1];
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const rows = plan.sheet.flatMap((line, index) => {
    const food = foods.get(line.ingredient);
    const lineState = bowl?.lines[index];
    // Beside the bowl still: not in the dough, and nothing to top up.
    const isIn = !line.late || bowl?.lateIn;
    return food && lineState && isIn
      ? [{ line, food, lineState, inG: sumG([lineState.weighedG ?? 0, lineState.addedG]) }]
      : [];
  });
  const flourG = sumG(rows.map(({ line, inG }) => (line.kind === 'flour' ? inG : 0)));
  if (flourG === 0) return null;
  return {
    flourG,
    doughG: sumG(rows.map(({ inG }) => inG)),
    totals: doughTotals(rows.map(({ food, inG }) => ({ mass: inG, food }))),
    lines: rows.map(({ line, inG }) => ({ line, inG, fraction: inG / flourG })),
    heldLeftG: sumG(
      rows.map(({ line, lineState, inG }) =>
        line.startG === undefined ? 0 : Math.max(0, sumG([lineState.totalG, -inG])),
      ),
    ),
  };
}

/**
 * What one addition of held-back liquid or flour should be, rounded to the scale.
 * @param dough dough in a bowl
 * @param stepG step of the scale, g
 * @returns g
 */
export function additionG(dough: RunningDough, stepG: number): number {
  const { leastG, mostG, shareOfFlour } = ADDITION;
  const wantedG = Math.min(mostG, Math.max(leastG, shareOfFlour * dough.flourG));
  return Math.max(stepG, roundToStep(wantedG, stepG));
}

/**
 * Salt, leavener, fat and sugar that the flour in the bowl asks for beyond what is in; only what a scale can show.
 * @param dough dough in a bowl
 * @returns lines with g to add
 */
export function topUps(dough: RunningDough): { line: SheetLine; massG: number }[] {
  return dough.lines.flatMap(({ line, inG }) => {
    if (!KEPT_IN_STEP.has(line.kind)) return [];
    const massG = roundToStep(line.fraction * dough.flourG - inG, line.stepG);
    return massG >= line.stepG ? [{ line, massG }] : [];
  });
}

/**
 * The hydration that the dough should have: the day's, else the formula's.
 * @param plan the plan
 * @returns 0.6 for 60 %
 */
export const wantedHydration = (plan: Plan): number => plan.today?.hydration.today ?? plan.totals.hydration;

/**
 * What to do about the feel of the dough in a bowl.
 * @param plan the plan
 * @param dough dough in a bowl
 * @param feel what was felt
 * @param stillDrinking whether flour still takes up water
 * @returns water or flour to add, g, with top-ups
 */
export function correctionFor(
  plan: Plan,
  dough: RunningDough,
  feel: Feel,
  stillDrinking: boolean,
): Correction {
  return correctFeel({
    feel,
    flourG: dough.flourG,
    hydration: wantedHydration(plan),
    topped: dough.lines.flatMap(({ line }) =>
      KEPT_IN_STEP.has(line.kind) ? [{ lineId: line.lineId, name: line.name, fraction: line.fraction }] : [],
    ),
    stillDrinking,
  });
}

/**
 * The line that water goes to, and the line that flour goes to, when a dough is corrected.
 * @param plan the plan
 * @returns null where the formula has none
 */
export function correctionLines(plan: Plan): { liquid: SheetLine | null; flour: SheetLine | null } {
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const resolved = plan.sheet.flatMap(({ lineId, ingredient, fraction }) => {
    const food = foods.get(ingredient);
    return food ? [{ id: lineId, ingredient, fraction, food }] : [];
  });
  const wettest = resolved.length > 0 ? mainLiquid(resolved) : null;
  const flours = plan.sheet.filter(({ kind }) => kind === 'flour');
  return {
    liquid: plan.sheet.find(({ lineId }) => lineId === wettest?.id) ?? null,
    flour: flours.length > 0 ? flours.reduce((a, b) => (b.massG > a.massG ? b : a)) : null,
  };
}
