import type { DeviceAct, ReadingOf } from '@kettle-scale/core/device';
import { openRandom } from '../random';
import { simulateScale } from './simulateScale';

const AT = '2026-03-04T10:00:00.000Z';
const TICK_S = 0.1;

/** A scale after acts and seconds in turn. */
function scaleAfter(...story: (DeviceAct | number)[]): ReadingOf<'scale'>[] {
  const scale = simulateScale(openRandom(3), { resolutionG: 1, maxG: 5000, driftGPerMin: 0.05 });
  const readings: ReadingOf<'scale'>[] = [];
  for (const part of story) {
    if (typeof part !== 'number') scale.act(part);
    else {
      for (let tick = 0; tick < part / TICK_S; tick += 1) {
        scale.advance(TICK_S);
        readings.push(scale.read(AT));
      }
    }
  }
  return readings;
}
const last = (readings: ReadingOf<'scale'>[]) => readings.at(-1);

describe('the simulated scale', () => {
  test('settles on what is placed, to its step', () => {
    const readings = scaleAfter({ act: 'place', massG: 432.4 }, 3);
    expect(readings[0]?.steady).toBe(false);
    expect(last(readings)).toMatchObject({ steady: true, overload: false });
    expect(Math.abs((last(readings)?.massG ?? 0) - 432.4)).toBeLessThanOrEqual(1);
    expect(Number.isInteger(last(readings)?.massG)).toBe(true);
  });

  test('shows a pour rising, never steady until it ends', () => {
    const during = scaleAfter({ act: 'pour', massG: 1000, seconds: 5 }, 4);
    expect(during.slice(5).some(({ steady }) => steady)).toBe(false);
    const masses = during.map(({ massG }) => massG);
    expect(masses.at(-1)).toBeGreaterThan(700);
    expect(last(scaleAfter({ act: 'pour', massG: 1000, seconds: 5 }, 9))?.massG).toBeCloseTo(1000, -1);
  });

  test('tare, scoop and clear do what they say; a load above its limit is said', () => {
    const place: DeviceAct = { act: 'place', massG: 800 };
    const near = (massG: number, story: (DeviceAct | number)[]) =>
      expect(Math.abs((last(scaleAfter(...story))?.massG ?? NaN) - massG)).toBeLessThanOrEqual(1);
    near(0, [place, 3, { act: 'tare' }, 2]);
    near(250, [place, 3, { act: 'tare' }, { act: 'place', massG: 250 }, 3]);
    near(700, [place, 3, { act: 'scoop', massG: 100 }, 3]);
    near(0, [place, 3, { act: 'clear' }, 3]);
    expect(last(scaleAfter({ act: 'place', massG: 6000 }, 3))?.overload).toBe(true);
  });

  test('its zero creeps, slowly', () => {
    const hour = scaleAfter(3600);
    expect(last(hour)?.massG).toBeGreaterThanOrEqual(2);
    expect(last(hour)?.massG).toBeLessThanOrEqual(4);
  });

  test('one seed, one story', () => {
    expect(scaleAfter({ act: 'place', massG: 50 }, 2)).toEqual(scaleAfter({ act: 'place', massG: 50 }, 2));
  });
});
