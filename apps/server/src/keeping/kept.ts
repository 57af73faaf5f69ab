import { format, parseISO } from 'date-fns';

/** How many are kept: the newest of each day, each week and each month. */
const KEPT = [
  { of: 'yyyy-MM-dd', newest: 7 },
  { of: "RRRR-'W'II", newest: 4 },
  { of: 'yyyy-MM', newest: 12 },
] as const;

/**
 * Which days' backups are kept: 7 daily, 4 weekly and 12 monthly, each the newest of its day, week and month.
 * @param days days that have one, `2026-03-04`
 */
export function keptDays(days: readonly string[]): Set<string> {
  const newestFirst = [...days].sort().reverse();
  const kept = new Set<string>();
  for (const { of, newest } of KEPT) {
    const spans = new Set<string>();
    for (const day of newestFirst) {
      const span = format(parseISO(day), of);
      if (spans.has(span)) continue;
      if (spans.size === newest) break;
      spans.add(span);
      kept.add(day);
    }
  }
  return kept;
}
