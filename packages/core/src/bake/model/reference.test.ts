import { bake } from './bake';
import type { BakeOutcome } from './outcome';
import { REFERENCE_CASES } from '@kettle-scale/simulation';
import { DEFAULT_MODEL } from './model';

/** What each column is, how far a fine run and a production run may be off. */
const COLUMNS: { name: string; of: (o: BakeOutcome) => number | null; fine?: number; production?: number }[] =
  [
    { name: 'bubbles', of: (o) => o.bubblesS, production: 0.7 },
    { name: 'cooked', of: (o) => o.cookedS, production: 0.4 },
    { name: 'gelatinised', of: (o) => o.gelatinised, fine: 0.005, production: 0.02 },
    { name: 'weight loss', of: (o) => o.weightLoss, fine: 0.05, production: 0.25 },
    { name: 'moisture', of: (o) => o.moisture, fine: 0.05, production: 0.25 },
    { name: 'face A', of: (o) => o.faceC[0], fine: 0.5, production: 2 },
    { name: 'face B', of: (o) => o.faceC[1], fine: 0.5, production: 2 },
    { name: 'plate', of: (o) => o.plateC, fine: 0.5, production: 0.4 },
    { name: 'heat', of: (o) => o.heatKJM2 },
    { name: 'tone A', of: (o) => o.faceLightness[0], fine: 0.5 },
    { name: 'tone B', of: (o) => o.faceLightness[1], fine: 0.5 },
    { name: 'spot A', of: (o) => o.spotLightness[0], fine: 0.5, production: 1.5 },
    { name: 'spot B', of: (o) => o.spotLightness[1], fine: 0.5, production: 1.5 },
    { name: 'cover A', of: (o) => o.cover[0], fine: 1, production: 2 },
    { name: 'cover B', of: (o) => o.cover[1], fine: 1, production: 2 },
    { name: 'char A', of: (o) => o.char[0], fine: 1, production: 2 },
    { name: 'char B', of: (o) => o.char[1], fine: 1, production: 2 },
    { name: 'puff index', of: (o) => o.puffIndex, fine: 0.1, production: 0.3 },
  ];
/** Heat is compared in proportion. */
const HEAT = { fine: 0.003, production: 0.012 };

/** Results on 96 cells with steps of 0.02 s, in the order of COLUMNS; then when it puffs. */
const REFERENCE: Record<string, (number | null)[]> = {
  R1: [
    17.1, 20.3, 0.893, 12.39, 31.5, 89.3, 136.6, 217.4, 1141, 83.5, 83.2, 63.5, 53.9, 25.3, 36.8, 0, 0, 3.52,
    31.9,
  ],
  R2: [
    19.1, 23.6, 0.964, 16.32, 28.28, 89.3, 133.3, 199.3, 1368, 82.9, 82.4, 60.2, 53.4, 33.8, 43.8, 0, 0, 2.85,
    43.8,
  ],
  R3: [
    48.9, 63.9, 0.926, 8.88, 34.14, 82.4, 124.2, 180.4, 1401, 82.5, 83.8, 61, 71.4, 36.1, 0, 0, 0, 1.89, 68.5,
  ],
  R4: [26, 62.3, 0.986, 17.4, 27.35, 87.2, 116.4, 162.9, 1440, 83.4, 82.9, 74.5, 70, 0, 0, 0, 0, 0.88, null],
  R5: [
    3.5, 3.8, 0.791, 22.61, 22.46, 98.4, 126.7, 238.4, 685, 84.3, 84.5, 82.1, 77.4, 0, 4.6, 0, 0, 3.91, 16,
  ],
  R6: [
    67,
    132.2,
    0.999,
    14.53,
    36.42,
    78.2,
    143.4,
    184,
    2899,
    77,
    74.8,
    41.9,
    38.8,
    45,
    45,
    0,
    0,
    0.94,
    null,
  ],
  R7: [
    28.6, 28, 0.882, 9.59, 33.62, 91.6, 164.2, 271.7, 1490, 79.6, 79.4, 8.7, 9.1, 45, 45, 45, 45, 4.38, 32.2,
  ],
  R8: [139.9, null, 0.994, 25.57, 19.37, 77.5, 108.7, 140.6, 1919, 82.9, 82.4, 76.6, 74, 0, 0, 0, 0, 0, null],
  R9: [
    15, 21.5, 0.695, 14.54, 29.77, 85.7, 132.8, 212.4, 1226, 83.6, 83.4, 68.4, 59.3, 0, 34.6, 0, 0, 3.13,
    39.9,
  ],
  R10: [
    9.7, 11.2, 0.966, 22.55, 30.32, 139, 94.7, 226.4, 1306, 82.9, 82.9, 61.2, 49.2, 32.1, 38, 0, 0, 5.01,
    21.9,
  ],
  R11: [
    16.5, 19.2, 0.91, 13.39, 30.71, 90.4, 143, 230, 1200, 83.1, 82.6, 57.6, 45.5, 33.4, 44.8, 0, 0, 3.93,
    31.5,
  ],
  R12: [
    16.5, 20.2, 0.926, 13.53, 30.6, 87.4, 123.5, 167.8, 1199, 83, 83.6, 67.1, 73.9, 7.9, 0, 0, 0, 2.82, 36.5,
  ],
};

/**
 * The same cases with the constants in use, made by `bake({ ...setup, model: DEFAULT_MODEL }, RUNS.fine)` when these
 * constants came: nobody else's figures, but a change of any of them must be meant.
 */
const IN_USE: Record<string, (number | null)[]> = {
  R1: [
    17.7, 20.6, 0.917, 10.86, 32.68, 92.2, 130.8, 218.4, 1061, 82.4, 82.3, 64, 51.1, 24.2, 39.5, 0, 0, 3.27,
    32.2,
  ],
  R2: [
    19.5, 23.3, 0.977, 14.61, 29.72, 91.6, 128.9, 200.1, 1277, 81.1, 81, 57.2, 47.6, 36.5, 45, 0, 0, 2.88, 43,
  ],
  R3: [
    47.3, 62.8, 0.946, 7.72, 34.96, 85.9, 119.8, 181.1, 1316, 80.8, 82.8, 55, 66.8, 45, 13.7, 0, 0, 1.88,
    68.6,
  ],
  R4: [
    26.1, 37.7, 0.993, 15.44, 29.03, 90.9, 114.8, 163.6, 1341, 81.5, 81.1, 70, 62.4, 0, 33.4, 0, 0, 1.49,
    64.2,
  ],
  R5: [3.9, 4.2, 0.795, 20.13, 24.86, 98.6, 121.4, 239.4, 630, 83.8, 84, 83.2, 76.4, 0, 5, 0, 0, 4, 15.8],
  R6: [
    67.5, 127.2, 1, 13.25, 37.35, 81.5, 138.3, 184.3, 2747, 73.3, 70.5, 32.2, 28.3, 45, 45, 33.6, 45, 1.27,
    129.1,
  ],
  R7: [
    29, 28.5, 0.885, 8.3, 34.56, 94.8, 154.7, 273.8, 1388, 79, 78.9, 15, 13.3, 45, 45, 43.7, 45, 3.95, 32.9,
  ],
  R8: [39.2, null, 0.999, 22.76, 22.31, 81.5, 106.9, 141, 1771, 80.3, 79.4, 70.4, 64, 0, 32.6, 0, 0, 0, null],
  R9: [
    15.6, 21.5, 0.706, 12.97, 31.04, 87.6, 126.5, 213.4, 1140, 82.8, 82.6, 68.8, 56, 0, 38.7, 0, 0, 2.88,
    41.2,
  ],
  R10: [
    10.3, 11.7, 0.973, 20.29, 32.3, 131.3, 96.3, 227.5, 1212, 81.7, 81.7, 59.1, 47.6, 32.2, 40, 0, 0, 4.9,
    22.2,
  ],
  R11: [
    17.2, 19.8, 0.928, 11.73, 32.02, 93.1, 135.9, 230, 1112, 82.1, 81.7, 59.6, 44.9, 32, 45, 0, 0, 3.59, 31.8,
  ],
  R12: [
    16.9, 19.9, 0.95, 12.36, 31.52, 90.5, 121.6, 171.2, 1141, 81.3, 82.4, 63.3, 67.8, 28.7, 7.9, 0, 0, 2.86,
    36.2,
  ],
};

/**
 * Where the middle creeps past 95 °C, and where it hardly bubbles at all, a coarse grid may say another second: nothing
 * is judged by either there.
 */
const CREEPS: Record<string, Record<string, number>> = {
  R4: { cooked: 2 },
  R6: { cooked: 4 },
  R8: { bubbles: Infinity },
};
/** The index of these is so near 1 that whether they open is a toss. */
const TOSS = new Set(['R4', 'R6']);
const PUFF_S = { fine: 0.3, production: 0.7 };

type Run = 'fine' | 'production';
const RUNS: Record<Run, { cells: number; stepS: number }> = {
  fine: { cells: 96, stepS: 0.02 },
  production: { cells: 16, stepS: 0.25 },
};

const cases = Object.entries(REFERENCE_CASES).map(([name, setup]) => ({
  name,
  setup,
  id: name.split(' ')[0] ?? name,
}));

/** Everything in which a bake is further from its figures than it may be. */
function deviations(
  outcome: BakeOutcome,
  id: string,
  expected: readonly (number | null)[],
  run: Run,
): string[] {
  const off = COLUMNS.flatMap((column, index) => {
    const want = expected[index] ?? null;
    const got = column.of(outcome);
    if (want === null || got === null) return want === got ? [] : [`${column.name}: ${got}, not ${want}`];
    const bound =
      column.name === 'heat' ? HEAT[run] * want : (CREEPS[id]?.[column.name] ?? column[run] ?? Infinity);
    return Math.abs(got - want) <= bound ? [] : [`${column.name}: ${got}, not ${want} ± ${bound}`];
  });
  if (TOSS.has(id)) return off;
  const puffS = expected.at(-1) ?? null;
  const right =
    puffS === null
      ? outcome.puffS === null
      : outcome.puffS !== null && Math.abs(outcome.puffS - puffS) <= PUFF_S[run];
  return right ? off : [...off, `puffs: ${outcome.puffS}, not ${puffS}`];
}

describe.each(Object.keys(RUNS) as Run[])('reference cases, %s grid', (run) => {
  test.each(cases)('$name', ({ id, setup }) => {
    const outcome = bake(setup, RUNS[run]);
    expect(deviations(outcome, id, REFERENCE[id] ?? [], run)).toEqual([]);
    expect(Math.abs(outcome.energyError)).toBeLessThan(0.03);
    expect(Math.abs(outcome.waterError)).toBeLessThan(1e-9);
    expect(outcome.reruns).toBe(0);
  });
});

test.each(cases)('with the constants in use: $name', ({ id, setup }) => {
  const outcome = bake({ ...setup, model: DEFAULT_MODEL });
  expect(deviations(outcome, id, IN_USE[id] ?? [], 'production')).toEqual([]);
});
