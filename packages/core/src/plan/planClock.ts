import { type Words, message, sameWords } from '../message/message';
import type { Plan, Step } from './planSchema';
import { stepTitle } from './stepText';

/** A stretch of the batch's own clock. */
export interface ClockEntry {
  kind: Step['kind'];
  title: Words;
  startMs: number;
  endMs: number;
  /** Of a rest: the last moment it is still good. */
  latestMs: number | null;
}

/**
 * When each part of a plan begins and ends, started at `startMs`: bowls one after the other, weighing as one part.
 * @param plan the plan
 * @param startMs ms
 * @returns ms from and to
 */
export function planClock(plan: Plan, startMs: number): ClockEntry[] {
  const entries: ClockEntry[] = [];
  let nowMs = startMs;
  for (const step of plan.steps) {
    const endMs = nowMs + step.expectedS * 1000;
    const work = step.kind === 'weigh' ? 'Weigh' : stepTitle(plan, step);
    const title: Words =
      step.bowl && plan.bowls > 1 ? message('{work}, bowl {bowl, number}', { work, bowl: step.bowl }) : work;
    const rest =
      step.rest === undefined ? undefined : (plan.today?.rests ?? plan.formula.method.rests)[step.rest];
    const last = entries.at(-1);
    if (last && sameWords(last.title, title)) last.endMs = endMs;
    else {
      const latestMs = rest ? nowMs + rest.latestS * 1000 : null;
      entries.push({ kind: step.kind, title, startMs: nowMs, endMs, latestMs });
    }
    nowMs = endMs;
  }
  return entries;
}
