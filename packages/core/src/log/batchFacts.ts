import { mean, sum } from 'simple-statistics';
import type { Batch } from '../batch/batchSchema';
import { isSimulated } from '../batch/eventSchema';
import { foldBatch } from '../batch/foldBatch';
import { type BatchState, type StepState, inBowlG } from '../batch/batchState';
import { planCost } from '../plan/planCost';
import type { Plan } from '../plan/planSchema';
import { liveEvents } from '../batch/liveEvents';
import { onlyCook, whoDid } from '../batch/whoDid';
import { batchRecord } from '../batch/record';
import { lawAgeOf } from '../batch/restAdvice';
import { wantedSpringBack } from '../plan/today/restingDough';
import { measuredDisc } from '../portion/measuredDisc';
import { sumG } from '../quantity/roundToStep';
import { stepTimes } from '../batch/stepTimes';
import { type BatchFacts, TIMED_STEPS } from './factsSchema';

const MS_PER_MIN = 60_000;
/** Balls that must have been weighed before they say what the bench kept. */
const ENOUGH_BALLS = 3;

/**
 * Dough that went into the bowls, bench flour included, grams.
 * @param state its folded state
 * @returns g
 */
export const mixedG = (state: BatchState): number =>
  sumG([
    ...state.bowls.flatMap(({ closed, lines }) => lines.map((line) => inBowlG(line, closed))),
    state.dustedG,
  ]);

/** Rests that were done, minutes in all. */
function restedMin(steps: readonly StepState[]): number | null {
  const rests = steps.filter(({ step, startedMs, doneMs }) => step.rest !== undefined && startedMs && doneMs);
  if (rests.length === 0) return null;
  return (
    rests.reduce((sum, { startedMs, doneMs }) => sum + ((doneMs ?? 0) - (startedMs ?? 0)), 0) / MS_PER_MIN
  );
}

/** Every disc whose rolled and relaxed diameters are known, with the relaxation it had by the law. */
function springs(plan: Plan, state: BatchState): BatchFacts['relaxing'] {
  const trials = state.steps.flatMap(({ seen }) =>
    seen.flatMap((event) => (event.type === 'sprang-back' ? [event] : [])),
  );
  const measured = state.discs.flatMap(({ at, rolledMm, diametersMm }) =>
    rolledMm === undefined ? [] : [{ at, rolledMm, relaxedMm: measuredDisc(diametersMm, []).diameterMm }],
  );
  return [...trials, ...measured].map(({ at, rolledMm, relaxedMm }) => ({
    age: lawAgeOf(plan, state, Date.parse(at)),
    springBack: Math.max(0, 1 - relaxedMm / rolledMm),
  }));
}

/** What the bench kept: what was divided, less the balls and what was left over; null without a fair sample. */
function benchLossOf(state: BatchState): number | null {
  const { divided, balls, leftovers } = state;
  if (!divided || balls.length < ENOUGH_BALLS) return null;
  const ballsG = divided.pieces * mean(balls.map(({ massG }) => massG));
  const leftG = sumG(leftovers.map(({ massG }) => massG));
  return 1 - (ballsG + leftG) / divided.doughG;
}

/** What each kind of timed work took against its plan; none while a step of it is not done. */
function timesOf(plan: Plan, state: BatchState, startedAt: string): NonNullable<BatchFacts['times']> {
  const all = stepTimes(plan, state, Date.parse(startedAt));
  const times: NonNullable<BatchFacts['times']> = {};
  for (const kind of TIMED_STEPS) {
    const own = all.filter(({ step }) => step.kind === kind);
    const took = own.flatMap(({ actualS }) => (actualS === null ? [] : [actualS]));
    if (own.length === 0 || took.length < own.length) continue;
    times[kind] = { plannedS: sum(own.map(({ expectedS }) => expectedS)), tookS: sum(took) };
  }
  return times;
}

/** Whose feel and whose work it was, where it was one cook's alone. */
function doneByOf({ plan, events }: Batch): NonNullable<BatchFacts['doneBy']> {
  const felt = liveEvents(events).filter(({ type }) => type === 'felt');
  const people = whoDid(plan, events);
  const doneBy: NonNullable<BatchFacts['doneBy']> = {};
  const judge = onlyCook(felt);
  if (judge) doneBy.feel = judge;
  for (const kind of TIMED_STEPS) {
    const steps = plan.steps.filter((step) => step.kind === kind);
    const cook = onlyCook(steps.flatMap(({ id }) => people.get(id) ?? [{}]));
    if (cook) doneBy[kind] = cook;
  }
  return doneBy;
}

/**
 * Works out what a batch has to say, from its plan and what happened.
 * @param batch the batch
 * @param state its folded state
 */
export function batchFacts(batch: Batch, state = foldBatch(batch.plan, batch.events)): BatchFacts {
  const { plan } = batch;
  const record = batchRecord(plan, state);
  const cost = planCost(plan);
  const inG = mixedG(state);
  const seen = springs(plan, state);
  const rejects: BatchFacts['rejects'] = {};
  for (const { reason, pieces } of state.rejected) rejects[reason] = (rejects[reason] ?? 0) + pieces;
  const made = record.piecesMade;
  const simulated =
    plan.today?.conditions.airFrom === 'simulated' || liveEvents(batch.events).some(isSimulated);
  return {
    batchId: batch.id,
    startedAt: batch.startedAt,
    formulaId: plan.formula.id,
    formulaName: plan.formula.name,
    formulaVersion: plan.formula.version,
    lotId: batch.flourLotId,
    status: record.status,
    shaping: plan.formula.method.shaping.how,
    hydration: { planned: record.planned.hydration, actual: record.actual.hydration },
    waterPoints: record.lotPoints ?? null,
    doughG: { planned: plan.doughG, mixed: inG, weighed: state.divided?.doughG ?? null },
    bowlLoss: state.divided && inG > 0 ? 1 - state.divided.doughG / inG : null,
    benchLoss: benchLossOf(state),
    relaxing: seen,
    restMin: restedMin(state.steps),
    springBack: {
      wanted: wantedSpringBack(plan.formula),
      seen: seen.length > 0 ? mean(seen.map(({ springBack }) => springBack)) : null,
    },
    balls: {
      targetG: state.divided?.ballG ?? plan.ballG,
      toleranceG: plan.formula.product.ballToleranceG,
      massesG: state.balls.map(({ massG }) => massG),
    },
    discs: {
      targetMm: plan.relaxed.diameterMm,
      diametersMm: state.discs.map(({ diametersMm }) => measuredDisc(diametersMm, []).diameterMm),
      thicknessesMm: state.discs.flatMap(({ thicknessesMm }) => thicknessesMm.map(({ mm }) => mm)),
    },
    pieces: { planned: plan.pieces, made, good: record.good },
    rejects,
    leftoverG: sumG(state.leftovers.map(({ massG }) => massG)),
    times: timesOf(plan, state, batch.startedAt),
    ...(state.cooks.length > 0 ? { cooks: state.cooks, doneBy: doneByOf(batch) } : {}),
    costPerPiece:
      cost.unpriced.length > 0 || !made ? null : (cost.perBatch * inG) / Math.max(1, plan.doughG) / made,
    ...(simulated ? { simulated } : {}),
  };
}
