import { type Words, message } from '../message/message';
import { mean } from 'simple-statistics';
import { type BatchState, type StepState, weighingToleranceG } from '../batch/batchState';
import type { Plan } from '../plan/planSchema';
import { type StepTime, stepTimes } from '../batch/stepTimes';
import { roundToStep, sumG } from '../quantity/roundToStep';

/** What a step was to use or make, and what it did; null where it has no amount. */
export interface StepAmount {
  planned: Words;
  /** "–" while nothing was done. */
  actual: Words;
  /** Further from the plan than the bench's own tolerance. */
  off: boolean;
}

export interface ThreadRow extends StepTime {
  amount: StepAmount | null;
}

const NOTHING = '–';
/** A disc is right within a twentieth of its diameter, a plate within so many degrees, where the product does not say. */
const DISC_TOLERANCE = 0.05;
const PLATE_TOLERANCE_C = 10;

type Amount = (plan: Plan, state: BatchState, step: StepState) => StepAmount | null;

const weigh: Amount = (plan, state, { step }) => {
  const sheet = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const line = state.bowls[(step.bowl ?? 1) - 1]?.lines.find(({ lineId }) => lineId === step.lineId);
  if (!sheet || !line) return null;
  const plannedG = sheet.startG ?? sheet.massG;
  return {
    planned: { g: plannedG, stepG: sheet.stepG },
    actual: line.weighedG === null ? NOTHING : { g: line.weighedG, stepG: sheet.stepG },
    off:
      line.weighedG !== null &&
      Math.abs(line.weighedG - plannedG) > weighingToleranceG(sheet, plannedG) + 1e-9,
  };
};

/** Liquid and flour that followed by feel. */
const mix: Amount = (plan, _state, { step, seen }) => {
  const held = plan.sheet.filter(({ startG }) => startG !== undefined);
  const added = seen.flatMap((event) => (event.type === 'added' ? [event.massG] : []));
  if (held.length === 0 && added.length === 0) return null;
  const heldG = step.kind === 'mix' ? sumG(held.map(({ massG, startG }) => massG - (startG ?? massG))) : 0;
  const stepG = plan.kitchen.benchStepG;
  const addedG = sumG(added);
  return {
    planned: message('{held} more', { held: { g: heldG, stepG } }),
    actual: message('{added} more', { added: { g: addedG, stepG } }),
    off: Math.abs(addedG - heldG) > weighingToleranceG({ stepG }, heldG),
  };
};

const timesBall = (pieces: number, ballG: number): Words =>
  message('{pieces, number} × {ball}', { pieces, ball: { g: ballG, stepG: 0.1 } });

const divide: Amount = (plan, { divided, balls }) => {
  const seenG = balls.length > 0 ? mean(balls.map(({ massG }) => massG)) : divided?.ballG;
  const toleranceG = plan.formula.product.ballToleranceG;
  return {
    planned: timesBall(plan.pieces, plan.ballG),
    actual: divided ? timesBall(divided.pieces, roundToStep(seenG ?? divided.ballG, 0.1)) : NOTHING,
    off: divided !== null && Math.abs((seenG ?? plan.ballG) - plan.ballG) > toleranceG,
  };
};

const flatten: Amount = (plan, { flattened, discs }) => {
  const relaxed = discs.map(({ diametersMm: [a, b] }) => Math.sqrt(a * b));
  const planMm = relaxed.length > 0 ? plan.relaxed.diameterMm : plan.rolled.diameterMm;
  const seenMm = relaxed.length > 0 ? mean(relaxed) : flattened?.diameterMm;
  const toleranceMm = plan.formula.product.diameterToleranceMm ?? planMm * DISC_TOLERANCE;
  return {
    planned: { mm: planMm },
    actual: seenMm === undefined ? NOTHING : { mm: seenMm },
    off: seenMm !== undefined && Math.abs(seenMm - planMm) > toleranceMm,
  };
};

const griddle: Amount = (plan, _state, { seen }) => {
  const reads = seen.flatMap((event) =>
    event.type === 'measured' && event.what === 'plate' ? [event.tempC] : [],
  );
  const { plateC } = plan.formula.bake;
  return {
    planned: { tempC: plateC },
    actual: reads.length > 0 ? { tempC: mean(reads) } : NOTHING,
    off: reads.length > 0 && Math.abs(mean(reads) - plateC) > PLATE_TOLERANCE_C,
  };
};

const finish: Amount = (plan, { finished }) => ({
  planned: message('{pieces, number} good', { pieces: plan.pieces }),
  actual: finished
    ? message('{good, number} of {pieces, number}', { good: finished.good, pieces: finished.pieces })
    : NOTHING,
  off: finished !== null && finished.good < plan.pieces,
});

const AMOUNT: Partial<Record<StepState['step']['kind'], Amount>> = {
  weigh,
  mix,
  knead: mix,
  divide,
  flatten,
  griddle,
  finish,
};

/**
 * Every step planned against actual, in time and in amount.
 * @param plan the plan
 * @param state its folded state
 * @param startedMs when the batch began, ms
 */
export function stepThread(plan: Plan, state: BatchState, startedMs: number): ThreadRow[] {
  const times = stepTimes(plan, state, startedMs);
  return times.map((time, index) => {
    const step = state.steps[index];
    const of = AMOUNT[time.step.kind];
    return { ...time, amount: step && of ? of(plan, state, step) : null };
  });
}
