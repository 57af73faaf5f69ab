import { mean } from 'simple-statistics';
import { type BatchState, type StepState, weighingToleranceG } from '../batch/batchState';
import type { Plan } from '../plan/planSchema';
import { type StepTime, stepTimes } from '../batch/stepTimes';
import { type UnitSystem, formatLength, formatMass, formatTemp } from '../quantity/formatQuantity';
import { roundToStep, sumG } from '../quantity/roundToStep';

/** What a step was to use or make, and what it did; null where it has no amount. */
export interface StepAmount {
  planned: string;
  /** "–" while nothing was done. */
  actual: string;
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

type Amount = (plan: Plan, state: BatchState, step: StepState, units: UnitSystem) => StepAmount | null;

const weigh: Amount = (plan, state, { step }, units) => {
  const sheet = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  const line = state.bowls[(step.bowl ?? 1) - 1]?.lines.find(({ lineId }) => lineId === step.lineId);
  if (!sheet || !line) return null;
  const plannedG = sheet.startG ?? sheet.massG;
  return {
    planned: formatMass(plannedG, sheet.stepG, units),
    actual: line.weighedG === null ? NOTHING : formatMass(line.weighedG, sheet.stepG, units),
    off:
      line.weighedG !== null &&
      Math.abs(line.weighedG - plannedG) > weighingToleranceG(sheet, plannedG) + 1e-9,
  };
};

/** Liquid and flour that followed by feel. */
const mix: Amount = (plan, _state, { step, seen }, units) => {
  const held = plan.sheet.filter(({ startG }) => startG !== undefined);
  const added = seen.flatMap((event) => (event.type === 'added' ? [event.massG] : []));
  if (held.length === 0 && added.length === 0) return null;
  const heldG = step.kind === 'mix' ? sumG(held.map(({ massG, startG }) => massG - (startG ?? massG))) : 0;
  const stepG = plan.kitchen.benchStepG;
  const addedG = sumG(added);
  return {
    planned: `${formatMass(heldG, stepG, units)} more`,
    actual: `${formatMass(addedG, stepG, units)} more`,
    off: Math.abs(addedG - heldG) > weighingToleranceG({ stepG }, heldG),
  };
};

const divide: Amount = (plan, { divided, balls }, _step, units) => {
  const seenG = balls.length > 0 ? mean(balls.map(({ massG }) => massG)) : divided?.ballG;
  const toleranceG = plan.formula.product.ballToleranceG;
  return {
    planned: `${plan.pieces} × ${formatMass(plan.ballG, 0.1, units)}`,
    actual: divided
      ? `${divided.pieces} × ${formatMass(roundToStep(seenG ?? divided.ballG, 0.1), 0.1, units)}`
      : NOTHING,
    off: divided !== null && Math.abs((seenG ?? plan.ballG) - plan.ballG) > toleranceG,
  };
};

const flatten: Amount = (plan, { flattened, discs }, _step, units) => {
  const relaxed = discs.map(({ diametersMm: [a, b] }) => Math.sqrt(a * b));
  const planMm = relaxed.length > 0 ? plan.relaxed.diameterMm : plan.rolled.diameterMm;
  const seenMm = relaxed.length > 0 ? mean(relaxed) : flattened?.diameterMm;
  const toleranceMm = plan.formula.product.diameterToleranceMm ?? planMm * DISC_TOLERANCE;
  return {
    planned: formatLength(planMm, units),
    actual: seenMm === undefined ? NOTHING : formatLength(seenMm, units),
    off: seenMm !== undefined && Math.abs(seenMm - planMm) > toleranceMm,
  };
};

const griddle: Amount = (plan, _state, { seen }, units) => {
  const reads = seen.flatMap((event) =>
    event.type === 'measured' && event.what === 'plate' ? [event.tempC] : [],
  );
  const { plateC } = plan.formula.bake;
  return {
    planned: formatTemp(plateC, units),
    actual: reads.length > 0 ? formatTemp(mean(reads), units) : NOTHING,
    off: reads.length > 0 && Math.abs(mean(reads) - plateC) > PLATE_TOLERANCE_C,
  };
};

const finish: Amount = (plan, { finished }) => ({
  planned: `${plan.pieces} good`,
  actual: finished ? `${finished.good} of ${finished.pieces}` : NOTHING,
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
 * @param units measures of the reader
 */
export function stepThread(
  plan: Plan,
  state: BatchState,
  startedMs: number,
  units: UnitSystem = 'metric',
): ThreadRow[] {
  const times = stepTimes(plan, state, startedMs);
  return times.map((time, index) => {
    const step = state.steps[index];
    const of = AMOUNT[time.step.kind];
    return { ...time, amount: step && of ? of(plan, state, step, units) : null };
  });
}
