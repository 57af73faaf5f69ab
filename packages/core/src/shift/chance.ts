import { randomBeta, randomGamma, randomLogNormal, randomPoisson } from 'd3-random';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** A source of uniform numbers from 0 to 1. */
export type Uniform = () => number;

const GOLDEN = 0x9e3779b9;
const MIX_A = 0x85ebca6b;
const MIX_B = 0xc2b2ae35;

/** One seed out of several numbers, so that what a day draws of one thing does not depend on how much it drew of another. */
const seedOf = (keys: readonly number[]): number =>
  keys.reduce((hash, key) => {
    const mixed = Math.imul(hash ^ (key | 0), MIX_A);
    return Math.imul(mixed ^ (mixed >>> 13), MIX_B) ^ (mixed >>> 16);
  }, GOLDEN | 0);

/**
 * A seeded source: the same keys tell the same story on every machine.
 * @param keys whole numbers: seed, day, what is drawn
 */
export function sourceOf(...keys: readonly number[]): Uniform {
  const generator = xoroshiro128plus(seedOf(keys));
  return () => uniformFloat64(generator);
}

/**
 * Draws of a lognormal whose mean is 1.
 * @param uniform the source
 * @param cv its standard deviation as a share of its mean; 0 draws 1
 */
export function aroundOne(uniform: Uniform, cv: number): () => number {
  if (cv <= 0) return () => 1;
  const variance = Math.log1p(cv * cv);
  return randomLogNormal.source(uniform)(-variance / 2, Math.sqrt(variance));
}

/**
 * A gamma with mean 1.
 * @param uniform the source
 * @param k its shape; without end it is always 1
 */
export const gammaAroundOne = (uniform: Uniform, k: number): number =>
  Number.isFinite(k) ? randomGamma.source(uniform)(k, 1 / k)() : 1;

/**
 * A Poisson count.
 * @param uniform the source
 * @param mean its mean
 */
export const poisson = (uniform: Uniform, mean: number): number =>
  mean > 0 ? randomPoisson.source(uniform)(mean)() : 0;

/** So many pieces' worth of knowledge stands behind a share of rejects. */
const REJECT_WEIGHT = 60;

/**
 * The share of rejects of one batch.
 * @param uniform the source
 * @param mean the usual share
 */
export const rejectShareOf = (uniform: Uniform, mean: number): number =>
  mean > 0 ? randomBeta.source(uniform)(mean * REJECT_WEIGHT, (1 - mean) * REJECT_WEIGHT)() : 0;
