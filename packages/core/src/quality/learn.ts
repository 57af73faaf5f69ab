import { mean, sum } from 'simple-statistics';
import { betaQuantile, chiSquareQuantile, tReach } from './distributions';

/** Nine in ten: the share of intervals that should hold the truth. */
export const LESSON_CONFIDENCE = 0.9;

/** What is thought of a figure before anything was seen. */
export interface Prior {
  mean: number;
  sd: number;
  /** Spread of one observation about it, and how many observations that guess is worth. */
  noiseSd: number;
  noiseWorth: number;
}

export interface Learned {
  value: number;
  low: number;
  high: number;
  n: number;
}

/**
 * A mean from a few observations and a prior: the spread of an observation is its guess and what was seen, weighed by their
 * worth; then the conjugate normal update, with Student's t for the interval because the spread is not known.
 * Source: Gelman et al., Bayesian Data Analysis, 2.5-2.6 and 3.2.
 */
export function learnMean(
  observed: readonly number[],
  prior: Prior,
  confidence = LESSON_CONFIDENCE,
): Learned {
  const n = observed.length;
  const dof = prior.noiseWorth + Math.max(0, n - 1);
  if (n === 0) {
    const reach = tReach(confidence, dof) * prior.sd;
    return { value: prior.mean, low: prior.mean - reach, high: prior.mean + reach, n };
  }
  const seen = mean([...observed]);
  const squares = sum(observed.map((x) => (x - seen) ** 2));
  const noiseVariance = (prior.noiseWorth * prior.noiseSd ** 2 + squares) / dof;
  const priorWeight = 1 / prior.sd ** 2;
  const dataWeight = n / noiseVariance;
  const value = (prior.mean * priorWeight + seen * dataWeight) / (priorWeight + dataWeight);
  const reach = tReach(confidence, dof) / Math.sqrt(priorWeight + dataWeight);
  return { value, low: value - reach, high: value + reach, n };
}

/** A spread from groups that may have different means: pooled, with its χ² interval; null without two in any group. */
export function learnSpread(
  groups: readonly (readonly number[])[],
  confidence = LESSON_CONFIDENCE,
): Learned | null {
  let dof = 0;
  let squares = 0;
  for (const group of groups) {
    if (group.length < 2) continue;
    const centre = mean([...group]);
    dof += group.length - 1;
    squares += sum(group.map((x) => (x - centre) ** 2));
  }
  if (dof === 0) return null;
  const tail = (1 - confidence) / 2;
  return {
    value: Math.sqrt(squares / dof),
    low: Math.sqrt(squares / chiSquareQuantile(1 - tail, dof)),
    high: Math.sqrt(squares / chiSquareQuantile(tail, dof)),
    n: dof,
  };
}

/** Slope of a straight line through points, with its t interval; null with fewer than three points or no spread in x. */
export function learnSlope(
  points: readonly { x: number; y: number }[],
  confidence = LESSON_CONFIDENCE,
): Learned | null {
  const n = points.length;
  if (n < 3) return null;
  const [mx, my] = [mean(points.map(({ x }) => x)), mean(points.map(({ y }) => y))];
  const sxx = sum(points.map(({ x }) => (x - mx) ** 2));
  if (sxx === 0) return null;
  const value = sum(points.map(({ x, y }) => (x - mx) * (y - my))) / sxx;
  const left = sum(points.map(({ x, y }) => (y - my - value * (x - mx)) ** 2));
  const reach = tReach(confidence, n - 2) * Math.sqrt(left / (n - 2) / sxx);
  return { value, low: value - reach, high: value + reach, n };
}

/** A share from counts, starting from a Beta prior. */
export function learnShare(
  counts: readonly { of: number; hit: number }[],
  prior: { hit: number; miss: number },
  confidence = LESSON_CONFIDENCE,
): Learned {
  const hit = prior.hit + sum(counts.map((one) => one.hit));
  const miss = prior.miss + sum(counts.map((one) => one.of - one.hit));
  const tail = (1 - confidence) / 2;
  return {
    value: hit / (hit + miss),
    low: betaQuantile(tail, hit, miss),
    high: betaQuantile(1 - tail, hit, miss),
    n: counts.length,
  };
}
