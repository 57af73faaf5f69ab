import { say } from '../../reader/say';
import { type StepState, type TimeWindow, liveWindow, windowAt } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../../batch/useBatch';
import type { AskFirst } from './AskFirstSheet';
import { useAlarm } from '../../ui/alarm/useAlarm';
import { useNow } from '../../ui/useNow';

const SECOND_MS = 1000;
/** What is asked before a rest or a pause ends early: a slip of a pedal costs a batch. Null once its time is here. */
export function endsEarly(running: TimeWindow | null, what: 'rest' | 'pause'): AskFirst | null {
  if (running?.phase !== 'early') return null;
  const remaining = { s: Math.ceil(running.remainingS) };
  return {
    title: say('End the {what} {remaining} early?', { what, remaining }),
    no: what === 'rest' ? 'Let it rest' : 'Leave it in peace',
    yes: say('End it {remaining} early', { remaining }),
  };
}

/** The clock of a timed step, from its stored start, with the alarm of its marks. */
export function useStepClock({ batch }: LiveBatch, now: StepState) {
  const window = liveWindow(batch.plan, now) ?? { earliestS: 0, latestS: 1 };
  const { startedMs } = now;
  const nowMs = useNow(SECOND_MS, startedMs ?? 0);
  const running = startedMs === null ? null : windowAt(startedMs, window.earliestS, window.latestS, nowMs);
  const ringing = running && running.phase !== 'early';
  const alarm = useAlarm(ringing ? `${batch.id}/${now.step.id}/${startedMs}/${running.phase}` : null);
  return { nowMs, window, running, alarm };
}
