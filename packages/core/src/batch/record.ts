import { message, sameWords } from '../message/message';
import { doughTotals } from '../formula/percentages';
import { piecesFor } from '../portion/piecesFor';
import { wholePieces } from '../portion/wholePieces';
import { sumG } from '../quantity/roundToStep';
import { type BatchState, type StepState, inBowlG } from './batchState';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Plan } from '../plan/planSchema';
import type { BatchRecord } from './recordSchema';
import { ballStandard } from './skippedWater';
import { ballsAtHand, coldStore } from './coldStore';
import { heldStock, thrownOut } from './heldStock';
import { liveWindow } from './stepTimes';
import { stepTitle } from '../plan/stepText';

/** Dough in the fridge is called for when so much of its time is left. */
const LAST_OF_COLD = 0.2;
/** Points of hydration in a share. */
const POINTS = 100;

/** Whether the cook's last word on every bowl was that the dough is right. */
function judgedRight(state: BatchState): boolean {
  const kneads = state.steps.filter(({ step }) => step.kind === 'knead');
  // Kneaded in rounds, the last of a bowl says what the dough has become.
  const kneaded = kneads.filter(
    ({ step }) => kneads.findLast((other) => other.step.bowl === step.bowl)?.step === step,
  );
  return kneaded.every(({ seen, doneMs }) => {
    const said = seen.filter((event) => event.type === 'felt' || event.type === 'tested').at(-1);
    return (
      doneMs !== null &&
      (said?.type === 'felt' ? said.feel === 'right' : said?.type === 'tested' && said.passed)
    );
  });
}

/** The balls in the fridge, where nothing else of the batch is left to do. */
function waitsCold(plan: Plan, state: BatchState): ReturnType<typeof coldStore>['balls'] {
  const { balls } = coldStore(plan, state);
  return state.onPlate.length === 0 && ballsAtHand(plan, state) === 0 ? balls : null;
}

/** The present step with the marks of its clock. */
function nowOf(plan: Plan, state: BatchState, now: StepState): NonNullable<BatchRecord['now']> {
  const { step, startedMs } = now;
  const balls = waitsCold(plan, state);
  if (balls) {
    return {
      ...{ stepId: step.id, kind: step.kind, startedMs: balls.sinceMs, closesMs: balls.bestByMs },
      title: message('{pieces, number} balls in the fridge', { pieces: balls.pieces }),
      opensMs: balls.bestByMs - LAST_OF_COLD * (balls.bestByMs - balls.sinceMs),
    };
  }
  const window = liveWindow(plan, now);
  const at = (seconds: number | undefined) =>
    startedMs === null || seconds === undefined ? null : startedMs + seconds * 1000;
  return {
    stepId: step.id,
    kind: step.kind,
    title: stepTitle(plan, step),
    startedMs,
    opensMs: at(window?.earliestS),
    closesMs: at(window?.latestS),
  };
}

/** What is still to do, the present step first; weighing and bowls that follow each other in one. */
function aheadOf(plan: Plan, state: BatchState): NonNullable<BatchRecord['ahead']> {
  const ahead: NonNullable<BatchRecord['ahead']> = [];
  // Nobody knows when what is in the fridge comes out.
  if (waitsCold(plan, state)) return ahead;
  for (const { step, status } of state.steps) {
    if (status === 'done') continue;
    const title = step.kind === 'weigh' ? 'Weigh' : stepTitle(plan, step);
    const last = ahead.at(-1);
    if (last && sameWords(last.title, title)) last.seconds += step.expectedS;
    else ahead.push({ kind: step.kind, title, seconds: step.expectedS });
  }
  return ahead;
}

/**
 * Summarises a batch from its plan and its folded state.
 * @param plan the plan
 * @param state its folded state
 * @returns figures and words of the record, with the use-by of what is held
 */
export function batchRecord(plan: Plan, state: BatchState): BatchRecord {
  const foods = new Map(plan.ingredients.map((food) => [food.id, food]));
  const lines = plan.sheet.map((planned, index) => {
    const inBowls = state.bowls.flatMap((bowl) => {
      const line = bowl.lines[index];
      return line ? [{ ...line, inG: inBowlG(line, bowl.closed) }] : [];
    });
    const all = inBowls.every((line) => line.weighedG !== null);
    return {
      lineId: planned.lineId,
      name: planned.name,
      stepG: planned.stepG,
      plannedG: sumG([planned.massG * plan.bowls]),
      weighedG: all ? sumG(inBowls.map((line) => (line.weighedG ?? 0) + line.addedG)) : null,
      inG: sumG(inBowls.map((line) => line.inG)),
      kind: planned.kind,
      ingredient: planned.ingredient,
      food: foods.get(planned.ingredient),
    };
  });
  const mixedG = sumG(lines.map((line) => line.inG));
  const parts = lines.flatMap(({ inG, food }) => (food ? [{ mass: inG, food }] : []));
  const flour = lines.find(({ kind }) => kind === 'flour')?.food;
  if (flour && state.dustedG > 0) parts.push({ mass: state.dustedG, food: flour });
  const actual = doughTotals(parts);
  const lot = plan.today?.conditions.lot;
  const { finished, divided } = state;
  const now = state.now && nowOf(plan, state, state.now);
  const held = heldStock(state);
  const thrown = thrownOut(state);
  return {
    status: state.status,
    nowTitle: now?.title ?? null,
    piecesPlanned: plan.pieces,
    piecesExpected: piecesFor(mixedG * keptShare(plan.kitchen), ballStandard(plan)),
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
    actual,
    ...(lot
      ? {
          lotFlourG: sumG(lines.map(({ ingredient, inG }) => (ingredient === lot.ingredient ? inG : 0))),
        }
      : {}),
    ...(plan.today && judgedRight(state)
      ? {
          lotPoints:
            POINTS * (actual.hydration - plan.today.hydration.formula - plan.today.hydration.byMoisture),
        }
      : {}),
    ...(now ? { now, ahead: aheadOf(plan, state) } : {}),
    finishedMs: finished ? Date.parse(finished.at) : null,
    ...(state.cooks.length > 0 ? { cooks: state.cooks } : {}),
    ...(held.length > 0 ? { held } : {}),
    ...(thrown > 0 ? { thrownOut: thrown } : {}),
  };
}

/**
 * Ball weight that a real dough gives for a count, after the bench loss.
 * @param doughG real dough, g
 * @param pieces pieces
 * @param plan the plan
 * @returns g
 */
export const ballForCountG = (doughG: number, pieces: number, plan: Plan): number =>
  (doughG * (1 - plan.kitchen.benchLoss)) / pieces;

/** Whole pieces that a real dough gives at a ball weight, after the bench loss. */
export const countForBall = (doughG: number, ballG: number, plan: Plan): number =>
  wholePieces(doughG * (1 - plan.kitchen.benchLoss), ballG);
