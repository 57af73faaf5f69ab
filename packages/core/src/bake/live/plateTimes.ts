/** Of the seconds that a side ran over, so much has been done for the other one. */
const CARRIED_OVER = 0.5;
/** A second side is never cut to less than this share of its plan. */
const LEAST_SECOND = 0.4;

/** Seconds of the sides on a plate of this heat; and for early and late turns what the second side then takes. */
export interface PlateTimes {
  plateC: number;
  seconds: number[];
  /** Earliest and latest of each side; none where there is no good bread. */
  range: { least: number[]; most: number[] } | null;
  after: [firstS: number, secondS: number][];
}

type SideRange = NonNullable<PlateTimes['range']>;

/**
 * A range that holds the seconds that are used: a turn at its planned time is never called early or late, wherever the model
 * would end it.
 * @param range earliest and latest of each side by the model, s
 * @param seconds that are used, s by side
 */
export const rangeHolding = ({ least, most }: SideRange, seconds: readonly number[]): SideRange => ({
  least: least.map((s, side) => Math.min(s, seconds[side] ?? s)),
  most: most.map((s, side) => Math.max(s, seconds[side] ?? s)),
});

/**
 * The range of each side at a plate temperature, between those that were worked out; none where one has none.
 * @param table times at several plates
 * @param plateC plate, °C
 * @returns s by side
 */
export function rangeAt(table: readonly PlateTimes[], plateC: number): PlateTimes['range'] {
  const around = rowsAround(table, plateC);
  if (!around) return null;
  const [low, high, share] = around;
  if (!low.range || !high.range) return null;
  const between = (a: readonly number[], b: readonly number[]) =>
    a.map((s, side) => s + share * ((b[side] ?? s) - s));
  return {
    least: between(low.range.least, high.range.least),
    most: between(low.range.most, high.range.most),
  };
}

type TimesTable = Pick<PlateTimes, 'plateC' | 'seconds'> & Partial<PlateTimes>;

/** Rows on both sides of a plate temperature, and how far it lies between them. */
function rowsAround<T extends { plateC: number }>(
  table: readonly T[],
  plateC: number,
): [T, T, number] | null {
  const first = table[0];
  if (!first) return null;
  const above = table.findIndex((row) => row.plateC >= plateC);
  const high = above < 0 ? (table.at(-1) ?? first) : (table[above] ?? first);
  const low = above <= 0 ? high : (table[above - 1] ?? high);
  return [low, high, high.plateC === low.plateC ? 0 : (plateC - low.plateC) / (high.plateC - low.plateC)];
}

/**
 * Seconds of the sides at a plate temperature, between those that were worked out.
 * @param table times at several plates
 * @param plateC plate, °C
 * @returns s by side
 */
export function secondsAt(table: readonly TimesTable[], plateC: number): number[] {
  const around = rowsAround(table, plateC);
  if (!around) return [];
  const [low, high, share] = around;
  return high.seconds.map((s, side) => (low.seconds[side] ?? s) + share * (s - (low.seconds[side] ?? s)));
}

/** The second side after a first of so many seconds, read along a row; beyond its ends as at them. */
function alongRow(after: PlateTimes['after'], firstS: number): number {
  const [start, end] = [after[0], after.at(-1)];
  if (!start || !end) return 0;
  if (firstS <= start[0]) return start[1];
  const next = after.findIndex(([s]) => s >= firstS);
  const [high, low] = [after[next] ?? end, after[next - 1] ?? end];
  return high[0] === low[0]
    ? high[1]
    : low[1] + ((firstS - low[0]) / (high[0] - low[0])) * (high[1] - low[1]);
}

/**
 * What the second side takes after a first of so many seconds; null where that was not worked out.
 * @param table times at several plates
 * @param plateC plate, °C
 * @param firstS first side as it lay, s
 * @returns s
 */
export function secondAfter(table: readonly TimesTable[], plateC: number, firstS: number): number | null {
  const around = rowsAround(table, plateC);
  if (!around) return null;
  const [low, high, share] = around;
  if (!low.after?.length || !high.after?.length) return null;
  return (1 - share) * alongRow(low.after, firstS) + share * alongRow(high.after, firstS);
}

interface Turned {
  table: readonly TimesTable[];
  plateC: number;
  /** What each side was meant to take. */
  seconds: readonly number[];
  /** The side that lies down now, what it was meant to take, and how long the one before it really lay. */
  side: number;
  sideS: number;
  before: number;
}

/**
 * What a side takes after one that was turned early or late: by the model where one flip was worked out, else half of what
 * ran over is taken off.
 * @param turned the times worked out, the plate, and how long the side before lay
 * @returns s
 */
export function afterTurn({ table, plateC, seconds, side, sideS, before }: Turned): number {
  const meant = seconds[side - 2] ?? before;
  const [modelFirst, modelSecond] = secondsAt(table, plateC);
  const second = side === 2 && modelFirst ? secondAfter(table, plateC, modelFirst * (before / meant)) : null;
  const turned =
    second && modelSecond ? sideS * (second / modelSecond) : sideS - CARRIED_OVER * (before - meant);
  return Math.max(LEAST_SECOND * sideS, turned);
}
