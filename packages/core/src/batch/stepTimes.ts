import type { Words } from '../message/message';
import type { Plan, Step } from '../plan/planSchema';
import { stepTitle, stepWindow } from '../plan/stepText';
import type { BatchState, StepState } from './batchState';

/**
 * The window of a step as it runs: a rest that was made longer opens later.
 * @param plan the plan
 * @param now the step as it runs
 * @returns s after its beginning, or null without a clock
 */
export function liveWindow(
  plan: Plan,
  { step, startedMs, extendedToMs }: StepState,
): ReturnType<typeof stepWindow> {
  const window = stepWindow(plan, step);
  if (!window || startedMs === null || extendedToMs === null) return window;
  const earliestS = Math.max(window.earliestS, (extendedToMs - startedMs) / 1000);
  return { earliestS, latestS: Math.max(window.latestS, earliestS) };
}

/** How long a step was meant to take and how long it took. */
export interface StepTime {
  step: Step;
  title: Words;
  /** The window of a timed step, else null and `expectedS` counts. */
  window: { earliestS: number; latestS: number } | null;
  expectedS: number;
  /** Null while it is not done. A timed step counts from its start, any other from whatever was done last before it. */
  actualS: number | null;
  /** Where the actual time lies against the window; "free" without one, or while it is not done. */
  verdict: 'early' | 'inside' | 'late' | 'free';
}

/** Planned against actual time of every step of a batch that began at `startedMs`. */
export function stepTimes(plan: Plan, state: BatchState, startedMs: number): StepTime[] {
  const doneTimes = [startedMs, ...state.steps.flatMap(({ doneMs }) => (doneMs === null ? [] : [doneMs]))];
  return state.steps.map((stepState) => {
    const { step, startedMs: ownStartMs, doneMs } = stepState;
    const window = liveWindow(plan, stepState);
    const fromMs =
      ownStartMs ?? Math.max(startedMs, ...doneTimes.filter((ms) => doneMs !== null && ms < doneMs));
    const actualS = doneMs === null ? null : Math.max(0, (doneMs - fromMs) / 1000);
    const verdict =
      !window || actualS === null
        ? 'free'
        : actualS < window.earliestS
          ? 'early'
          : actualS > window.latestS
            ? 'late'
            : 'inside';
    return { step, title: stepTitle(plan, step), window, expectedS: step.expectedS, actualS, verdict };
  });
}
