import type { DeviceAct, ReadingOf } from '@kettle-scale/core/device';
import { roundToStep } from '@kettle-scale/core/quantity';
import { STEEL_GRIDDLE, STEADY_C_PER_MIN, plateAt, plateStep } from '@kettle-scale/core/bake';
import type { Random } from '../random';

/** A plate that was switched on some minutes ago. */
const START_C = 212;
const SET_C = 230;
const AIR_C = 25;
/** What one piece takes from a plate of half a square metre, as a mean over it, W/m². */
const PIECE_W_M2 = 2_200;
/** The thermometer follows the surface with this time constant, s. */
const FOLLOWS_S = 2;
const NOISE_C = 0.6;
const S_PER_MIN = 60;

/** A surface thermometer on a simulated plate, which warms to its set point and dips under the pieces on it. */
export function simulateThermometer(random: Random) {
  const plate = plateAt(STEEL_GRIDDLE, START_C);
  let setC = SET_C;
  let pieces = 0;
  let shownC = START_C;
  let ratePerMin = 0;
  const surfaceC = () => plate.underC[0] ?? START_C;

  return {
    act: (what: DeviceAct): void => {
      if (what.act === 'heat') {
        setC = what.tempC;
        if (!what.atOnce) return;
        plate.underC.fill(setC);
        plate.restC = setC;
        shownC = setC;
      }
      if (what.act === 'load') pieces = what.pieces;
      if (what.act === 'clear') pieces = 0;
    },
    advance: (seconds: number): void => {
      const before = surfaceC();
      plateStep(STEEL_GRIDDLE, plate, setC, AIR_C, pieces * PIECE_W_M2, seconds, pieces > 0);
      ratePerMin = ((surfaceC() - before) / seconds) * S_PER_MIN;
      shownC += (surfaceC() - shownC) * (1 - Math.exp(-seconds / FOLLOWS_S));
    },
    read: (at: string): ReadingOf<'thermometer'> => ({
      kind: 'thermometer',
      at,
      tempC: roundToStep(shownC + random.normal(0, NOISE_C), 1),
      steady: Math.abs(ratePerMin) <= STEADY_C_PER_MIN,
    }),
  };
}
