import { KELVIN } from './constants';
import type { ModelConstants } from './model';

/** Lightness of raw dough; below these a spot is called brown, and charred. */
const RAW_LIGHTNESS = 85;
export const BROWN_LIGHTNESS = 65;
export const CHAR_LIGHTNESS = 35;
/** Slower below this than anything seen. */
export const BROWNING_FROM_C = 90;
const DRIEST_ACTIVITY = 0.05;

/**
 * Browning, 1/s: L* = 85 exp(−B) with dB/dt this rate (form of oven-bread crust, Purlis & Salvadori 2009; its activation
 * and its multiple are constants of the model).
 */
export function browningRate(
  { browning, browningK }: Pick<ModelConstants, 'browning' | 'browningK'>,
  tempC: number,
  activity: number,
): number {
  const a = activity < DRIEST_ACTIVITY ? DRIEST_ACTIVITY : activity > 1 ? 1 : activity;
  return (
    (browning / 60) * (7.9233e6 + 2.7397e6 / a) * Math.exp(-(browningK + 49.4738 / a) / (tempC + KELVIN))
  );
}

export const lightnessOf = (browning: number): number => RAW_LIGHTNESS * Math.exp(-browning);
export const browningOf = (lightness: number): number => Math.log(RAW_LIGHTNESS / lightness);

/**
 * The lightness of spots had browning gone so many times as fast: it only multiplies what they have taken, for nothing that
 * bakes feels their colour.
 * @param lightness L* of both faces
 * @param factor times the browning they had
 */
export const browned = ([first, second]: readonly [number, number], factor: number): [number, number] => [
  lightnessOf(factor * browningOf(first)),
  lightnessOf(factor * browningOf(second)),
];
