import { said } from '../../test/said';
import type { BakeProgram, ProductStandard } from '../../formula/methodSchema';
import { doughProperties, partsOfPlainDough } from '../model/composition';
import { DEFAULT_AIR, REFERENCE_MODEL } from '../model/model';
import { type BakeRequest, bakeWith } from './bakeRequest';
import { BASE_CASE } from '@kettle-scale/simulation';
import { solve, solveTimes } from './solve';
import { solveOneFlip } from './solveOneFlip';
import { limitWords, sensitivityWords, troubleWords } from './solveText';
import { COMMON_STANDARD, isGood, judge, pliableFrom, standardOf } from './standard';
import { sensitivities } from './waysRound';
import { finish } from './window';

const ONE_FLIP: BakeProgram = { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 25 }] };
const { stages: _stages, ...setup } = BASE_CASE;
const request = (plateC = 230, thicknessMm = 2, program = ONE_FLIP): BakeRequest => ({
  setup: { ...setup, plateC, thicknessMm },
  program,
  standard: COMMON_STANDARD,
});

/** The first constants, without a standard of their own for thin bread: what the page of figures was made with. */
const FIRST: Pick<BakeRequest['setup'], 'model'> = { model: REFERENCE_MODEL };

describe('the earliest seconds per side', () => {
  /** First side and least of the second, from a solver with steps twice as long: hence two seconds either way. */
  test.each([
    [2, 190, 51, 40],
    [2, 210, 32, 25],
    [2, 220, 27, 20],
    [2, 230, 23, 17],
    [2, 240, 21, 16],
    [1.5, 230, 23, 17],
    [1.25, 260, 15, 11],
    [2.5, 200, 40, 31],
    [3, 190, 52, 40],
    [1.5, 240, 20, 15],
  ])('%d mm at %d °C with the first constants: %d s, then %d s', (mm, plateC, first, least) => {
    const asked = request(plateC, mm);
    const solution = solveOneFlip({ ...asked, setup: { ...asked.setup, ...FIRST } });
    expect(solution.good).toBe(true);
    expect(Math.abs(solution.least[0]! - first)).toBeLessThanOrEqual(2);
    expect(Math.abs(solution.least[1]! - least)).toBeLessThanOrEqual(2);
  });

  test('a cool plate takes 2 mm in about 70 s, then 52 to 85 s', () => {
    const solution = solveOneFlip(request(170, 2));
    expect(Math.abs(solution.least[0]! - 70)).toBeLessThanOrEqual(2);
    expect(Math.abs(solution.least[1]! - 52)).toBeLessThanOrEqual(2);
    expect(Math.abs(solution.most[1]! - 85)).toBeLessThanOrEqual(4);
  });
});

describe('seconds per side', () => {
  test.each([
    [1, 230],
    [1.5, 200],
    [2, 180],
    [2, 230],
    [3, 190],
    [3, 230],
  ])('%d mm at %d °C: inside the range of each side, not at its ends, and good', (mm, plateC) => {
    const solution = solve(request(plateC, mm));
    expect(solution.good).toBe(true);
    for (const [side, s] of solution.seconds.entries()) {
      const [least, most] = [solution.least[side]!, solution.most[side]!];
      expect(most - least).toBeGreaterThan(1);
      expect(s).toBeGreaterThan(least + 0.1 * (most - least));
      expect(s).toBeLessThan(most - 0.1 * (most - least));
    }
    expect(isGood(judge(solution.outcome, COMMON_STANDARD))).toBe(true);
    const ends = [
      [solution.least[0]!, solution.seconds[1]!],
      [solution.seconds[0]!, solution.least[1]! + 0.5],
      [solution.seconds[0]!, solution.most[1]! - 0.5],
    ];
    for (const seconds of ends)
      expect(isGood(judge(bakeWith(request(plateC, mm), seconds), COMMON_STANDARD))).toBe(true);
  });

  test('the formula’s own seconds stand where they are good, their split elsewhere; where they are not they stand as well, and go along with the model', () => {
    const own = (sides: [number, number]): BakeProgram => ({
      ...ONE_FLIP,
      sides: sides.map((seconds) => ({ seconds })),
    });
    const asked = (plateC: number, sides: [number, number]) => ({
      ...request(plateC, 2, own(sides)),
      written: { plateC: 230, thicknessMm: 2, doughC: 25 },
    });
    for (const sides of [
      [25, 25],
      [24, 31],
      [30, 20],
    ] as [number, number][]) {
      const { seconds, keepsSplit } = solveTimes(asked(230, sides));
      expect(keepsSplit).toBe(true);
      expect(seconds.map(Math.round)).toEqual(sides);
    }
    const short = solveTimes(asked(200, [25, 20]));
    const long = solveTimes(asked(200, [25, 32]));
    expect(short.seconds[0]).toBeCloseTo(long.seconds[0]!, 6);
    expect(long.seconds[1]! - short.seconds[1]!).toBeGreaterThan(10);
    for (const sides of [
      [12, 25],
      [25, 60],
    ] as [number, number][]) {
      const { seconds, keepsSplit } = solveTimes(asked(230, sides));
      expect(keepsSplit).toBe(false);
      expect(seconds).toEqual(sides);
      const [there, here] = [request(230, 2), request(200, 2)].map((one) => solveTimes(one).seconds);
      for (const [side, s] of solveTimes(asked(200, sides)).seconds.entries())
        expect(s / sides[side]!).toBeCloseTo(here![side]! / there![side]!, 6);
    }
  });

  test('hotter is shorter, thicker is longer', () => {
    const total = (plateC: number, mm: number) =>
      solveTimes(request(plateC, mm)).seconds.reduce((sum, s) => sum + s, 0);
    const heats = [180, 195, 210, 225, 240].map((plateC) => total(plateC, 2));
    for (const [i, s] of heats.slice(1).entries()) expect(s).toBeLessThan(heats[i]!);
    const thicknesses = [1.5, 2, 2.5, 3].map((mm) => total(215, mm));
    for (const [i, s] of thicknesses.slice(1).entries()) expect(s).toBeGreaterThan(thicknesses[i]!);
  });

  test.each([60, 75])(
    'no lean sheet of 1.0 to 1.5 mm with %d %% water is impossible at every heat from 170 to 230 °C',
    (water) => {
      const dough = doughProperties(partsOfPlainDough({ water, fat: 0, salt: 1.5 }), 0.06);
      for (const mm of [1, 1.25, 1.5]) {
        const heats = [170, 185, 200, 215, 230].filter((plateC) => {
          const asked = request(plateC, mm);
          return solveTimes({ ...asked, setup: { ...asked.setup, dough } }).good;
        });
        expect(heats.length).toBeGreaterThan(0);
      }
    },
  );

  test('a sheet bends at less water than a thick bread, a fat bread at less moisture in all, crisp asks for none', () => {
    const folds = { ...COMMON_STANDARD, moistureLeast: 27 };
    expect([3, 2, 1.5, 1, 0.5].map((mm) => pliableFrom(folds, mm))).toEqual([27, 27, 24.5, 22, 20]);
    expect(pliableFrom({ ...folds, moistureLeast: 8 }, 1)).toBe(8);
    const [lean, fat] = [0, 15].map((percent) => {
      const dough = doughProperties(partsOfPlainDough({ water: 55, fat: percent, salt: 1.5 }), 0.06);
      const outcome = bakeWith({ ...request(), setup: { ...setup, dough } }, [25, 25]);
      return outcome.fatFreeMoisture - outcome.moisture;
    });
    expect(fat!).toBeGreaterThan(lean! + 2);
  });

  test('each side has its own colour: a pale second side takes less time', () => {
    const both = solveTimes(request(190));
    const soft = {
      ...request(190),
      standard: standardOf({ spots: 'freckles', secondSpots: 'pale and soft' } as ProductStandard),
    };
    const pale = solveTimes(soft);
    expect(pale.least[1]!).toBeLessThan(both.least[1]! - 3);
    expect(judge(bakeWith(soft, [pale.seconds[0]!, pale.least[1]! + 1]), soft.standard)).toEqual({
      short: [],
      over: [],
    });
  });

  test('a wet face on a flat iron that is turned over the fire: the fire’s seconds are solved as a side', () => {
    const program: BakeProgram = {
      ...{ surface: 'flat', plateC: 200, sides: [{ seconds: 40, wetFace: true }] },
      finish: { kind: 'flame', seconds: 12 },
    };
    const standard = standardOf({} as ProductStandard, program.finish);
    const asked = { ...request(200, 2, program), standard };
    const solution = solve(asked);
    expect(solution.good).toBe(true);
    expect(solution.seconds).toHaveLength(2);
    expect(solution.seconds[1]!).toBeGreaterThanOrEqual(solution.least[1]!);
    expect(isGood(judge(solution.outcome, standard))).toBe(true);
    // It is the fire that browns the free face.
    expect(judge(bakeWith(asked, [solution.seconds[0]!, 5]), standard).short).toContain('pale second side');
    const loose: BakeProgram = { ...program, sides: [{ seconds: 40 }, { seconds: 20 }] };
    expect(bakeWith(asked, [30, 5]).bubblesS!).toBeLessThan(
      bakeWith(request(200, 2, loose), [30, 20]).bubblesS!,
    );
  });

  describe('what is done to a disc, and where, moves it as it does on a plate', () => {
    const first = (changes: Partial<BakeProgram>, air?: { altitudeM: number }) => {
      const asked = request(220, 2, { ...ONE_FLIP, plateC: 220, ...changes });
      const there = air ? { ...asked, setup: { ...asked.setup, air: { ...DEFAULT_AIR, ...air } } } : asked;
      return bakeWith(there, [25, 25]);
    };
    const plain = first({});

    test('floured is later and paler', () => {
      const floured = first({ floured: true });
      expect(floured.bubblesS!).toBeGreaterThan(plain.bubblesS! + 2);
      expect(floured.spotLightness[0]).toBeGreaterThan(plain.spotLightness[0] + 2);
    });

    test('higher boils, and bubbles, earlier', () => {
      expect(first({}, { altitudeM: 2500 }).bubblesS!).toBeLessThan(plain.bubblesS! - 1);
    });

    test('out of a hot press both faces are warm, and the plate is not cooled by it', () => {
      const pressed = first({ hotPress: { tempC: 160, seconds: 3 } });
      expect(pressed.bubblesS!).toBeLessThan(plain.bubblesS! - 3);
      expect(pressed.gelatinised).toBeGreaterThan(plain.gelatinised);
      expect(pressed.plateC).toBeGreaterThan(plain.plateC);
      expect(Math.abs(pressed.energyError)).toBeLessThan(0.5);
      const solution = solve(request(220, 2, { ...ONE_FLIP, hotPress: { tempC: 160, seconds: 3 } }));
      expect(solution.good).toBe(true);
      expect(solution.least[0]!).toBeLessThanOrEqual(solveTimes(request(220, 2)).least[0]!);
    });

    test('a side with a heat of its own bakes at that heat', () => {
      const cooler = first({ sides: [{ seconds: 25 }, { seconds: 25, plateC: 180 }] });
      expect(cooler.spotLightness[0]).toBeCloseTo(plain.spotLightness[0], 0);
      expect(cooler.spotLightness[1]).toBeGreaterThan(plain.spotLightness[1] + 5);
      expect(cooler.plateC).toBeLessThan(181);
    });
  });

  test.each([
    [0.8, 170, 'dries first'],
    [3, 290, 'burns first'],
    [5, 250, 'burns first'],
  ] as const)('%d mm at %d °C: %s', (mm, plateC, trouble) => {
    const solution = solve(request(plateC, mm));
    expect(solution.good).toBe(false);
    expect(solution.trouble).toBe(trouble);
    expect(said(troubleWords(trouble))).toMatch(/^No good bread here: /);
    expect(solveTimes(request(plateC, mm), true).trouble).toBe(trouble);
  });

  test('a colder dough takes longer, pressing and heat shorten; says so', () => {
    const base = request();
    const solution = solve(base);
    const cold = solve({ ...base, setup: { ...base.setup, doughC: 5 } });
    expect(Math.abs(cold.least[0]! - solution.least[0]! - 2.5)).toBeLessThanOrEqual(1);
    const pressed = request(230, 2, {
      ...ONE_FLIP,
      sides: ONE_FLIP.sides.map((s) => ({ ...s, press: true })),
    });
    const [first, second] = solve(pressed).least;
    expect(Math.abs(first! - 20)).toBeLessThanOrEqual(1.5);
    expect(Math.abs(second! - 15)).toBeLessThanOrEqual(1.5);
    const words = finish(sensitivities(base, solution)).map((one) => sensitivityWords(one));
    expect(said(words[0])).toMatch(/^10\s°C hotter: \d s less on side 1, \d s less on side 2\.$/);
    expect(said(limitWords(solution))).toContain('browning comes last, and any longer and it chars.');
  });

  test.each<[string, BakeProgram, number]>([
    [
      'several flips',
      { surface: 'flat', plateC: 190, sides: [60, 60, 60, 60].map((seconds) => ({ seconds })) },
      4.5,
    ],
    ['a flame at the end', { ...ONE_FLIP, plateC: 215, finish: { kind: 'flame', seconds: 5 } }, 3],
    ['a grill at the end', { ...ONE_FLIP, plateC: 215, finish: { kind: 'grill', seconds: 8 } }, 2.5],
    [
      'butter and a press',
      {
        ...ONE_FLIP,
        sides: [
          { seconds: 25, press: true },
          { seconds: 20, butter: true },
        ],
      },
      2,
    ],
  ])('%s: the answer meets its standard', (_name, program, mm) => {
    const asked = request(program.plateC, mm, program);
    const solution = solve(asked);
    expect(solution.trouble).toBeNull();
    expect(solution.seconds).toHaveLength(program.sides.length);
    expect(judge(bakeWith(asked, solution.seconds), COMMON_STANDARD)).toEqual({ short: [], over: [] });
  });

  test('a wet face clings to its dome and cooks faster; turned to the flame, the free face bakes too', () => {
    const dome = (sides: BakeProgram['sides'], flameS?: number): BakeProgram => ({
      ...{ surface: 'domed', plateC: 220, sides },
      ...(flameS ? { finish: { kind: 'flame', seconds: flameS } } : {}),
    });
    const sheet = (program: BakeProgram) => bakeWith(request(220, 1.2, program), [30]);
    const loose = sheet(dome([{ seconds: 30 }]));
    const stuck = sheet(dome([{ seconds: 30, wetFace: true }]));
    const flamed = sheet(dome([{ seconds: 30, wetFace: true }], 10));
    expect(stuck.weightLoss).toBeGreaterThan(loose.weightLoss + 1);
    expect(flamed.faceC[1]).toBeGreaterThan(stuck.faceC[1] + 5);
    expect(flamed.gelatinised).toBeGreaterThan(stuck.gelatinised + 0.1);
    expect(flamed.cover[0]).toBeGreaterThanOrEqual(stuck.cover[0]);
  });

  test('a product’s words are figures', () => {
    const product = { spots: 'deep freckles', puff: 'full pocket', fold: 'stays crisp' } as const;
    expect(standardOf({ ...({} as Parameters<typeof standardOf>[0]), ...product })).toMatchObject({
      coverAim: [28, 28],
      puffLeast: 1,
      moistureLeast: 8,
    });
  });
});
