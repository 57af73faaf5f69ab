import { doughTotals, type DoughTotals } from '../formula/percentages';
import { ROUNDING_SLACK, wholePieces } from '../portion/wholePieces';
import { sumG } from '../quantity/roundToStep';
import type { BatchState } from './foldBatch';
import { keptShare } from './planBatch';
import type { Plan } from './planSchema';

/** A line of the whole batch, planned against weighed. */
export interface RecordLine {
  lineId: string;
  name: string;
  stepG: number;
  plannedG: number;
  /** Null while a bowl still misses it. */
  weighedG: number | null;
}

/** A batch for the log: what was planned and what came of it. */
export interface BatchRecord {
  status: BatchState['status'];
  piecesPlanned: number;
  /** What the dough in the bowls should give at the planned ball weight. */
  piecesExpected: number;
  piecesMade: number | null;
  good: number | null;
  doughPlannedG: number;
  /** Weighed at dividing, else the sum of what is in the bowls. */
  doughG: number;
  ballPlannedG: number;
  ballG: number | null;
  lines: RecordLine[];
  planned: DoughTotals;
  /** Of the dough as weighed; lines not yet weighed count as asked. */
  actual: DoughTotals;
  finishedMs: number | null;
}

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
