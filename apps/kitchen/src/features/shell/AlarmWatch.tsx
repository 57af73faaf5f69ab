import type { BatchSummary } from '@kettle-scale/core/batch';
import { usePathname, useRouter } from 'expo-router';
import { useEffect, useEffectEvent, useState } from 'react';
import { useRunning } from '../../api/queries';
import { AlarmBar } from '../../ui/alarm/AlarmBar';
import { useAlarms } from '../../ui/alarm/useAlarm';
import { useSideways } from '../../ui/layout/useWide';
import { useNow } from '../../ui/useNow';
import { type Alarm, alarmsOf, nextMarkMs } from '../../batch/board';
import { startAlarmClock } from '../../workers/alarmClock';

/** Tells a hidden page's alarm by the system, where that was allowed. */
function notify({ key, words }: Alarm): void {
  if (document.visibilityState === 'visible') return;
  if (typeof Notification === 'undefined' || Notification.permission !== 'granted') return;
  new Notification('Kettle Scale', { body: words, tag: key, requireInteraction: true });
}

const SECOND_MS = 1000;

/** The time, renewed every second, and at the next mark also in a hidden page, where the page's own timers are slowed. */
function useMarks(nextMs: number | null): number {
  const seenMs = useNow(SECOND_MS);
  const [wokenMs, setWokenMs] = useState(0);
  useEffect(
    () => (nextMs === null ? undefined : startAlarmClock(nextMs, () => setWokenMs(Date.now()))),
    [nextMs],
  );
  return Math.max(seenMs, wokenMs);
}

/** Alarms of every running batch, wherever the cook is in the app; the batch on the screen rings by itself. */
export function AlarmWatch() {
  const { data: running = [] } = useRunning();
  // Without a clock to follow, the page is left in peace.
  return running.length > 0 ? <Watch running={running} /> : null;
}

function Watch({ running }: { running: readonly BatchSummary[] }) {
  const router = useRouter();
  const path = usePathname();
  const sideways = useSideways();
  const [soon, setSoon] = useState<number | null>(null);
  const nowMs = useMarks(soon);
  const next = nextMarkMs(running, nowMs);
  if (next !== soon) setSoon(next);
  const due = alarmsOf(running, nowMs);
  const elsewhere = due.filter(({ batchId }) => path !== `/bench/${batchId}`);
  const { ringing, quiet } = useAlarms(elsewhere.map(({ key }) => key));
  const alarm = elsewhere.find(({ key }) => key === ringing);
  const told = due.map(({ key }) => key).join();
  const tellAll = useEffectEvent(() => due.forEach(notify));
  // A mark is told once, when it is reached.
  useEffect(() => {
    if (told) tellAll();
  }, [told]);
  if (!alarm) return null;
  const open = () => {
    quiet();
    router.push(`/bench/${alarm.batchId}`);
  };
  // Bread on a plate cannot wait, and a phone on its side has no room: other work is a line above what is at hand.
  const slim = sideways || path.startsWith('/griddle/live/');
  return <AlarmBar words={alarm.words} act="Open" slim={slim} onAct={open} onQuiet={quiet} />;
}
