import type { DeviceAct, ReadingOf } from '@kettle-scale/core/device';
import { roundToStep } from '@kettle-scale/core/quantity';
import type { Random } from '../random';

/** A kitchen on the quay: warmest in mid-afternoon, damp in the morning (made up). */
const AIR = { tempC: 24, swingC: 2.5, humidity: 0.58, humiditySwing: 0.08 };
const WARMEST_HOUR = 15;
const NOISE = { tempC: 0.1, humidity: 0.004 } as const;

/** A sensor on the wall; `air` puts the room where a test or a demonstration wants it. */
export function simulateRoom(random: Random) {
  let base = { tempC: AIR.tempC, humidity: AIR.humidity, swings: true };

  return {
    act: (what: DeviceAct): void => {
      if (what.act === 'air') base = { tempC: what.tempC, humidity: what.humidity, swings: false };
    },
    advance: (): void => undefined,
    read: (at: string): ReadingOf<'room'> => {
      const hour = new Date(at).getUTCHours() + new Date(at).getUTCMinutes() / 60;
      const wave = base.swings ? Math.cos((2 * Math.PI * (hour - WARMEST_HOUR)) / 24) : 0;
      const noise = base.swings ? random.normal(0, 1) : 0;
      return {
        kind: 'room',
        at,
        tempC: roundToStep(base.tempC + AIR.swingC * wave + NOISE.tempC * noise, 0.1),
        humidity: roundToStep(base.humidity - AIR.humiditySwing * wave + NOISE.humidity * noise, 0.01),
      };
    },
  };
}
