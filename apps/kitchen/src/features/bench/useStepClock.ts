import { say } from '../../reader/say';
import { type StepState, type TimeWindow, liveWindow, windowAt } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../../batch/useBatch';
import { useAlarm } from '../../ui/alarm/useAlarm';
import { useNow } from '../../ui/useNow';

const SECOND_MS = 1000;
/** A rest that is ended with less than this share of it to go is as good as over. */
const NEARLY = 0.1;

/** What ending it now would do, where that is more than a tenth early; else null. */
export function endsEarly(
  running: TimeWindow | null,
  { earliestS }: { earliestS: number },
  what: 'rest' | 'pause',
): string | null {
  if (running?.phase !== 'early' || running.remainingS <= NEARLY * earliestS) return null;
  return say('end the {what} {remaining} early', { what, remaining: { s: running.remainingS } });
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
