import { TZDate } from '@date-fns/tz';
import { addDays as addDaysTo } from 'date-fns/addDays';
import { differenceInCalendarDays } from 'date-fns/differenceInCalendarDays';

/** A day as it is written: 2026-03-04. Days are the kitchen's own, by its time zone; instants are kept in UTC. */
export type Day = string;

/** A time zone by its name in the IANA database, like Europe/Lisbon. */
export type Zone = string;

const UTC: Zone = 'UTC';
const DAY_LENGTH = '2026-03-04'.length;

/**
 * Whether a name is one of a time zone that this machine knows.
 * @param name a name, as "Europe/Lisbon"
 */
export function isZone(name: string): boolean {
  try {
    new Intl.DateTimeFormat('en', { timeZone: name });
    return true;
  } catch (error) {
    if (error instanceof RangeError) return false;
    throw error;
  }
}

/**
 * The day of an instant in a zone.
 * @param ms instant, ms
 * @param zone time zone of the kitchen
 * @returns 2026-03-04
 */
export const dayOf = (ms: number, zone: Zone): Day => new TZDate(ms, zone).toISOString().slice(0, DAY_LENGTH);

/**
 * The instant at which a day begins in a zone, ms; where the clock skips midnight, the first one that there is.
 * @param day the day, 2026-03-04
 * @param zone time zone of the kitchen
 */
export function startOfDayMs(day: Day, zone: Zone): number {
  const [year = 1970, month = 1, date = 1] = day.split('-').map(Number);
  return new TZDate(year, month - 1, date, zone).getTime();
}

const utcDate = (day: Day): TZDate => new TZDate(startOfDayMs(day, UTC), UTC);

/**
 * The day some days later, or earlier.
 * @param day the day, 2026-03-04
 * @param days days, negative for earlier
 */
export const addDays = (day: Day, days: number): Day => dayOf(addDaysTo(utcDate(day), days).getTime(), UTC);

/**
 * Days from one to the other, over every change of clocks.
 * @param from the first day, or the ingredient that leaves
 * @param to the last day
 */
export const daysBetween = (from: Day, to: Day): number =>
  differenceInCalendarDays(utcDate(to), utcDate(from));

const STYLES = {
  /** 14:05 */
  time: { hour: '2-digit', minute: '2-digit' },
  /** 4 Mar */
  short: { day: 'numeric', month: 'short' },
  /** Wed 4 Mar */
  weekday: { weekday: 'short', day: 'numeric', month: 'short' },
  /** Wednesday 4 March */
  heading: { weekday: 'long', day: 'numeric', month: 'long' },
  /** Wed 4 Mar, 14:05 */
  moment: { weekday: 'short', day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  /** 4 Mar, 14:05 */
  brief: { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' },
  /** 4 Mar 2026, 14:05 */
  stamp: { day: 'numeric', month: 'short', year: 'numeric', hour: '2-digit', minute: '2-digit' },
  /** Wed, 4 Mar 2026, 14:05 */
  label: {
    ...{ weekday: 'short', day: 'numeric', month: 'short', year: 'numeric' },
    ...{ hour: '2-digit', minute: '2-digit' },
  },
  /** Wednesday, 4 March 2026 at 14:05 */
  full: { dateStyle: 'full', timeStyle: 'short' },
} as const satisfies Record<string, Intl.DateTimeFormatOptions>;
export type DayStyle = keyof typeof STYLES;

const formats = new Map<string, Intl.DateTimeFormat>();

/**
 * An instant as a person of the kitchen reads it.
 * @param ms instant, ms
 * @param zone time zone of the kitchen
 * @param style how long the text is
 * @param locale BCP 47
 */
export function formatMoment(ms: number, zone: Zone, style: DayStyle, locale = 'en'): string {
  const key = `${zone} ${style} ${locale}`;
  const format =
    formats.get(key) ??
    new Intl.DateTimeFormat(locale === 'en' ? 'en-GB' : locale, {
      ...STYLES[style],
      timeZone: zone,
      // A kitchen writes its times like 22:30 in every language, and reads them so.
      hourCycle: 'h23',
    });
  formats.set(key, format);
  return format.format(ms);
}

/**
 * A day as a person reads it.
 * @param day the day, 2026-03-04
 * @param style how long the text is
 * @param locale BCP 47
 */
export const formatDay = (day: Day, style: DayStyle, locale = 'en'): string =>
  formatMoment(startOfDayMs(day, UTC), UTC, style, locale);
