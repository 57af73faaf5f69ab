import { mean, sampleStandardDeviation } from 'simple-statistics';

/**
 * How much more or less a flour lot drinks than its formula says, in points of hydration (1 point = 1 % of flour).
 * A normal belief, updated by every batch whose dough the cook judged right.
 */
export interface LotOffset {
  meanPoints: number;
  sdPoints: number;
  /** Spread of one batch about the lot's own offset. */
  noisePoints: number;
  batches: number;
}

/** Lots differ by this much before anything is known of one. */
const PRIOR_SD_POINTS = 2;
/** One batch against the next of the same lot, until history says otherwise (assumption). */
const NOISE_SD_POINTS = 1;
/** From this many batches on, their own spread replaces the assumption. */
const ENOUGH_FOR_SPREAD = 10;
/** A spread below what a feel scale can tell would be luck. */
const LEAST_NOISE_POINTS = 0.3;
/** Share of a normal distribution within ± this many standard deviations is 90 %. */
const Z_90 = 1.6449;

/**
 * Offset that an unknown lot is taken for: the mean of what the kitchen's other lots came to.
 * @param lotMeans points of hydration of the kitchen's other lots
 * @returns points; 0 without lots
 */
export const kitchenMean = (lotMeans: number[]): number => (lotMeans.length > 0 ? mean(lotMeans) : 0);

/**
 * What is believed of a lot that has not been mixed yet: the kitchen's mean lot, with the wide prior.
 * @param kitchenMeanPoints points
 */
export const newLotOffset = (kitchenMeanPoints = 0): LotOffset => ({
  meanPoints: kitchenMeanPoints,
  sdPoints: PRIOR_SD_POINTS,
  noisePoints: NOISE_SD_POINTS,
  batches: 0,
});

/**
 * Posterior of a lot's offset by the conjugate normal update.
 * @param observedPoints offset that each batch showed, hydration judged right less hydration expected
 * @returns points with their spread
 */
export function learnLotOffset(observedPoints: readonly number[], kitchenMeanPoints = 0): LotOffset {
  const prior = newLotOffset(kitchenMeanPoints);
  const n = observedPoints.length;
  if (n === 0) return prior;
  const noisePoints =
    n >= ENOUGH_FOR_SPREAD
      ? Math.max(LEAST_NOISE_POINTS, sampleStandardDeviation([...observedPoints]))
      : NOISE_SD_POINTS;
  const priorWeight = 1 / prior.sdPoints ** 2;
  const dataWeight = n / noisePoints ** 2;
  return {
    meanPoints:
      (prior.meanPoints * priorWeight + mean([...observedPoints]) * dataWeight) / (priorWeight + dataWeight),
    sdPoints: Math.sqrt(1 / (priorWeight + dataWeight)),
    noisePoints,
    batches: n,
  };
}

/**
 * Points on either side of the mean within which the lot's own offset lies nine times in ten.
 * @param offset its spread, points
 * @returns points
 */
export const offsetReach = ({ sdPoints }: Pick<LotOffset, 'sdPoints'>): number => Z_90 * sdPoints;

/**
 * Points on either side of the mean within which the next batch of the lot falls nine times in ten.
 * @param offset its spread and the noise of a batch, points
 * @returns points
 */
export const nextBatchReach = ({ sdPoints, noisePoints }: LotOffset): number =>
  Z_90 * Math.hypot(sdPoints, noisePoints);
