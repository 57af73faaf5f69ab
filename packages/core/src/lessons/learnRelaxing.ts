import { springBackAfter } from '../dough/springBack';
import { LESSON_CONFIDENCE, type Learned } from '../quality/learn';

/** A disc that was rolled and let go: rest in time constants of the law, and the share of its diameter it lost. */
export interface RelaxedDisc {
  age: number;
  springBack: number;
}

/** Of the logarithm of the factor on the law's time constant, before any disc (assumption). */
export const RELAXING_PRIOR_SD = 0.35;
/** Spread of a measured spring-back, and how many discs that guess is worth (assumptions). */
const NOISE = { sd: 0.006, worth: 4 } as const;
/** The logarithm is searched this far on either side of none, coarsely; then finely where it can be. */
const SEARCH = { reach: 1.5, coarse: 48, fine: 160 } as const;
/** Less likely than the top by this (in logarithms) is as good as impossible. */
const IMPOSSIBLE = 12;

/** Evenly spaced, both ends included. */
const spaced = (low: number, high: number, steps: number): number[] =>
  Array.from({ length: steps + 1 }, (_, step) => low + ((high - low) * step) / steps);

/**
 * How much longer than by the law a dough takes to relax, from discs: s = s∞ + (s0 − s∞)·e^(−age/f). The posterior of ln f is
 * summed on a grid, with the spread of a disc integrated out, because a well rested disc says little and that only on one side.
 * Source: Bayesian non-linear regression with an unknown variance (Gelman et al., Bayesian Data Analysis, 3.2 and 10.1).
 */
export function learnRelaxing(discs: readonly RelaxedDisc[], confidence = LESSON_CONFIDENCE): Learned | null {
  const n = discs.length;
  if (n === 0) return null;
  const logPosterior = (log: number): number => {
    const factor = Math.exp(log);
    let squares = NOISE.worth * NOISE.sd ** 2;
    for (const { age, springBack } of discs) squares += (springBack - springBackAfter(age, factor)) ** 2;
    return (-(NOISE.worth + n) / 2) * Math.log(squares) - (log / RELAXING_PRIOR_SD) ** 2 / 2;
  };
  const coarse = spaced(-SEARCH.reach, SEARCH.reach, SEARCH.coarse).map((log) => ({
    log,
    at: logPosterior(log),
  }));
  const roughTop = Math.max(...coarse.map(({ at }) => at));
  const possible = coarse.filter(({ at }) => at > roughTop - IMPOSSIBLE).map(({ log }) => log);
  const step = (2 * SEARCH.reach) / SEARCH.coarse;
  const logs = spaced(Math.min(...possible) - step, Math.max(...possible) + step, SEARCH.fine);
  const values = logs.map(logPosterior);
  const top = Math.max(...values);
  const weights = values.map((value) => Math.exp(value - top));
  const all = weights.reduce((sum, weight) => sum + weight, 0);
  const fineStep = (logs[1] ?? 0) - (logs[0] ?? 0);
  const quantile = (share: number): number => {
    let below = 0;
    for (let at = 0; at < logs.length; at += 1) {
      const weight = (weights[at] ?? 0) / all;
      if (below + weight >= share) {
        const into = weight > 0 ? (share - below) / weight - 0.5 : 0;
        return Math.exp((logs[at] ?? 0) + into * fineStep);
      }
      below += weight;
    }
    return Math.exp(logs.at(-1) ?? 0);
  };
  const tail = (1 - confidence) / 2;
  return { value: quantile(0.5), low: quantile(tail), high: quantile(1 - tail), n };
}
