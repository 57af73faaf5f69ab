/** Quarters of the year by their months: the same words on both halves of the globe. */
export const SEASONS = [
  'December to February',
  'March to May',
  'June to August',
  'September to November',
] as const;
export type Season = (typeof SEASONS)[number];

export const seasonOf = (iso: string): Season =>
  SEASONS[Math.floor(((new Date(iso).getUTCMonth() + 1) % 12) / 3)] ?? SEASONS[0];
