import type { Day } from '../quantity/days';

/** Quarters of the year by their months: the same words on both halves of the globe. */
export const SEASONS = [
  'December to February',
  'March to May',
  'June to August',
  'September to November',
] as const;
export type Season = (typeof SEASONS)[number];

/** Where the month stands in a day as it is written. */
const MONTH = { from: 5, to: 7 } as const;

/**
 * The season of a day, 2026-03-04.
 * @param day the day, 2026-03-04
 * @returns three months, as the lessons name them
 */
export const seasonOf = (day: Day): Season =>
  SEASONS[Math.floor((Number(day.slice(MONTH.from, MONTH.to)) % 12) / 3)] ?? SEASONS[0];
