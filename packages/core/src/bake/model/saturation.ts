import { STANDARD_PRESSURE_PA } from './constants';

/** Vapour pressure over water, Pa (Buck 1981; 1.2 % low at 150 °C). */
export const saturationPa = (tempC: number): number =>
  611.21 * Math.exp((18.678 - tempC / 234.5) * (tempC / (257.14 + tempC)));

/** d ln p / dT of it, 1/K. */
export function saturationSlope(tempC: number): number {
  const s = 257.14 + tempC;
  return -tempC / s / 234.5 + ((18.678 - tempC / 234.5) * 257.14) / (s * s);
}

/** Pressure of the standard atmosphere, Pa. */
export const pressurePa = (altitudeM: number): number =>
  STANDARD_PRESSURE_PA * Math.pow(1 - 2.25577e-5 * altitudeM, 5.25588);

const NEWTON_STEPS = 30;
const CONVERGED_C = 1e-10;

/** Where water boils at a pressure, °C. */
export function boilingC(pressure: number): number {
  let tempC = 100;
  for (let step = 0; step < NEWTON_STEPS; step += 1) {
    const change = Math.log(saturationPa(tempC) / pressure) / saturationSlope(tempC);
    tempC -= change;
    if (Math.abs(change) < CONVERGED_C) break;
  }
  return tempC;
}
