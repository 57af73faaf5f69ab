import { said } from '../../test/said';
import type { BakeProgram } from '../../formula/methodSchema';
import { type BakeRequest, bakeWith } from './bakeRequest';
import { BASE_CASE, bruteShare } from '@kettle-scale/simulation';
import { robustTimes } from './robust';
import { solve, solveTimes } from './solve';
import { solveOneFlip } from './solveOneFlip';
import { reachWords, wayOutWords } from './solveText';
import { evenDraws, USUAL_SPREADS } from './spreads';
import { COMMON_STANDARD, judge } from './standard';
import { heatFor, thicknessFor, waysOut } from './waysRound';
import { CODES, computeWindow, finish } from './window';

const ONE_FLIP: BakeProgram = { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 25 }] };
const { stages: _stages, ...setup } = BASE_CASE;
const request = (plateC = 230, thicknessMm = 2, program = ONE_FLIP): BakeRequest => ({
  setup: { ...setup, plateC, thicknessMm },
  program,
  standard: COMMON_STANDARD,
});

describe('the other ways round', () => {
  test('the heat for given seconds, and the thickness, with what lies beyond their ends', () => {
    const heat = heatFor(request(), [25, 25]);
    expect(Math.abs(heat.least! - 225)).toBeLessThanOrEqual(2);
    expect(Math.abs(heat.most! - 251)).toBeLessThanOrEqual(2);
    expect(said(reachWords(heat, 'heat'))).toMatch(
      /^Below 22\d\s°C the first side stays pale, above 25\d\s°C it chars\.$/,
    );
    const thickness = thicknessFor(request(), [25, 25]);
    expect(said(reachWords(thickness, 'thickness'))).toMatch(
      /^Thicker than 2\.\d\d?\smm .*, thinner than 1\.\d\d?\smm it dries/,
    );
    for (const plateC of [heat.advised!]) {
      expect(judge(bakeWith(request(plateC), [25, 25]), COMMON_STANDARD)).toEqual({ short: [], over: [] });
    }
    expect(said(reachWords(heatFor(request(), [8, 120]), 'heat'))).toMatch(/^No heat suits these seconds/);
  });

  test('where there is no good bread it says what to change', () => {
    const ways = finish(waysOut(request(230, 1)));
    expect(ways.map(({ what }) => what)).toEqual(expect.arrayContaining(['thickness', 'crisper']));
    for (const way of ways) expect(said(wayOutWords(way))).toMatch(/it works: \d+ s \+ \d+ s\.$/);
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
      else if (solution.good) expect(Math.abs(window.firstS[at]! / solution.least[0]! - 1)).toBeLessThan(0.1);
    }
  }
  expect(wrong).toBeLessThanOrEqual(2);
});

describe('robust times', () => {
  test.each([
    [230, 2],
    [190, 3],
    [214, 3.35],
  ])(
    'at %d °C and %d mm keep more pieces than the earliest and no fewer than the middle of the ranges, as baking them one by one shows',
    (plateC, mm) => {
      const asked = request(plateC, mm);
      const advised = solveTimes(asked).seconds;
      const { least: earliest } = solveOneFlip(asked);
      const robust = finish(robustTimes(asked, USUAL_SPREADS, earliest));
      expect(robust.share).toBeGreaterThan(robust.givenShare + 0.1);
      const draws = evenDraws(400);
      const oneByOne = (seconds: readonly number[]) => bruteShare(asked, USUAL_SPREADS, seconds, draws);
      expect(Math.abs(oneByOne(robust.seconds) - robust.share)).toBeLessThan(0.04);
      expect(Math.abs(oneByOne(earliest) - robust.givenShare)).toBeLessThan(0.05);
      expect(robust.share).toBeGreaterThan(oneByOne(advised) - 0.02);
      expect(robust.share + robust.lost.under + robust.lost.over).toBeCloseTo(1, 9);
    },
  );

  test('several flips are stretched together', () => {
    const program: BakeProgram = {
      surface: 'flat',
      plateC: 190,
      sides: [60, 60, 60].map((seconds) => ({ seconds })),
    };
    const asked = request(190, 4, program);
    const robust = finish(robustTimes(asked, USUAL_SPREADS, solveTimes(asked).seconds));
    expect(robust.share).toBeGreaterThanOrEqual(robust.givenShare);
    const share = bruteShare(asked, USUAL_SPREADS, robust.seconds, evenDraws(60));
    expect(Math.abs(share - robust.share)).toBeLessThan(0.1);
  });
});
