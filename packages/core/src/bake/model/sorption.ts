/** Exponent of the isotherm, the inverse of Oswin's. */
export const SORPTION_POWER = 2.5;
/** Fall of ln A per kelvin (Lind & Rask 1991). */
export const SORPTION_SLOPE_1_K = 0.0056;
const SORPTION_C = 25;
const DRIEST = 1e-6;

/**
 * Water activity of dough, 0 to 1, in the form of Oswin: y = X / A, a_w = y^2.5 / (1 + y^2.5).
 * `perSorption` is A^−2.5, with A at 25 °C times the non-fat share of the dry matter; `warmth` is exp(2.5 × 0.0056 (T − 25)).
 */
export function waterActivity(waterPerDry: number, perSorption: number, warmth: number): number {
  const x = waterPerDry > DRIEST ? waterPerDry : DRIEST;
  const z = x * x * Math.sqrt(x) * perSorption * warmth;
  return z / (1 + z);
}

/** exp(2.5 × 0.0056 (T − 25)): how warmth moves the isotherm. */
export const sorptionWarmth = (tempC: number): number =>
  Math.exp(SORPTION_POWER * SORPTION_SLOPE_1_K * (tempC - SORPTION_C));
