import { mean } from 'simple-statistics';
import type { Line } from '../line/compile';
import { type LineMoment, STAGE, withRest } from '../line/lineState';
import { type SeenMoment, produce } from '../line/runLine';
import { searchPlan } from '../planner/search';
import { estimateOf, scoreDays } from '../planner/score';
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
const notBegun = ({ batches, t }: LineMoment): ShiftBatch[] =>
  batches.flatMap(({ stage, bread, n, start, bakeAt, cold }) =>
    stage === STAGE.planned
      ? [
          {
            ...{ bread, n, start: Math.max(start, t) },
            ...(bakeAt > 0 ? { bakeAt } : {}),
            ...(cold >= 0 ? { cold } : {}),
          },
        ]
      : [],
  );

/**
 * Looks for a better rest of the shift; what is begun stays. Yields the best so far, so that a worker can stop by its clock;
 * whether it is worth the cook's attention is another question, for `judgeChange`.
 * @param line the line
 * @param now the shift as it stands, with who was served
 * @param options seed, days and tries
 */
export function* replan(
  line: Line,
  now: SeenMoment,
  { seed = 1, days: count = USUAL_DAYS, tries = USUAL_TRIES }: ReplanOptions = {},
): Generator<ShiftPlan, ShiftPlan, void> {
  const days = futureDays(line, now.t, beliefsAt(line, now.t, now.servedBySlot), seed, count);
  const search = searchPlan(line, { batches: notBegun(now) }, days, {
    seed,
    tries,
    productions: 1,
    from: now,
  });
  for (let step = search.next(); ; step = search.next()) {
    if (step.done) return step.value.plan;
    yield step.value.plan;
  }
}

/** The days on which a change is judged are not those on which it was found. */
const OTHER_SEED = 1000;
const JUDGED_PRODUCTIONS = 3;
/** A saving within so many standard errors may be chance. */
const SURE_SE = 2;

/**
 * Whether a change is worth telling: on days of its own it saves a share of what is still to come, and more than chance would.
 * @param line the line
 * @param now the shift as it stands
 * @param plan a rest that was found for it
 * @param options seed and days
 */
export function judgeChange(
  line: Line,
  now: SeenMoment,
  plan: ShiftPlan,
  { seed = 1, days: count = USUAL_DAYS }: ReplanOptions = {},
): Proposal {
  const beliefs = beliefsAt(line, now.t, now.servedBySlot);
  const days = futureDays(line, now.t, beliefs, seed + OTHER_SEED, count);
  const scoresOf = (batches: ShiftBatch[]) => {
    const made = days
      .slice(0, JUDGED_PRODUCTIONS)
      .map((day) => produce(line, { batches }, day, { from: withRest(now, batches) }));
    return scoreDays(line, { batches }, days, made);
  };
  const [had, has] = [scoresOf(notBegun(now)), scoresOf(plan.batches)];
  const saved = estimateOf(had.map((score, day) => score - has[day]!));
  const before = mean(had);
  const worthIt = saved.mean > before * WORTH_A_CHANGE && saved.mean > SURE_SE * saved.standardError;
  return { plan, before, after: mean(has), worthIt };
}
