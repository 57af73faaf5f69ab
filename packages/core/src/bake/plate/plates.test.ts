import { problemsIn, said } from '../../test/said';
import fc from 'fast-check';
import { type BakeRequest, bakeWith } from '../solve/bakeRequest';
import { solveTimes } from '../solve/solve';
import { finish } from '../solve/window';
import { plateOf, plateAreaM2 } from '../model/griddlePlate';
import { type Griddle, griddleSchema } from '../../kitchen/griddleSchema';
import { HEAT_WORDS, flourTansS, heatSigns } from './heatWords';
import { hotSpots, placeOffsetsC } from './hotSpots';
import { knobAdvice } from './knob';
import { paceOf, settling, USUAL_HANDS } from './pace';
import { packPieces } from './packing';
import { panOnBurner } from './panCycle';
import { readySeconds, warmUp } from './preheat';
import { twoWays } from './twoWays';
import { BASE_CASE } from '@kettle-scale/simulation';
import { plateAt, plateStep, STEEL_GRIDDLE } from '../model/plate';
import { COMMON_STANDARD } from '../solve/standard';

const GRIDDLE: Griddle = {
  ...{ id: 'long-plate', name: 'Long plate', material: 'steel', thicknessMm: 12, shape: 'rectangle' },
  ...{ widthMm: 900, depthMm: 600, heat: 'thermostat', powerW: 11_000 },
  marks: [
    { mark: 3, tempC: 170 },
    { mark: 5, tempC: 215 },
    { mark: 6, tempC: 240 },
  ],
  readings: { columns: 3, rows: 2, tempsC: [215, 230, 220, 225, 240, 220] },
};
const { stages: _stages, ...setup } = BASE_CASE;
const request: BakeRequest = {
  setup: { ...setup, plate: plateOf(GRIDDLE, 0.6) },
  program: { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 20 }] },
  standard: COMMON_STANDARD,
};

test('pieces are packed without touching, on the plate, and as many as the known packings give', () => {
  const round = (mm: number) => ({ shape: 'round', widthMm: mm, depthMm: mm }) as const;
  // Smallest plates, in piece diameters, for so many circles in a circle; rings give 17 where 19 are known.
  for (const [ratio, pieces] of [
    [1, 1],
    [2, 2],
    [2.155, 3],
    [2.415, 4],
    [2.702, 5],
    [3, 7],
    [4.864, 17],
  ] as const) {
    expect(packPieces(round(100 * ratio + 0.1), 100, 0).length).toBeGreaterThanOrEqual(pieces);
  }
  expect(packPieces(GRIDDLE, 180, 8).length).toBe(13);
  expect(
    packPieces({ shape: 'rectangle', widthMm: 700, depthMm: 560 }, 100, 0).length,
  ).toBeGreaterThanOrEqual(38);
  fc.assert(
    fc.property(
      fc.record({
        shape: fc.constantFrom('rectangle' as const, 'round' as const),
        widthMm: fc.integer({ min: 150, max: 900 }),
        deep: fc.integer({ min: 150, max: 700 }),
        sizeMm: fc.integer({ min: 80, max: 320 }),
        gapMm: fc.integer({ min: 0, max: 15 }),
      }),
      ({ shape, widthMm, deep, sizeMm, gapMm }) => {
        const depthMm = shape === 'round' ? widthMm : deep;
        const places = packPieces({ shape, widthMm, depthMm }, sizeMm, gapMm);
        places.forEach((a, i) => {
          if (shape === 'round') {
            const off = Math.hypot(a.xMm - widthMm / 2, a.yMm - widthMm / 2);
            expect(off + sizeMm / 2).toBeLessThanOrEqual(widthMm / 2 + 0.01);
          } else {
            expect(Math.min(a.xMm, a.yMm, widthMm - a.xMm, depthMm - a.yMm)).toBeGreaterThan(
              sizeMm / 2 - 0.01,
            );
          }
          for (const b of places.slice(i + 1)) {
            expect(Math.hypot(a.xMm - b.xMm, a.yMm - b.yMm)).toBeGreaterThan(sizeMm + gapMm - 0.01);
          }
        });
      },
    ),
    { numRuns: 150, seed: 3 },
  );
});

test('the knob is told between the marks that were measured', () => {
  expect(said(knobAdvice(GRIDDLE.marks, 228))).toBe('between 5 and 6');
  expect(said(knobAdvice(GRIDDLE.marks, 220))).toBe('between 5 and 6, nearer 5');
  expect(said(knobAdvice(GRIDDLE.marks, 216))).toBe('at 5');
  expect(said(knobAdvice(GRIDDLE.marks, 260))).toBe('above 6, the hottest mark measured');
  expect(knobAdvice(GRIDDLE.marks.slice(0, 1), 216)).toBeNull();
});

test('hot and cold spots: places take the offset of where they lie', () => {
  expect(hotSpots(GRIDDLE)).toMatchObject({ meanC: 225, hottestC: 240, coldestC: 215 });
  expect(
    placeOffsetsC(GRIDDLE, [
      { xMm: 450, yMm: 450 },
      { xMm: 0, yMm: 0 },
    ]),
  ).toEqual([15, -10]);
  expect(placeOffsetsC({ ...GRIDDLE, readings: undefined }, [{ xMm: 1, yMm: 1 }])).toEqual([0]);
});

describe('heat of a plate', () => {
  test('preheats to steady, slower when thicker, never with too weak a burner', () => {
    const plate = plateOf(GRIDDLE, 0.5);
    const ready = readySeconds(plate, 25, 225)!;
    expect(ready).toBeGreaterThan(300);
    expect(readySeconds({ ...plate, thicknessM: 2 * plate.thicknessM }, 25, 225)!).toBeGreaterThan(
      1.7 * ready,
    );
    expect(readySeconds({ ...plate, maxPowerWM2: 2000 }, 25, 225)).toBeNull();
    const course = warmUp(plate, 25, 225, 25, 60, 1800);
    expect(course).toHaveLength(31);
    expect(course.at(-1)!.tempC).toBeCloseTo(225, 0);
  });

  test('without bread the energy of a plate is balanced, stone in layers too', () => {
    for (const griddle of [GRIDDLE, { ...GRIDDLE, material: 'stone' as const, thicknessMm: 20 }]) {
      const plate = { ...plateOf(griddle, 0.5), gainWM2K: 0 };
      const state = plateAt(plate, 200);
      for (let s = 0; s < 20_000; s += 5) plateStep(plate, state, 200, 25, 0, 5, false);
      expect(state.underC[0]).toBeCloseTo(200, 0);
    }
    const stone = plateOf({ ...GRIDDLE, material: 'stone', thicknessMm: 15 }, 0.5);
    const loaded = plateAt(stone, 230);
    for (let s = 0; s < 25; s += 0.25) plateStep(stone, loaded, 230, 25, 20_000, 0.25);
    expect(loaded.underC[0]!).toBeLessThan(loaded.underC[5]! - 40);
  });

  test('a piece dips it and it comes back; a run of pieces settles lower', () => {
    const { onC, lowestC, recoveryS } = settling(request, [25, 20], 10);
    expect(lowestC).toBeLessThan(onC[0]! - 5);
    expect(onC.at(-1)!).toBeLessThan(onC[0]!);
    expect(recoveryS).toBeGreaterThan(5);
    expect(
      settling(
        { ...request, setup: { ...request.setup, plate: { ...STEEL_GRIDDLE, gainWM2K: 0 } } },
        [25, 20],
        10,
      ).onC.at(-1)!,
    ).toBeLessThan(onC.at(-1)!);
  });

  test('the pace names what holds it back', () => {
    const weak = {
      ...request,
      setup: { ...request.setup, plate: { ...request.setup.plate!, maxPowerWM2: 12_000 } },
    };
    const facts = { places: 6, pieceAreaM2: 0.0616, plateAreaM2: plateAreaM2(GRIDDLE), gapS: 5 };
    const limits = (changes: object) =>
      paceOf(weak, [25, 20], { ...facts, hands: USUAL_HANDS, ...changes }).limit;
    expect(limits({})).toBe('heat');
    expect(limits({ places: 1 })).toBe('plate area');
    expect(limits({ hands: { ...USUAL_HANDS, rollS: 40 } })).toBe('rolling');
    expect(limits({ hands: { onS: 10, flipS: 10, offS: 10, rollS: 0 }, pieceAreaM2: 0.01 })).toBe('hands');
    expect(paceOf(request, [25, 20], { ...facts, hands: USUAL_HANDS }).perHour['plate area']).toBeCloseTo(
      432,
      0,
    );
  });
});

test('a griddle is refused in words', () => {
  const messageOf = (changes: object) => said(problemsIn(griddleSchema, { ...GRIDDLE, ...changes })[0]);
  expect(messageOf({})).toBeUndefined();
  expect(messageOf({ shape: 'round' })).toBe('A round plate is as deep as it is wide.');
  expect(messageOf({ readings: { columns: 3, rows: 3, tempsC: [200] } })).toBe(
    'A grid of readings needs one for every place.',
  );
  expect(messageOf({ powerW: 5 })).toBe('Power must be between 100 and 60,000 W.');
});

describe('a pan on a burner', () => {
  const pan = {
    ...GRIDDLE,
    material: 'cast iron',
    thicknessMm: 4.5,
    heat: 'burner',
    flame: 'medium',
  } as const;
  const asked = {
    setup: { ...setup, plateC: 215, plate: plateOf(pan, 0.6) },
    program: { surface: 'flat', plateC: 215, sides: [{ seconds: 25 }, { seconds: 25 }] },
    standard: COMMON_STANDARD,
  } satisfies BakeRequest;
  const cycle = (flame: 'medium-low' | 'medium' | 'high', gapS: number) =>
    finish(panOnBurner(asked, flame, gapS));

  test('gives what its flame gives, whatever the pan has: bare it climbs, under bread it falls', () => {
    const plate = plateOf(pan, 0.6);
    expect(plate.fixedWM2).toBe(12_500);
    const bare = warmUp(plate, 20, 200, 25, 30, 600);
    expect(bare.at(-1)!.tempC).toBeGreaterThan(300);
    const { plateC } = bakeWith(asked, [25, 25]);
    expect(plateC).toBeLessThan(200);
  });

  test('lands hotter with more flame and with more gap, and is colder under the bread than as a piece lands', () => {
    const [short, long] = [cycle('medium', 10), cycle('medium', 40)];
    expect(long.middle.landsC).toBeGreaterThan(short.middle.landsC + 5);
    expect(cycle('high', 10).middle.landsC).toBeGreaterThan(short.middle.landsC + 5);
    for (const { least, middle, most } of [short, long]) {
      expect(least.landsC).toBeLessThan(middle.landsC);
      expect(middle.landsC).toBeLessThanOrEqual(most.landsC);
      expect(middle.underC).toBeLessThan(middle.landsC);
    }
  });

  test('left alone too long it says that it runs away', () => {
    expect(cycle('high', 120).most.runsAway).toBe(true);
  });

  test('a thicker plate carries more heat sideways', () => {
    const [thin, thick] = [3, 12].map((thicknessMm) => plateOf({ ...pan, thicknessMm }, 0.5).lateralWM2K);
    expect(thick! / thin!).toBeCloseTo(4);
  });

  test('flour tans faster on a hotter plate: seconds as a rough thermometer, a range for each word', () => {
    for (const { fromC, toC } of HEAT_WORDS) expect(flourTansS(toC)).toBeLessThan(flourTansS(fromC));
    expect(said(heatSigns({ fromC: 185, toC: 210 }))).toMatch(
      /^185\s°C to 210\s°C: .*just begins to roll; .* in \d+ to \d+ s\.$/,
    );
  });
});

test('the same bread two ways: hotter is shorter, cooler longer, each with its pace', () => {
  const asked: BakeRequest = {
    setup: { ...setup, plateC: 215 },
    program: { surface: 'flat', plateC: 215, sides: [{ seconds: 25 }, { seconds: 25 }] },
    standard: COMMON_STANDARD,
  };
  const facts = { places: 6, pieceAreaM2: 0.03, plateAreaM2: 0.5, hands: USUAL_HANDS, gapS: 6 };
  const { hotter, cooler } = finish(twoWays(asked, facts));
  const total = (seconds: readonly number[]) => seconds.reduce((sum, s) => sum + s, 0);
  const here = total(solveTimes(asked).seconds);
  expect(total(hotter!.seconds)).toBeLessThan(here);
  expect(total(cooler!.seconds)).toBeGreaterThan(here);
  expect(hotter!.outcome.moisture).toBeGreaterThan(cooler!.outcome.moisture);
  expect(hotter!.piecesPerHour!).toBeGreaterThanOrEqual(cooler!.piecesPerHour!);
});
