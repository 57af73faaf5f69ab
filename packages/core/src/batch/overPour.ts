import { bakersFractions, doughTotals } from '../formula/percentages';
import { piecesFor } from '../portion/piecesFor';
import { ballStandard } from './skippedWater';
import { roundToStep, sumG } from '../quantity/roundToStep';
import { type BatchState, inBowlG, startG, weighingToleranceG } from './batchState';
import { RESCALES } from './eventSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Plan, SheetLine, Step } from '../plan/planSchema';

/** How a weight compares with its target. */
export interface WeighCheck {
  verdict: 'right' | 'short' | 'over';
  targetG: number;
  /** massG − targetG; of an over-pour, what is above all that the line may come to. */
  offG: number;
  toleranceG: number;
  /** Of what was to be held back, this much is in already. */
  heldInG: number;
}

/** What following an over-pour would mean. */
export interface RescaleOffer {
  factor: number;
  /** Whole batch after it. */
  doughG: number;
  pieces: number;
  /** Lines already weighed that need more, with how much. */
  topUps: { name: string; addG: number; stepG: number }[];
  /** False when a bowl would hold more than it can, or the figure cannot be meant. */
  fits: boolean;
  bowlG: number;
}

const sheetLine = (plan: Plan, step: Step): SheetLine => {
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!line) throw new RangeError(`step ${step.id} is not a weighing step of this plan`);
  return line;
};

/**
 * Compares what the scale showed with what this bowl asks for.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 * @param massG shown, g
 * @returns within tolerance, short or over, with the difference in g
 */
export function checkWeight(plan: Plan, state: BatchState, step: Step, massG: number): WeighCheck {
  const line = sheetLine(plan, step);
  const lineState = state.bowls[(step.bowl ?? 1) - 1]?.lines.find(({ lineId }) => lineId === step.lineId);
  const targetG = lineState?.targetG ?? line.massG;
  const totalG = lineState?.totalG ?? line.massG;
  const toleranceG = weighingToleranceG(line, targetG);
  const within = toleranceG + 1e-9;
  const heldInG = Math.max(0, sumG([Math.min(massG, totalG), -targetG]));
  const verdict = massG < targetG - within ? 'short' : massG > totalG + within ? 'over' : 'right';
  const offG = sumG([massG, verdict === 'over' ? -totalG : -targetG]);
  return { verdict, targetG, offG, toleranceG, heldInG };
}

/** Food with more water than this runs into what lies beside it; butter does not. */
const WET_FROM = 0.4;

/**
 * Whether what is too much can be taken out again: it lies alone or aside, or dry on what is dry. What is wet, or lies in the
 * wet, or is being mixed, stays.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 */
export function canTakeOut(plan: Plan, state: BatchState, step: Step): boolean {
  const line = sheetLine(plan, step);
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  if (line.late) return true;
  if (bowl?.mixing) return false;
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const isWet = ({ ingredient }: SheetLine): boolean => {
    const food = foods.get(ingredient);
    return food?.at20 === 'liquid' || (food?.water ?? 0) > WET_FROM;
  };
  const beside = plan.sheet.filter(
    (other, index) => other.lineId !== line.lineId && !other.late && (bowl?.lines[index]?.weighedG ?? 0) > 0,
  );
  return beside.length === 0 || ![line, ...beside].some(isWet);
}

/** What a kept weight makes of the dough. */
export interface Kept {
  /** The line's share of all flour. */
  fraction: number;
  /** Of the whole bowl. */
  hydration: number;
}

/**
 * What becomes of the bowl if the weight is kept and everything else is weighed as asked.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 * @param massG shown, g
 * @returns fractions of all flour, 0.6 for 60 %
 */
export function ifKept(plan: Plan, state: BatchState, step: Step, massG: number): Kept {
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const parts = plan.sheet.flatMap((line, index) => {
    const food = foods.get(line.ingredient);
    const lineState = bowl?.lines[index];
    const expectedG = lineState ? inBowlG(lineState, bowl?.closed ?? false) : line.massG;
    const mass = line.lineId === step.lineId ? Math.max(massG, line.startG ? expectedG : 0) : expectedG;
    return food ? [{ mass, food }] : [];
  });
  const at = plan.sheet.findIndex(({ lineId }) => lineId === step.lineId);
  return { fraction: bakersFractions(parts)[at] ?? 0, hydration: doughTotals(parts).hydration };
}

/**
 * What it would take to make the whole batch follow an over-poured line, so that every percentage holds.
 * @param plan the plan
 * @param state its folded state
 * @param step the step that is weighed
 * @param massG shown, g
 * @returns top-ups in g and the batch that comes of it
 */
export function offerRescale(plan: Plan, state: BatchState, step: Step, massG: number): RescaleOffer {
  const line = sheetLine(plan, step);
  const factor = massG / line.exactG;
  const fromBowl = (step.bowl ?? 1) - 1;
  const loads = state.bowls.map((bowl, index) => {
    const follows = index >= fromBowl && !bowl.mixing;
    return sumG(
      bowl.lines.map((l, i) => {
        const planned = plan.sheet[i];
        if (!follows || !planned) return inBowlG(l, bowl.closed);
        const targetG =
          index === fromBowl && l.lineId === step.lineId
            ? massG
            : roundToStep(planned.exactG * factor, planned.stepG);
        return Math.max(targetG, l.weighedG ?? 0);
      }),
    );
  });
  const topUps = plan.sheet.flatMap((planned, index) => {
    const weighedG = state.bowls[fromBowl]?.lines[index]?.weighedG ?? null;
    if (weighedG === null || planned.lineId === step.lineId) return [];
    const targetG = startG(planned, roundToStep(planned.exactG * factor, planned.stepG));
    const addG = sumG([targetG, -weighedG]);
    return addG > weighingToleranceG(planned, targetG)
      ? [{ name: planned.name, addG, stepG: planned.stepG }]
      : [];
  });
  const doughG = sumG(loads);
  const bowlG = Math.max(...loads.slice(fromBowl));
  return {
    factor,
    doughG,
    pieces: piecesFor(doughG * keptShare(plan.kitchen), ballStandard(plan)),
    topUps,
    fits: bowlG <= plan.kitchen.bowlCapacityG && factor <= RESCALES.max,
    bowlG,
  };
}
