import { type Day, addDays, dayClock } from '@kettle-scale/core/quantity';
import { useService } from '../api/queries';
import { useNow } from '../ui/useNow';
import { useDays, useToday } from './useDays';

const LOOK_MS = 60_000;

/** The day whose service this is: yesterday while its shift goes on past midnight, else today. */
export function useServiceDate(): Day {
  const today = useToday();
  const { zone } = useDays();
  const yesterday = addDays(today, -1);
  const nowS = dayClock(yesterday, zone).toS(useNow(LOOK_MS));
  const { data } = useService(yesterday);
  return data && nowS < data.service.ends ? yesterday : today;
}
