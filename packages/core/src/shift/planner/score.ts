import { mean, sampleStandardDeviation, sum } from 'simple-statistics';
import type { ShiftDay } from '../demand/shiftDay';
import type { Line } from '../line/compile';
import { serve } from '../line/guests';
import { type LineProduct, produce } from '../line/runLine';
import type { ShiftPlan } from '../shiftSchema';

/** A second of a later start is worth so much: it breaks ties and nothing else. */
const LATER_PER_S = 1e-6;

/** What a day comes to, in pieces and money. */
export interface DayResult {
  score: number;
  wanted: number;
  lost: number;
  waitS: number;
  wasted: number;
}

/**
 * What guests of a day make of a production.
 * @param line the line
 * @param product what was made
 * @param day who comes
 */
export function dayResult(line: Line, { ready, cost }: LineProduct, { wanted }: ShiftDay): DayResult {
  const { shift, breads, patienceS } = line;
  const result: DayResult = { score: cost, wanted: 0, lost: 0, waitS: 0, wasted: 0 };
  for (let bread = 0; bread < breads.length; bread += 1) {
    const { holdS, cu, co, waitPerMin = 0 } = breads[bread]!;
    const pieces = ready[bread]!;
    const served = serve(pieces, wanted[bread]!, holdS, patienceS[bread]!);
    let wasted = served.tooOld;
    for (let piece = served.next; piece < pieces.length; piece += 1) {
      if (shift.leftAtClose !== 'kept' || pieces[piece]! + holdS < shift.serviceTo) wasted += 1;
    }
    result.score += cu * served.lost + (waitPerMin * served.waitS) / 60 + co * wasted;
    result.wanted += wanted[bread]!.length;
    result.lost += served.lost;
    result.waitS += served.waitS;
    result.wasted += wasted;
  }
  return result;
}

const earliness = (line: Line, plan: ShiftPlan): number =>
  sum([0, ...plan.batches.map(({ start }) => LATER_PER_S * Math.max(0, line.shift.serviceTo - start))]);

/**
 * Scores of days that share some productions between them.
 * @param line the line
 * @param plan its batches
 * @param days the days
 * @param made productions; day k is served from the one at k modulo their count
 */
export function scoreDays(
  line: Line,
  plan: ShiftPlan,
  days: readonly ShiftDay[],
  made: readonly LineProduct[],
): number[] {
  const early = earliness(line, plan);
  return days.map((day, index) => dayResult(line, made[index % made.length]!, day).score + early);
}

/** So many productions serve all days, each its share: production does not depend on guests. */
const USUAL_PRODUCTIONS = 3;

/**
 * A plan on seeded days.
 * @param line the line
 * @param plan its batches
 * @param days the days; two plans are compared on the same ones
 * @param productions how many are run; each has the times of one day
 */
export function planOnDays(
  line: Line,
  plan: ShiftPlan,
  days: readonly ShiftDay[],
  productions = USUAL_PRODUCTIONS,
): DayResult[] {
  const made = days.slice(0, productions).map((day) => produce(line, plan, day));
  const early = earliness(line, plan);
  return days.map((day, index) => {
    const result = dayResult(line, made[index % made.length]!, day);
    return { ...result, score: result.score + early };
  });
}

/** A mean with its standard error. */
export interface Estimate {
  mean: number;
  standardError: number;
}

/**
 * Mean and standard error of independent figures.
 * @param figures one a day
 */
export const estimateOf = (figures: readonly number[]): Estimate => ({
  mean: mean([...figures]),
  standardError: figures.length > 1 ? sampleStandardDeviation([...figures]) / Math.sqrt(figures.length) : 0,
});

/**
 * How much more one plan costs than another, day by day on the same days.
 * @param a scores of one
 * @param b scores of the other
 */
export const pairedDifference = (a: readonly DayResult[], b: readonly DayResult[]): Estimate =>
  estimateOf(a.map(({ score }, day) => score - b[day]!.score));

/** What a plan comes to over many days. */
export interface PlanWorth {
  score: Estimate;
  lost: Estimate;
  wasted: Estimate;
  wanted: Estimate;
  /** Minutes that guests wait in all. */
  waitMin: Estimate;
}

/**
 * Sums a plan's days up.
 * @param results a result a day
 */
export const worthOf = (results: readonly DayResult[]): PlanWorth => ({
  score: estimateOf(results.map(({ score }) => score)),
  lost: estimateOf(results.map(({ lost }) => lost)),
  wasted: estimateOf(results.map(({ wasted }) => wasted)),
  wanted: estimateOf(results.map(({ wanted }) => wanted)),
  waitMin: estimateOf(results.map(({ waitS }) => waitS / 60)),
});
