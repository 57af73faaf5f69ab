/**
 * Moisture of stored wheat flour and the water it then needs.
 * Humidities, moistures (wet basis) and hydrations are fractions; temperatures in °C; times in days.
 */

/** Modified Henderson equation, hard wheat (ASAE D245.5); moisture in percent of dry matter. */
const HENDERSON = { k: 2.3008e-5, c: 55.815, n: 2.2857 } as const;
/** Moisture that mills deliver and that formulas are written for, wet basis. */
export const MILL_MOISTURE = 0.14;
/** How fast stored flour follows the air (assumptions). */
const TIME_CONSTANT_DAYS = { open: 4, closed: 30 } as const;

export type Storage = keyof typeof TIME_CONSTANT_DAYS;

/**
 * Moisture at which wheat flour neither takes up nor gives off water.
 * @param humidity relative humidity of the air, above 0 and below 1
 */
export function equilibriumMoisture(tempC: number, humidity: number): number {
  const { k, c, n } = HENDERSON;
  const dryPercent = (-Math.log(1 - humidity) / (k * (tempC + c))) ** (1 / n);
  return dryPercent / (100 + dryPercent);
}

/**
 * Moisture after some days in a bin or a bag: a first-order lag towards the air's equilibrium.
 * @param start share at the beginning
 * @param equilibrium share that the air asks for
 * @param days days
 * @param storage bag or bin
 * @returns share by mass
 */
export function storedMoisture(start: number, equilibrium: number, days: number, storage: Storage): number {
  return equilibrium + (start - equilibrium) * Math.exp(-days / TIME_CONSTANT_DAYS[storage]);
}

/**
 * Hydration that keeps the ratio of all water to flour solids (moisture-basis correction, after AACC 54-21).
 * @param atMill hydration written for flour of 14 % moisture
 */
export function hydrationAtMoisture(atMill: number, moisture: number): number {
  return ((MILL_MOISTURE + atMill) * (1 - moisture)) / (1 - MILL_MOISTURE) - moisture;
}
