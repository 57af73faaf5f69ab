import { doughTotals } from '../formula/percentages';
import { ROUNDING_SLACK, wholePieces } from '../portion/wholePieces';
import { sumG } from '../quantity/roundToStep';
import type { BatchState } from './foldBatch';
import { keptShare } from './planBatch';
import type { Plan } from './planSchema';
import type { BatchRecord } from './recordSchema';
import { stepTitle } from './stepText';

/** Summarises a batch from its plan and its folded state. */
export function batchRecord(plan: Plan, state: BatchState): BatchRecord {
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const lines = plan.sheet.map((planned, index) => {
    const inBowls = state.bowls.map((bowl) => bowl.lines[index]);
    const all = inBowls.every((line) => line?.weighedG != null);
    return {
      lineId: planned.lineId,
      name: planned.name,
      stepG: planned.stepG,
      plannedG: sumG([planned.massG * plan.bowls]),
      weighedG: all ? sumG(inBowls.map((line) => line?.weighedG ?? 0)) : null,
      inG: sumG(inBowls.map((line) => line?.weighedG ?? line?.targetG ?? 0)),
      food: foods.get(planned.ingredient),
    };
  });
  const mixedG = sumG(lines.map((line) => line.inG));
  const parts = lines.flatMap(({ inG, food }) => (food ? [{ mass: inG, food }] : []));
  const { finished, divided } = state;
  return {
    status: state.status,
    nowTitle: state.now ? stepTitle(plan, state.now.step) : null,
    piecesPlanned: plan.pieces,
    piecesExpected: wholePieces(mixedG * keptShare(plan.kitchen), plan.ballG, ROUNDING_SLACK),
    piecesMade: finished?.pieces ?? null,
    good: finished?.good ?? null,
    doughPlannedG: plan.doughG,
    doughG: divided?.doughG ?? mixedG,
    ballPlannedG: plan.ballG,
    ballG: divided?.ballG ?? null,
    lines: lines.map(({ lineId, name, stepG, plannedG, weighedG }) => ({
      lineId,
      name,
      stepG,
      plannedG,
      weighedG,
    })),
    planned: plan.totals,
    actual: doughTotals(parts),
    finishedMs: finished ? Date.parse(finished.at) : null,
  };
}

/** Ball weight that a real dough gives for a count, after the bench loss. */
export const ballForCountG = (doughG: number, pieces: number, plan: Plan): number =>
  (doughG * (1 - plan.kitchen.benchLoss)) / pieces;

/** Whole pieces that a real dough gives at a ball weight, after the bench loss. */
export const countForBall = (doughG: number, ballG: number, plan: Plan): number =>
  wholePieces(doughG * (1 - plan.kitchen.benchLoss), ballG);
