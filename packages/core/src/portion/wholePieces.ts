/** A twentieth of a ball, spread over a batch, is not felt; it only comes from rounding the weigh sheet. */
export const ROUNDING_SLACK = 0.05;

/**
 * Whole pieces in a mass of dough ready to ball.
 * @param slack share of one ball that may be missing (0 for a promise, `ROUNDING_SLACK` for what to expect)
 */
export function wholePieces(massG: number, ballG: number, slack = 0): number {
  return Math.floor(massG / ballG + slack + 1e-9);
}
