/** The divisions real scales show, in grams: 1, 2 and 5 in each decade. */
export const SCALE_STEPS_G = [0.01, 0.02, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50] as const;

/** Decimals needed to write a multiple of the step exactly. */
export function stepDecimals(step: number): number {
  return step >= 1 ? 0 : Math.ceil(-Math.log10(step) - 1e-9);
}

/**
 * Rounds to the nearest multiple of a scale's step (halves go up), free of binary dust:
 * 67.43 at 0.1 is 67.4, not 67.4000000001.
 * @param value a figure
 * @param step the step
 */
export function roundToStep(value: number, step: number): number {
  return Number((Math.round(value / step + 1e-9) * step).toFixed(stepDecimals(step)));
}

/**
 * Adds masses that are multiples of scale steps, exact to a milligram.
 * @param massesG g
 * @returns g
 */
export function sumG(massesG: readonly number[]): number {
  return Math.round(massesG.reduce((sum, m) => sum + m, 0) * 1000) / 1000;
}
