import { GAS_J_MOLK, KELVIN } from './constants';
import { saturationPa, saturationSlope } from './saturation';
import { sorptionWarmth } from './sorption';

/** Activation energies: liquid diffusion, and gelatinisation of wheat starch with its rate constant (Zanoni et al. 1995). */
const DIFFUSION_J_MOL = 28_000;
const DIFFUSION_C = 60;
const GELATINISATION_J_MOL = 139_000;
const GELATINISATION_1_S = 2.8e18;

/** Every exponential of temperature that the stepper needs, side by side so that one place in memory serves a cell. */
export const ROW = { saturation: 0, slope: 1, warmth: 2, diffusion: 3, gelatinisation: 4 } as const;
const WIDTH = 5;
const LOWEST_C = -40;
const HIGHEST_C = 420;
/** Linear between entries this far apart is right to 2 parts in 100,000. */
const STEP_C = 0.2;
const LAST_ROW = Math.round((HIGHEST_C - LOWEST_C) / STEP_C) - 1;
const ROWS_PER_C = 1 / STEP_C;

const TABLE = new Float64Array((LAST_ROW + 2) * WIDTH);
for (let row = 0; row <= LAST_ROW + 1; row += 1) {
  const tempC = LOWEST_C + row * STEP_C;
  const tempK = tempC + KELVIN;
  TABLE.set(
    [
      saturationPa(tempC),
      saturationSlope(tempC),
      sorptionWarmth(tempC),
      Math.exp((-DIFFUSION_J_MOL / GAS_J_MOLK) * (1 / tempK - 1 / (DIFFUSION_C + KELVIN))),
      GELATINISATION_1_S * Math.exp(-GELATINISATION_J_MOL / (GAS_J_MOLK * tempK)),
    ],
    row * WIDTH,
  );
}

/** Place of a temperature between rows; those off the table stand at its end. */
export function placeOf(tempC: number): number {
  const place = (tempC - LOWEST_C) * ROWS_PER_C;
  return place > 0 ? (place < LAST_ROW ? place : LAST_ROW) : 0;
}

/** One tabulated quantity at a place. */
export function tabled(place: number, column: number): number {
  const row = place | 0;
  const low = TABLE[row * WIDTH + column] as number;
  return low + (place - row) * ((TABLE[(row + 1) * WIDTH + column] as number) - low);
}
