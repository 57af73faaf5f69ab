import { Matrix, inverse, solve as solveLinear } from 'ml-matrix';
import { FITTED, type Fitted } from '../../kitchen/fittedNames';
import type { BakeOutcome } from '../model/outcome';
import { MOST_SD } from './fitPuff';

/** What is fitted to every piece; the puff is fitted by itself. */
export type FittedName = Exclude<Fitted, 'puff'>;

/** Differences are taken towards less of a parameter: towards more, bubbles may suddenly never come. */
const STEP = -0.1;
const ITERATIONS = 8;
const SMALLEST_SHARE = 1 / 8;
/** A step of every parameter that is smaller than this share of its sd changes nothing that can be known. */
const CONVERGED_SD = 0.25;
/** Slopes taken within so many sd of where the fit stands still serve: each costs a run over all pieces. */
const SAME_SLOPES_SD = 1;
/** Huber: further off than this many sd a piece counts less. */
const HUBER = 1.5;

/**
 * Runs over all pieces that a fit of so many parameters takes at most, but for steps that are halved; slopes by browning
 * take none.
 */
export const mostRuns = (parameters: number): number => parameters * ITERATIONS + 2;

/** Where the fit stands: what every piece came to, and what was seen less that, in units of its noise. */
export interface FitPoint {
  outcomes: BakeOutcome[];
  residuals: number[];
}

export interface FitResult {
  /** ln of each factor, and its sd by linear theory. */
  logs: number[];
  sds: number[];
  at: FitPoint;
}

const huberWeight = (r: number): number => (Math.abs(r) <= HUBER ? 1 : HUBER / Math.abs(r));
const priorWeight = (name: FittedName): number => FITTED[name].priorSd ** -2;

/** What the fit makes small: Huber's loss of the residuals, and how far the parameters are from what was believed. */
function cost(r: readonly number[], logs: readonly number[], names: readonly FittedName[]): number {
  const loss = (x: number) => (Math.abs(x) <= HUBER ? (x * x) / 2 : HUBER * (Math.abs(x) - HUBER / 2));
  const prior = names.reduce((sum, name, i) => sum + (priorWeight(name) * logs[i]! ** 2) / 2, 0);
  return r.reduce((sum, x) => sum + loss(x), prior);
}

/** The normal equations of a Gauss-Newton step; `slopes` are of what is computed, one list a parameter. */
function normalEquations(
  r: readonly number[],
  slopes: readonly number[][],
  logs: readonly number[],
  names: readonly FittedName[],
): { normal: Matrix; right: Matrix } {
  const normal = Matrix.zeros(names.length, names.length);
  const right = Matrix.zeros(names.length, 1);
  for (const [i, name] of names.entries()) {
    for (const [j] of names.entries()) {
      const sum = r.reduce((s, value, k) => s + huberWeight(value) * slopes[i]![k]! * slopes[j]![k]!, 0);
      normal.set(i, j, sum + (i === j ? priorWeight(name) : 0));
    }
    const pull = r.reduce((s, value, k) => s + huberWeight(value) * slopes[i]![k]! * value, 0);
    right.set(i, 0, pull - priorWeight(name) * logs[i]!);
  }
  return { normal, right };
}

/** One logarithm that is by so much another than where every piece came to `from`. */
export interface OneChange {
  name: FittedName;
  by: number;
  from: readonly BakeOutcome[];
}

/** Works every piece out with given logarithms; `one` where a single one has changed, for what is seen less that. */
interface Run {
  all: (logs: readonly number[]) => Generator<number, FitPoint, void>;
  one: (logs: readonly number[], change: OneChange) => Generator<number, number[], void>;
}

/** What each thing seen is computed to change by with the logarithm of each parameter, in units of its noise. */
function* slopesAt(
  names: readonly FittedName[],
  logs: readonly number[],
  at: FitPoint,
  run: Run,
): Generator<number, number[][], void> {
  const slopes: number[][] = [];
  for (const [i, name] of names.entries()) {
    const less = logs.map((ln, j) => (i === j ? ln + STEP : ln));
    const residuals = yield* run.one(less, { name, by: STEP, from: at.outcomes });
    slopes.push(residuals.map((value, k) => (at.residuals[k]! - value) / STEP));
  }
  return slopes;
}

/**
 * Maximum a posteriori of ln p by Gauss-Newton with Huber weights and finite differences.
 * @param run works every piece out with given logarithms
 */
export function* fitLogs(
  names: readonly FittedName[],
  start: FitPoint,
  run: Run,
): Generator<number, FitResult, void> {
  let logs = names.map(() => 0);
  let at = start;
  let slopes: number[][] = [];
  let movedSd = Infinity;
  for (let iteration = 1; ; iteration += 1) {
    const fresh = movedSd > SAME_SLOPES_SD;
    if (fresh) [slopes, movedSd] = [yield* slopesAt(names, logs, at, run), 0];
    const { normal, right } = normalEquations(at.residuals, slopes, logs, names);
    const step = solveLinear(normal, right);
    const covariance = inverse(normal);
    const sds = names.map((_, i) => Math.sqrt(covariance.get(i, i)));
    // A full step may overshoot where bubbles hardly come at all: halve it until the fit is better.
    const here = cost(at.residuals, logs, names);
    let largestSd = 0;
    for (let share = 1; share >= SMALLEST_SHARE && largestSd === 0; share /= 2) {
      const tried = names.map((name, i) => {
        const most = MOST_SD * FITTED[name].priorSd;
        return Math.max(-most, Math.min(most, logs[i]! + share * step.get(i, 0)));
      });
      const then = yield* run.all(tried);
      if (cost(then.residuals, tried, names) > here) continue;
      largestSd = Math.max(...tried.map((ln, i) => Math.abs(ln - logs[i]!) / sds[i]!));
      [logs, at] = [tried, then];
    }
    const stuck = largestSd === 0 && !fresh;
    if ((largestSd < CONVERGED_SD && !stuck) || iteration === ITERATIONS) return { logs, at, sds };
    movedSd = stuck ? Infinity : movedSd + largestSd;
  }
}
