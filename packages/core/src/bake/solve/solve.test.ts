import type { BakeProgram } from '../../formula/methodSchema';
import { type BakeRequest, bakeWith } from './bakeRequest';
import { BASE_CASE, bruteShare } from '@kettle-scale/simulation';
import { robustTimes } from './robust';
import { solve, solveTimes } from './solve';
import { limitWords, reachWords, sensitivityWords, troubleWords, wayOutWords } from './solveText';
import { evenDraws, USUAL_SPREADS } from './spreads';
import { COMMON_STANDARD, isGood, judge, standardOf } from './standard';
import { heatFor, sensitivities, thicknessFor, waysOut } from './waysRound';
import { CODES, computeWindow, finish } from './window';

const ONE_FLIP: BakeProgram = { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 25 }] };
const { stages: _stages, ...setup } = BASE_CASE;
const request = (plateC = 230, thicknessMm = 2, program = ONE_FLIP): BakeRequest => ({
  setup: { ...setup, plateC, thicknessMm },
  program,
  standard: COMMON_STANDARD,
});

describe('seconds per side', () => {
  /** First side, least and most of the second, from a solver with steps twice as long: hence two seconds either way. */
  test.each([
    [2, 190, 51, 40, 49],
    [2, 210, 32, 25, 52],
    [2, 220, 27, 20, 46],
    [2, 230, 23, 17, 37],
    [2, 240, 21, 16, 30],
    [1.5, 230, 23, 17, 24],
    [1.25, 260, 15, 11, 15],
    [2.5, 200, 40, 31, 77],
    [3, 190, 52, 40, 104],
    [5, 200, 86, 35, 81],
  ])('%d mm at %d °C: %d s, then %d to %d s', (mm, plateC, first, least, most) => {
    const solution = solve(request(plateC, mm));
    expect(solution.good).toBe(true);
    expect(Math.abs(solution.least[0]! - first)).toBeLessThanOrEqual(2);
    expect(Math.abs(solution.least[1]! - least)).toBeLessThanOrEqual(2);
    expect(Math.abs(solution.most[1]! - most)).toBeLessThanOrEqual(2);
    expect(isGood(judge(solution.outcome, COMMON_STANDARD))).toBe(true);
  });

  test.each([
    [1, 230, 'dries first'],
    [2, 170, 'dries first'],
    [3, 275, 'burns first'],
    [5, 170, 'middle stays raw'],
  ] as const)('%d mm at %d °C: %s', (mm, plateC, trouble) => {
    const solution = solve(request(plateC, mm));
    expect(solution.good).toBe(false);
    expect(solution.trouble).toBe(trouble);
    expect(troubleWords(trouble)).toMatch(/^No good bread here: /);
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
    const words = sensitivities(base, solution).map(sensitivityWords);
    expect(words[0]).toMatch(/^10 °C hotter: \d s less on the first side, \d s less on the second side\.$/);
    expect(limitWords(solution)).toContain('browning comes last, and any longer and it chars.');
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
      coverAim: 28,
      puffLeast: 1,
      moistureLeast: 8,
    });
  });
});

describe('the other ways round', () => {
  test('the heat for given seconds, and the thickness, with what lies beyond their ends', () => {
    const heat = heatFor(request(), [25, 25]);
    expect(Math.abs(heat.least! - 225)).toBeLessThanOrEqual(2);
    expect(Math.abs(heat.most! - 251)).toBeLessThanOrEqual(2);
    expect(reachWords(heat, '°C')).toMatch(
      /^Below 22\d °C the first side stays pale, above 25\d °C it chars\.$/,
    );
    const thickness = thicknessFor(request(), [25, 25]);
    expect(reachWords(thickness, 'mm')).toMatch(/^Thicker than 2\.\d mm .*, thinner than 1\.\d mm it dries/);
    for (const plateC of [heat.advised!]) {
      expect(judge(bakeWith(request(plateC), [25, 25]), COMMON_STANDARD)).toEqual({ short: [], over: [] });
    }
    expect(reachWords(heatFor(request(), [8, 120]), '°C')).toMatch(/^No heat suits these seconds/);
  });

  test('where there is no good bread it says what to change', () => {
    const ways = waysOut(request(230, 1));
    expect(ways.map(({ what }) => what)).toEqual(expect.arrayContaining(['thickness', 'crisper']));
    for (const way of ways) expect(wayOutWords(way)).toMatch(/it works: \d+ s \+ \d+ s\.$/);
    const thicker = ways.find(({ what }) => what === 'thickness')!;
    expect(solve(request(230, thicker.value)).good).toBe(true);
  });
});

test('the window refines its edges only, and agrees with solving each place', () => {
  const window = finish(computeWindow(request()));
  expect(window.codes).toHaveLength(48 * 32);
  expect(window.solved).toBeLessThan(600);
  let wrong = 0;
  for (let r = 1; r < 32; r += 6) {
    for (let c = 1; c < 48; c += 6) {
      const place = request(window.heatsC[c]!, window.thicknessesMm[r]!);
      const solution = solveTimes(place, true);
      const at = r * 48 + c;
      if (CODES[window.codes[at]!] !== (solution.trouble ?? 'good')) wrong += 1;
      else if (solution.good) expect(Math.abs(window.firstS[at]! - solution.least[0]!)).toBeLessThan(5);
    }
  }
  expect(wrong).toBeLessThanOrEqual(2);
});

describe('robust times', () => {
  test.each([
    [230, 2],
    [190, 3],
  ])(
    'at %d °C and %d mm keep more pieces than the mean piece’s times, as baking them one by one shows',
    (plateC, mm) => {
      const asked = request(plateC, mm);
      const { seconds } = solveTimes(asked);
      const robust = finish(robustTimes(asked, USUAL_SPREADS, seconds));
      expect(robust.share).toBeGreaterThan(robust.givenShare + 0.1);
      const draws = evenDraws(150);
      expect(Math.abs(bruteShare(asked, USUAL_SPREADS, robust.seconds, draws) - robust.share)).toBeLessThan(
        0.04,
      );
      expect(Math.abs(bruteShare(asked, USUAL_SPREADS, seconds, draws) - robust.givenShare)).toBeLessThan(
        0.05,
      );
    },
  );

  test('several flips are stretched together', () => {
    const program: BakeProgram = {
      surface: 'flat',
      plateC: 190,
      sides: [60, 60, 60].map((seconds) => ({ seconds })),
    };
    const asked = request(190, 4, program);
    const robust = finish(robustTimes(asked, USUAL_SPREADS, solveTimes(asked).seconds, 500));
    expect(robust.share).toBeGreaterThanOrEqual(robust.givenShare);
    const share = bruteShare(asked, USUAL_SPREADS, robust.seconds, evenDraws(60));
    expect(Math.abs(share - robust.share)).toBeLessThan(0.1);
  });
});
