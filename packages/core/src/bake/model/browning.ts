import { KELVIN } from './constants';

/** Lightness of raw dough; below these a spot is called brown, and charred. */
const RAW_LIGHTNESS = 85;
export const BROWN_LIGHTNESS = 65;
export const CHAR_LIGHTNESS = 35;
/** Slower below this than anything seen. */
export const BROWNING_FROM_C = 90;
const DRIEST_ACTIVITY = 0.05;

/**
 * Browning, 1/s: L* = 85 exp(−B) with dB/dt this rate (oven-bread crust, Purlis & Salvadori 2009, times the factor that
 * fits spots on metal).
 */
export function browningRate(factor: number, tempC: number, activity: number): number {
  const a = activity < DRIEST_ACTIVITY ? DRIEST_ACTIVITY : activity > 1 ? 1 : activity;
  return (factor / 60) * (7.9233e6 + 2.7397e6 / a) * Math.exp(-(8701.5 + 49.4738 / a) / (tempC + KELVIN));
}

export const lightnessOf = (browning: number): number => RAW_LIGHTNESS * Math.exp(-browning);
export const browningOf = (lightness: number): number => Math.log(RAW_LIGHTNESS / lightness);
