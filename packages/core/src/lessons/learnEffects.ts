import { Matrix, inverse } from 'ml-matrix';
import { sum } from 'simple-statistics';
import { tReach } from '../quality/distributions';
import { LESSON_CONFIDENCE, type Learned } from '../quality/learn';

/** One dough judged right: its lot, what else it was made under, and what it drank beyond formula and moisture, in points. */
export interface EffectPoint {
  lot: string;
  /** Its season, or the cook who judged it. */
  effect: string;
  points: number;
}

/** Spread of lots and of one batch, points (assumptions). */
const SD = { lot: 2, batch: 1 } as const;
/** Doughs that the assumed spread of one batch is worth. */
const NOISE_WORTH = 20;

interface Fit {
  effects: string[];
  mean: (effect: number) => number;
  covariance: (a: number, b: number) => number;
  /** Of the interval, in standard deviations. */
  reach: number;
}

/** Linear Gaussian model: points = lot + effect + batch; posterior precision AᵀA/σ² + D⁻¹. */
function fitEffects(data: readonly EffectPoint[], effectSd: number): Fit {
  const lots = [...new Set(data.map(({ lot }) => lot))];
  const effects = [...new Set(data.map(({ effect }) => effect))];
  const size = lots.length + effects.length;
  const precision = Matrix.zeros(size, size);
  const right = Matrix.zeros(size, 1);
  for (let i = 0; i < size; i += 1) precision.set(i, i, 1 / (i < lots.length ? SD.lot : effectSd) ** 2);
  const add = (matrix: Matrix, row: number, column: number, value: number) =>
    matrix.set(row, column, matrix.get(row, column) + value);
  for (const { lot, effect, points } of data) {
    const at = [lots.indexOf(lot), lots.length + effects.indexOf(effect)];
    for (const row of at) {
      add(right, row, 0, points / SD.batch ** 2);
      for (const column of at) add(precision, row, column, 1 / SD.batch ** 2);
    }
  }
  const covariance = inverse(precision);
  const mean = covariance.mmul(right);
  return {
    effects,
    mean: (effect) => mean.get(lots.length + effect, 0),
    covariance: (a, b) => covariance.get(lots.length + a, lots.length + b),
    reach: tReach(LESSON_CONFIDENCE, NOISE_WORTH + data.length),
  };
}

/** A weighed sum of effects, by their place in the fit. */
function learnSum({ mean, covariance, reach }: Fit, weights: readonly number[], n: number): Learned {
  const value = sum(weights.map((weight, at) => weight * mean(at)));
  const variance = sum(weights.flatMap((a, i) => weights.map((b, j) => a * b * covariance(i, j))));
  const half = reach * Math.sqrt(variance);
  return { value, low: value - half, high: value + half, n };
}

const countOf = (data: readonly EffectPoint[], effect: string): number =>
  data.filter((point) => point.effect === effect).length;

/**
 * What each season adds for every lot: lots and effects are estimated together, so that a thirsty lot of one summer is not
 * taken for the summer.
 * @param data doughs that were judged right
 * @param effectSd how much effects are thought to spread, points
 * @returns effect → points
 */
export function learnEffects(data: readonly EffectPoint[], effectSd: number): Map<string, Learned> {
  if (data.length === 0) return new Map();
  const fit = fitEffects(data, effectSd);
  const only = (at: number) => fit.effects.map((_, index) => Number(index === at));
  return new Map(
    fit.effects.map((effect, at) => [effect, learnSum(fit, only(at), countOf(data, effect))] as const),
  );
}

/**
 * What each effect is more than the mean of the others: what they have in common cannot be told from the lots, and need not.
 * @param data doughs that were judged right
 * @param effectSd how much effects are thought to spread, points
 * @returns effect → points; nothing where there are no two to compare
 */
export function learnContrasts(data: readonly EffectPoint[], effectSd: number): Map<string, Learned> {
  const fit = data.length > 0 ? fitEffects(data, effectSd) : null;
  if (!fit || fit.effects.length < 2) return new Map();
  const others = fit.effects.length - 1;
  const against = (at: number) => fit.effects.map((_, index) => (index === at ? 1 : -1 / others));
  return new Map(
    fit.effects.map((effect, at) => [effect, learnSum(fit, against(at), countOf(data, effect))] as const),
  );
}
