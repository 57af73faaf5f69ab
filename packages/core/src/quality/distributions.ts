// The package has no types; every program that reads core's source must see ours.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./jstat.d.ts" />
import jStat from 'jstat';
import { cumulativeStdNormalProbability } from 'simple-statistics';

/** Value that Student's t stays below with a probability. */
export const tQuantile = (probability: number, dof: number): number => jStat.studentt.inv(probability, dof);

/** Value that χ² stays below with a probability. */
export const chiSquareQuantile = (probability: number, dof: number): number =>
  jStat.chisquare.inv(probability, dof);

/** Probability that a standard normal stays below a value. */
export const normalBelow = (z: number): number => cumulativeStdNormalProbability(z);

/** Half-width of a two-sided interval in standard errors. */
export const tReach = (confidence: number, dof: number): number => tQuantile((1 + confidence) / 2, dof);

/** Value that a Beta share stays below with a probability. */
export const betaQuantile = (probability: number, a: number, b: number): number =>
  jStat.beta.inv(probability, a, b);
