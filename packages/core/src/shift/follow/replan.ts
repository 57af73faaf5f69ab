import { mean } from 'simple-statistics';
import type { Line } from '../line/compile';
import { type LineMoment, STAGE, withRest } from '../line/lineState';
import { type SeenMoment, produce } from '../line/runLine';
import { searchPlan } from '../planner/search';
import { scoreDays } from '../planner/score';
import type { ShiftBatch, ShiftPlan } from '../shiftSchema';
import { beliefsAt, futureDays } from './futures';

/** A change is proposed when it saves at least this share; less is not worth the cook's attention. */
const WORTH_A_CHANGE = 0.03;
const USUAL_DAYS = 40;
const USUAL_TRIES = 150;

/** What may be changed of the rest of a shift. */
export interface Proposal {
  plan: ShiftPlan;
  /** Cost from now on with the plan as it is, and with the change. */
  before: number;
  after: number;
  worthIt: boolean;
}

export interface ReplanOptions {
  seed?: number;
  days?: number;
  tries?: number;
}

/** Batches that are not begun, as a plan names them. */
export const notBegun = ({ batches, t }: LineMoment): ShiftBatch[] =>
  batches.flatMap(({ stage, bread, n, start, bakeAt }) =>
    stage === STAGE.planned
      ? [{ bread, n, start: Math.max(start, t), ...(bakeAt > 0 ? { bakeAt } : {}) }]
      : [],
  );

/**
 * Looks for a better rest of the shift; what is begun stays. Yields the best so far, so that a worker can stop by its clock.
 * @param line the line
 * @param now the shift as it stands, with who was served
 * @param options seed, days and tries
 */
export function* replan(
  line: Line,
  now: SeenMoment,
  { seed = 1, days: count = USUAL_DAYS, tries = USUAL_TRIES }: ReplanOptions = {},
): Generator<Proposal, Proposal, void> {
  const days = futureDays(line, now.t, beliefsAt(line, now.t, now.servedBySlot), seed, count);
  const rest = notBegun(now);
  const asItIs = produce(line, { batches: rest }, days[0]!, { from: withRest(now, rest) });
  const before = mean(scoreDays(line, { batches: rest }, days, [asItIs]));
  const search = searchPlan(line, { batches: rest }, days, { seed, tries, productions: 1, from: now });
  for (let step = search.next(); ; step = search.next()) {
    const { plan, score } = step.value;
    const told = { plan, before, after: score, worthIt: score < before * (1 - WORTH_A_CHANGE) };
    if (step.done) return told;
    yield told;
  }
}
