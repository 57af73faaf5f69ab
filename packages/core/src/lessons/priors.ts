import type { Prior } from '../quality/learn';

/** What is thought before anything was seen (assumptions; the first two are the plan's own defaults). */
export const PRIORS = {
  bowlLoss: { mean: 0.01, sd: 0.006, noiseSd: 0.003, noiseWorth: 4 },
  benchLoss: { mean: 0.005, sd: 0.004, noiseSd: 0.004, noiseWorth: 4 },
  /** Times of the plan: hands differ by a quarter, and so does one day from another. */
  stepTime: { mean: 1, sd: 0.25, noiseSd: 0.25, noiseWorth: 4 },
  rejects: { hit: 1, miss: 30 },
} as const satisfies Record<string, Prior | { hit: number; miss: number }>;
