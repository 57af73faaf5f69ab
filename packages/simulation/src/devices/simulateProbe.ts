import type { DeviceAct, ReadingOf } from '@kettle-scale/core/device';
import { roundToStep } from '@kettle-scale/core/quantity';
import type { Random } from '../random';

/** A thin stem follows the dough with this time constant, seconds. */
const FOLLOWS_S = 3;
const NOISE_C = 0.05;
const STEADY_WITHIN_C = 0.3;
const HANGING_C = 24;

/** A dough probe: it creeps towards what it is put into. */
export function simulateProbe(random: Random) {
  let aroundC = HANGING_C;
  let stemC = HANGING_C;

  return {
    act: (what: DeviceAct): void => {
      if (what.act === 'dip') aroundC = what.tempC;
      if (what.act === 'clear') aroundC = HANGING_C;
    },
    advance: (seconds: number): void => {
      stemC += (aroundC - stemC) * (1 - Math.exp(-seconds / FOLLOWS_S));
    },
    read: (at: string): ReadingOf<'probe'> => ({
      kind: 'probe',
      at,
      tempC: roundToStep(stemC + random.normal(0, NOISE_C), 0.1),
      steady: Math.abs(aroundC - stemC) < STEADY_WITHIN_C,
    }),
  };
}
