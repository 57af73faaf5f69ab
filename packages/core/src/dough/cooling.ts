/** Heat transfer from warm dough to still air, W/(m² K) (assumption). */
const TO_AIR_W_M2K = 12;
const J_PER_KJ = 1000;
/** A dough that hands may go into, °C. */
export const HAND_SAFE_C = 45;

export interface CoolingQuestion {
  fromC: number;
  toC: number;
  airC: number;
  /** Heat that warms the dough by one degree, kJ/K. */
  heatKJK: number;
  /** Free surface that cools, m². */
  surfaceM2: number;
}

/**
 * Seconds until a dough has cooled, by the lumped law t = (m c / h A) ln((T0 − Ta)/(T1 − Ta)).
 * Zero when it is cool already, Infinity when the air is too warm for it.
 */
export function coolingS({ fromC, toC, airC, heatKJK, surfaceM2 }: CoolingQuestion): number {
  if (fromC <= toC) return 0;
  if (airC >= toC) return Infinity;
  return ((heatKJK * J_PER_KJ) / (TO_AIR_W_M2K * surfaceM2)) * Math.log((fromC - airC) / (toC - airC));
}

/** Free surface of a round bowl, m². */
export const bowlSurfaceM2 = (openingMm: number): number => (Math.PI / 4) * (openingMm / 1000) ** 2;

/** Dough that is spread and turned over gives its heat off by both faces: to the air above, to the bench below. */
const FACES = 2;

/**
 * Surface of dough spread to a thickness and turned over once, m².
 * @param massG g
 * @param densityGMl g/ml
 * @param thicknessMm mm
 */
export const spreadSurfaceM2 = (massG: number, densityGMl: number, thicknessMm: number): number =>
  (FACES * massG) / densityGMl / thicknessMm / 1000;
