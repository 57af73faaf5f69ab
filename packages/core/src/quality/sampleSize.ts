import { tReach } from './distributions';

/** More is not weighed for one answer. */
const MOST = 200;

/**
 * Balls to weigh so that the mean is known within ± `withinG`: the least n with t(n − 1)·s/√n ≤ E; null when more than 200.
 * @param sdG spread of the balls, grams
 * @param confidence 0 to 1, as 0.95
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, 7.2.2.2.
 */
export function sampleSize(sdG: number, withinG: number, confidence = 0.95): number | null {
  for (let n = 2; n <= MOST; n += 1) {
    if ((tReach(confidence, n - 1) * sdG) / Math.sqrt(n) <= withinG) return n;
  }
  return null;
}
