import { type Zone, startOfDayMs } from './days';

const S_PER_H = 3600;
const S_PER_MIN = 60;
const MS_PER_S = 1000;
const CLOCK = /^\s*(\d{1,2})[:.h](\d{2})\s*$/;
/** A service may end after midnight: 25:30 is half past one of the next day. */
const LATEST_H = 47;

/**
 * Seconds from midnight of a typed clock: "11:45", "9.30", "25:30" for half past one of the next day.
 * @param text as typed
 * @returns null where it is no time
 */
export function readClock(text: string): number | null {
  const [, hours, minutes] = CLOCK.exec(text) ?? [];
  if (hours === undefined || minutes === undefined) return null;
  const [h, min] = [Number(hours), Number(minutes)];
  return h <= LATEST_H && min < S_PER_MIN ? h * S_PER_H + min * S_PER_MIN : null;
}

/**
 * A time as it is typed: 11:45; 25:30 for the next day.
 * @param seconds from midnight
 */
export const clockText = (seconds: number): string => {
  const minutes = Math.round(seconds / S_PER_MIN);
  return `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
};

/**
 * Seconds from a day's midnight as instants, and back.
 * @param day 2026-03-04
 * @param zone time zone of the kitchen
 */
export function dayClock(day: string, zone: Zone) {
  const midnightMs = startOfDayMs(day, zone);
  return {
    toS: (ms: number) => (ms - midnightMs) / MS_PER_S,
    toMs: (s: number) => midnightMs + s * MS_PER_S,
  };
}

export type DayClock = ReturnType<typeof dayClock>;
