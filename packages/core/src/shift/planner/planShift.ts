import type { Words } from '../../message/message';
import { mean } from 'simple-statistics';
import type { ShiftDay } from '../demand/shiftDay';
import { drawDay } from '../demand/shiftDay';
import { type Line, compileShift } from '../line/compile';
import type { Shift, ShiftPlan } from '../shiftSchema';
import { type FirstPlanStyle, firstPlan, mend, needsOf, withCold } from './firstPlan';
import { whyNotPlanned } from './rules';
import { type PlanWorth, planOnDays, worthOf } from './score';
import { searchPlan } from './search';

/** First plans that are tried: size of a batch and slack. */
const STYLES: readonly FirstPlanStyle[] = [45, 80].flatMap((size) =>
  [120, 600].map((slackS) => ({ size, slackS })),
);
/** Days that a first plan looks at, and that the search is judged on. */
const FIRST_DAYS = 40;
const SEARCH_DAYS = 120;

/**
 * Seeded days of a shift.
 * @param shift the shift
 * @param seed of the story
 * @param count how many
 */
export const drawDays = (shift: Shift, seed: number, count: number): ShiftDay[] =>
  Array.from({ length: count }, (_, day) => drawDay(shift, seed, day));

/**
 * The best of a few plans that are counted back from what is wanted; it keeps every hard rule.
 * @param line the line
 * @param days seeded days
 */
export function quickPlan(line: Line, days: readonly ShiftDay[]): ShiftPlan {
  const few = days.slice(0, FIRST_DAYS);
  const needs = needsOf(line, few);
  const fromFlour = STYLES.map((style) => mend(line, firstPlan(line, needs, style)));
  const candidates = line.shift.cold?.length
    ? fromFlour.flatMap((plan) => [plan, mend(line, withCold(line, plan))])
    : fromFlour;
  const scores = candidates.map((plan) => mean(planOnDays(line, plan, few, 1).map(({ score }) => score)));
  return candidates[scores.indexOf(Math.min(...scores))]!;
}

/** A plan as it is found, better with every look. */
export interface Planned {
  plan: ShiftPlan;
  /** Share of the tries that were made, 0 to 1. */
  share: number;
  worth: PlanWorth;
}

export interface PlanningOptions {
  seed?: number;
  tries?: number;
  days?: number;
  /** A plan to begin with instead of a first one. */
  from?: ShiftPlan;
}

const USUAL_TRIES = 3000;
/** The search looks up so often, in tries. */
const LOOK_EVERY = 10;

/**
 * Plans a shift: the first plan at once, then better ones. Yields as it goes, so that a worker can show and stop it.
 * @param shift a shift that was validated
 * @param options seed, tries and days
 * @throws RangeError where nothing can be planned; ask `refusalOf` first
 */
export function* planShift(shift: Shift, options: PlanningOptions = {}): Generator<Planned, Planned, void> {
  const { seed = 1, tries = USUAL_TRIES, days: count = SEARCH_DAYS, from } = options;
  const line = compileShift(shift);
  const refusal = whyNotPlanned(line);
  if (refusal) throw new RangeError('this shift cannot be planned');
  const days = drawDays(shift, seed, count);
  const told = (plan: ShiftPlan, share: number): Planned => ({
    ...{ plan, share },
    worth: worthOf(planOnDays(line, plan, days)),
  });
  const first = from ? mend(line, from) : quickPlan(line, days);
  let last = told(first, 0);
  yield last;
  let bestScore = last.worth.score.mean;
  const search = searchPlan(line, first, days, { seed, tries });
  for (let step = search.next(); ; step = search.next()) {
    const { plan, score, tries: tried } = step.value;
    if (step.done) return told(plan, 1);
    if (tried % LOOK_EVERY !== 0) continue;
    last = score < bestScore ? told(plan, tried / tries) : { ...last, share: tried / tries };
    bestScore = Math.min(bestScore, score);
    yield last;
  }
}

/**
 * Why a shift cannot be planned, in one sentence; null when it can.
 * @param shift a shift that was validated
 */
export const refusalOf = (shift: Shift): Words | null => whyNotPlanned(compileShift(shift));
