/**
 * Warming of a cold ball in air: transient conduction in a sphere with convection at its surface (series solution).
 * Masses in grams, temperatures in °C, times in seconds.
 */

/** Dough: conductivity W/(m K), density kg/m³, specific heat J/(kg K); air: W/(m² K) (assumptions). */
const DOUGH = { k: 0.4, rho: 1150, c: 2800 } as const;
const TO_AIR_W_M2K = 10;
const TERMS = 40;
/** e to this power below zero cannot be seen in any digit. */
const NEGLIGIBLE = 40;

const radiusM = (massG: number): number => ((3 * (massG / 1000 / DOUGH.rho)) / (4 * Math.PI)) ** (1 / 3);

/** Roots of 1 − z cot z = Bi, one in each interval of π, by halving. */
function roots(biot: number): number[] {
  return Array.from({ length: TERMS }, (_, n) => {
    let low = n * Math.PI + 1e-9;
    let high = (n + 1) * Math.PI - 1e-9;
    for (let i = 0; i < 60; i += 1) {
      const z = (low + high) / 2;
      if (1 - z / Math.tan(z) < biot) low = z;
      else high = z;
    }
    return (low + high) / 2;
  });
}

export interface WarmingBall {
  /** Temperature of its centre after so many seconds. */
  centreC: (seconds: number) => number;
  /** Mean temperature of the ball. */
  meanC: (seconds: number) => number;
}

/**
 * How a ball warms (or cools) from one temperature towards the air's.
 * @param massG g
 * @param startC °C
 * @param airC °C
 * @returns its temperature by second
 */
export function warmingBall(massG: number, startC: number, airC: number): WarmingBall {
  const r = radiusM(massG);
  const fourierPerS = DOUGH.k / (DOUGH.rho * DOUGH.c) / r ** 2;
  const terms = roots((TO_AIR_W_M2K * r) / DOUGH.k).map((z) => {
    const lobe = Math.sin(z) - z * Math.cos(z);
    const c = (4 * lobe) / (2 * z - Math.sin(2 * z));
    return { z2: z * z, centre: c, mean: (3 * c * lobe) / z ** 3 };
  });
  const at = (of: 'centre' | 'mean') => (seconds: number) => {
    if (seconds <= 0) return startC;
    let left = 0;
    for (const term of terms) {
      const decay = term.z2 * fourierPerS * seconds;
      // The terms die away one after the other; what follows is smaller still.
      if (decay > NEGLIGIBLE) break;
      left += term[of] * Math.exp(-decay);
    }
    return airC + (startC - airC) * left;
  };
  return { centreC: at('centre'), meanC: at('mean') };
}

/** Longest wait that is looked for. */
const LONGEST_S = 24 * 3600;

/**
 * Seconds until the centre of a cold ball has reached a temperature; Infinity where the air is not warm enough.
 * @param massG g
 * @param startC °C
 * @param airC °C
 * @param wantedC °C
 * @returns s
 */
export function warmUpS(massG: number, startC: number, airC: number, wantedC: number): number {
  if (startC >= wantedC) return 0;
  if (airC <= wantedC) return Infinity;
  const { centreC } = warmingBall(massG, startC, airC);
  let low = 0;
  let high = LONGEST_S;
  for (let i = 0; i < 50; i += 1) {
    const middle = (low + high) / 2;
    if (centreC(middle) < wantedC) low = middle;
    else high = middle;
  }
  return high;
}
