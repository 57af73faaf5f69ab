import { type Column, weighted } from './column';
import { MM_PER_M } from './constants';
import { TOWARDS_EACH_SIDE, steamMade } from './steam';

/** Pressure that lifts a skin, Pa: constant and per millimetre of bread. */
const LIFT_PA = 80;
const LIFT_PA_PER_MM = 25;
/** The middle boils from this share of ambient pressure on, and fully this much further. */
const BOILS_FROM = 0.72;
const BOILS_OVER = 0.15;
/** Skins hold steam between these shares of gelatinisation. */
const SKIN_FROM = 0.5;
const SKIN_TO = 0.7;
/** It opens when the index has been at 1 for so long in all. */
export const PUFF_AFTER_S = 1.5;

function smoothstep(value: number): number {
  const s = (value - SKIN_FROM) / (SKIN_TO - SKIN_FROM);
  return s < 0 ? 0 : s > 1 ? 1 : s * s * (3 - 2 * s);
}

/** Pressure of the steam that heads inward over the pressure that lifts the skin; 1 and more opens a pocket. */
export function puffIndex(column: Column): number {
  const { cells, vapourPa, pressurePa, raw, skinWeights, thicknessM, model } = column;
  const middlePa = 0.5 * (vapourPa[(cells - 1) >> 1]! + vapourPa[cells >> 1]!);
  const boils = (middlePa / pressurePa - BOILS_FROM) / BOILS_OVER;
  if (boils <= 0) return 0;
  const inward = TOWARDS_EACH_SIDE * steamMade(column);
  const lift = LIFT_PA + LIFT_PA_PER_MM * thicknessM * MM_PER_M;
  const skins = smoothstep(1 - weighted(raw, skinWeights[0])) * smoothstep(1 - weighted(raw, skinWeights[1]));
  return (inward / (2 * model.puffPermeability) / lift) * Math.min(1, boils) * skins;
}
