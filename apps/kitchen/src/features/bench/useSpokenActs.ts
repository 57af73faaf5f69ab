import { formatSpan } from '../../reader/figures';
import { say } from '../../reader/say';
import { type StepState, liveWindow, windowAt } from '@kettle-scale/core/batch';
import { type Plan, type Step, stepTitle } from '@kettle-scale/core/plan';

import { type Spoken, useListening } from '../../ui/listen';
import { usePreferences } from '../../reader/preferences';
import { speak } from '../../ui/voice';

/** How long a step still takes, for the ear. */
export function howLong(plan: Plan, now: StepState, nowMs: number): string {
  const window = liveWindow(plan, now);
  if (!window || now.startedMs === null)
    return say('No clock runs. About {expected}.', { expected: { s: now.step.expectedS } });
  const { phase, remainingS } = windowAt(now.startedMs, window.earliestS, window.latestS, nowMs);
  const span = formatSpan(Math.abs(remainingS));
  return {
    early: say('{span} to go.', { span }),
    open: say('Ready. At most {span} more.', { span }),
    late: say('Over by {span}.', { span }),
  }[phase];
}

interface StepActs {
  plan: Plan;
  now: StepState | null;
  next: Step | undefined;
  /** The main act, as a pedal does it; none while it cannot be done. */
  done: (() => void) | undefined;
  undo: (() => void) | undefined;
}

/**
 * The four words of a step, where they are switched on: they do what a pedal does, a slip asked for twice as there.
 * @returns whether it listens, and the way to stop it
 */
export function useSpokenActs({ plan, now, next, done, undo }: StepActs) {
  const { listen, set } = usePreferences();
  const acts: Record<Spoken, () => void> = {
    done: () => done?.(),
    undo: () => undo?.(),
    howLong: () => now && speak(howLong(plan, now, Date.now())),
    whatNext: () =>
      speak(next ? say('Next: {stepTitle}', { stepTitle: stepTitle(plan, next) }) : 'This is the last step.'),
  };
  const listens = useListening(listen, (said) => acts[said]());
  return { listens, stop: () => set({ listen: false }) };
}
