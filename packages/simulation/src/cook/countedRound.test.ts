import { openRandom } from '../random';
import { type CountedRound, countedRound } from './countedRound';

const PIECES = 25;
const SIDES_S = [28, 21];
const round = (seed: number, changes: Partial<CountedRound> = {}) =>
  countedRound({
    pieces: PIECES,
    places: 9,
    sidesS: SIDES_S,
    reaction: { meanS: 1.2, sdS: 0.4 },
    lateAt: new Map(),
    notRolled: new Set(),
    torn: new Set(),
    random: openRandom(seed),
    ...changes,
  });
const SEEDS = Array.from({ length: 20 }, (_, seed) => seed + 1);
const within = (offS: readonly number[], s: number) =>
  offS.filter((by) => Math.abs(by) <= s).length / offS.length;

test('a cook who keeps up touches three times in a round, and every side lies as long as it should', () => {
  for (const seed of SEEDS) {
    const { touches, off, offS } = round(seed);
    expect([touches, off]).toEqual([3, PIECES]);
    expect(offS).toHaveLength(2 * PIECES);
    expect(within(offS, 3)).toBe(1);
  }
});

test('lateness, a disc that nobody rolled and a torn one: at most eight touches instead of seventy-five', () => {
  for (const seed of SEEDS) {
    const away = openRandom(seed);
    const lateAt = new Map([away.int(4, 25), away.int(35, 60)].map((act) => [act, away.int(5, 9)]));
    const one = round(seed, {
      lateAt,
      notRolled: new Set([away.int(5, 20)]),
      torn: new Set([away.int(2, 24)]),
    });
    expect(one.touches).toBeLessThanOrEqual(8);
    expect([one.off, one.torn]).toEqual([PIECES - 1, 1]);
    // Who is away for nine seconds does up to four acts in a row then: one piece lies that much longer, two thirds in time.
    expect(within(one.offS, 3)).toBeGreaterThan(2 / 3);
    expect(Math.max(...one.offS)).toBeLessThan(9 + 3 + 4 * 4);
  }
});

test('one pair of hands: no faster than an act every four seconds, and no slower than the plate asks', () => {
  const { tookS } = round(1);
  const actsS = 3 * PIECES * 4;
  expect(tookS).toBeGreaterThan(0.95 * actsS);
  expect(tookS).toBeLessThan(1.6 * actsS);
});
