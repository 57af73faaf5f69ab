import { formatMoment } from '../reader/figures';
import { type DayStyle, dayOf } from '@kettle-scale/core/quantity';
import { useMemo } from 'react';
import { useKitchen } from '../api/queries';
import { useNow } from '../ui/useNow';

const MINUTE_MS = 60_000;

/** Where this device is, for the moment before the kitchen has said where it is. */
const OWN_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

/** Days and times as the kitchen's wall shows them, wherever this device thinks that it is. */
export function useDays() {
  const zone = useKitchen().data?.timeZone ?? OWN_ZONE;
  return useMemo(() => {
    const write = (at: number | string, style: DayStyle) =>
      formatMoment(typeof at === 'number' ? at : Date.parse(at), zone, style);
    return {
      zone,
      write,
      /** 14:05 */
      clock: (ms: number) => write(ms, 'time'),
      /** 14:05, and with its day where that is another than the one it is read on. */
      when: (ms: number, nowMs: number) => {
        const time = write(ms, 'time');
        return dayOf(ms, zone) === dayOf(nowMs, zone) ? time : `${write(ms, 'weekday')} ${time}`;
      },
      /** 4 Mar */
      day: (at: number | string) => write(at, 'short'),
      /** The kitchen's day of an instant: 2026-03-04. */
      dayOf: (ms: number) => dayOf(ms, zone),
    };
  }, [zone]);
}

/** Today in the kitchen, also when midnight passes: 2026-03-04. */
export function useToday(): string {
  const { dayOf: ofKitchen } = useDays();
  return ofKitchen(useNow(MINUTE_MS));
}
