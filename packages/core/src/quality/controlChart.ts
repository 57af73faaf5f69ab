import { mean } from 'simple-statistics';

/**
 * Constants of the X̄-R chart for subgroups of two to ten.
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2.1.
 */
const CONSTANTS: Readonly<Record<number, { a2: number; d3: number; d4: number }>> = {
  2: { a2: 1.88, d3: 0, d4: 3.267 },
  3: { a2: 1.023, d3: 0, d4: 2.574 },
  4: { a2: 0.729, d3: 0, d4: 2.282 },
  5: { a2: 0.577, d3: 0, d4: 2.114 },
  6: { a2: 0.483, d3: 0, d4: 2.004 },
  7: { a2: 0.419, d3: 0.076, d4: 1.924 },
  8: { a2: 0.373, d3: 0.136, d4: 1.864 },
  9: { a2: 0.337, d3: 0.184, d4: 1.816 },
  10: { a2: 0.308, d3: 0.223, d4: 1.777 },
};

/** The constants of a subgroup size. @throws RangeError outside of 2 to 10 */
export function chartConstants(size: number): { a2: number; d3: number; d4: number } {
  const found = CONSTANTS[size];
  if (!found) throw new RangeError('an X̄-R chart has subgroups of 2 to 10');
  return found;
}

/** The four classic zone rules, in plain words. */
export const ZONE_RULES = {
  outside: 'one batch outside of the limits',
  'two of three': 'two of three batches in a row far to one side',
  'four of five': 'four of five batches in a row to one side',
  'eight in a row': 'eight batches in a row on one side of the middle',
} as const;
export type ZoneRule = keyof typeof ZONE_RULES;

/** Each rule: of the last `of` points, `least` lie beyond so many standard errors on one side. */
const RULES: readonly { rule: ZoneRule; of: number; least: number; beyond: number }[] = [
  { rule: 'outside', of: 1, least: 1, beyond: 3 },
  { rule: 'two of three', of: 3, least: 2, beyond: 2 },
  { rule: 'four of five', of: 5, least: 4, beyond: 1 },
  { rule: 'eight in a row', of: 8, least: 8, beyond: 0 },
];

export interface ChartLimits {
  centre: number;
  low: number;
  high: number;
}

export interface ChartPoint {
  mean: number;
  range: number;
  /** Zone rules that this point completes. */
  rules: ZoneRule[];
  /** The spread within the batch is outside of its limits. */
  wide: boolean;
}

export interface ControlChart {
  size: number;
  means: ChartLimits;
  ranges: ChartLimits;
  points: ChartPoint[];
}

/**
 * Means and ranges of subgroups of one size with their limits, X̄ ± A2·R̄ and D3·R̄ to D4·R̄, and the zone rules.
 * @param subgroups two or more, all of one size from 2 to 10, in order of time
 * @returns centre lines, limits and the points that break a rule
 * @throws RangeError for sizes a chart does not have
 */
export function controlChart(subgroups: readonly (readonly number[])[]): ControlChart {
  const size = subgroups[0]?.length ?? 0;
  const { a2, d3, d4 } = chartConstants(size);
  if (subgroups.some((group) => group.length !== size)) {
    throw new RangeError('all subgroups of a chart have one size');
  }
  const xs = subgroups.map((group) => mean([...group]));
  const rs = subgroups.map((group) => Math.max(...group) - Math.min(...group));
  const [centre, rBar] = [mean(xs), mean(rs)];
  const reach = a2 * rBar;
  const sigma = reach / 3;
  const ranges = { centre: rBar, low: d3 * rBar, high: d4 * rBar };
  const holds = (at: number, { of, least, beyond }: (typeof RULES)[number]): boolean => {
    const here = xs[at] ?? centre;
    if (at + 1 < of || sigma === 0) return false;
    const side = Math.sign(here - centre);
    const past = (x: number) => side * (x - centre) > beyond * sigma;
    return side !== 0 && past(here) && xs.slice(at + 1 - of, at + 1).filter(past).length >= least;
  };
  return {
    size,
    means: { centre, low: centre - reach, high: centre + reach },
    ranges,
    points: xs.map((x, at) => {
      const range = rs[at] ?? 0;
      return {
        mean: x,
        range,
        rules: RULES.filter((rule) => holds(at, rule)).map(({ rule }) => rule),
        wide: range > ranges.high || range < ranges.low,
      };
    }),
  };
}
