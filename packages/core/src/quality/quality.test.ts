import { said } from '../test/said';
import fc from 'fast-check';
import { ballAdvice, ballSample } from './ballSample';
import { ZONE_RULES, chartConstants, controlChart } from './controlChart';
import { normalBelow, tQuantile } from './distributions';
import { learnMean, learnShare, learnSlope, learnSpread } from './learn';
import { sampleSize } from './sampleSize';

const standard = { targetG: 105, toleranceG: 3, costPerG: 0.001 };

describe('a sample of balls', () => {
  test('mean, spread, t interval, share outside and give-away', () => {
    const sample = ballSample([106, 104, 107, 105, 108], standard);
    expect(sample.meanG).toBeCloseTo(106, 9);
    expect(sample.sdG).toBeCloseTo(1.5811, 4);
    // t(0.975, 4) = 2.7764
    expect(sample.highG).toBeCloseTo(106 + (2.7764 * 1.5811) / Math.sqrt(5), 3);
    const outside = 1 - normalBelow(2 / 1.5811) + normalBelow(-4 / 1.5811);
    expect(sample.outShare).toBeCloseTo(outside, 3);
    expect(sample.giveAwayG).toBeCloseTo(1, 9);
    expect(sample.giveAwayPer100).toBeCloseTo(0.1, 9);
    expect(sample.cp).toBeCloseTo(3 / (3 * 1.5811), 4);
    expect(sample.cpk).toBeCloseTo(2 / (3 * 1.5811), 4);
  });

  test('one ball has a mean and nothing else', () => {
    expect(ballSample([104], standard)).toMatchObject({ meanG: 104, sdG: null, outShare: null, cp: null });
  });

  test.each<[string, number[], string, RegExp]>([
    ['steady and on target', [105, 104.6, 105.3, 105.1, 104.9], 'good', /go on/],
    ['steady and heavy', [107, 107.2, 106.9, 107.1, 107], 'aim', /^Cut 2\sg lighter.*aim is off/],
    ['steady and light', [103, 102.8, 103.1, 103, 103.1], 'aim', /^Cut 2\sg heavier/],
    ['wild about the target', [101, 109, 104, 107, 103], 'spread', /spread, not your aim/],
    ['wild and heavy', [110, 106, 113, 108, 112], 'both', /aim and spread are both off/],
    ['a single one', [105], 'more', /one more at least/],
  ])('%s', (_case, balls, about, words) => {
    const advice = ballAdvice(ballSample(balls, standard), standard);
    expect(advice.about).toBe(about);
    expect(said(advice.words)).toMatch(words);
  });

  test('how many to weigh: the least n with t·s/√n inside the wanted half-width', () => {
    const n = sampleSize(1.4, 1) ?? 0;
    const reach = (size: number) => (tQuantile(0.975, size - 1) * 1.4) / Math.sqrt(size);
    expect(reach(n)).toBeLessThanOrEqual(1);
    expect(reach(n - 1)).toBeGreaterThan(1);
    expect(sampleSize(10, 0.1)).toBeNull();
  });
});

describe('the X̄-R chart', () => {
  test('has the tabulated constants', () => {
    expect(chartConstants(5)).toEqual({ a2: 0.577, d3: 0, d4: 2.114 });
    expect(chartConstants(10)).toEqual({ a2: 0.308, d3: 0.223, d4: 1.777 });
    expect(() => chartConstants(11)).toThrow(RangeError);
  });

  test('limits are X̄ ± A2·R̄ and D3·R̄ to D4·R̄', () => {
    const chart = controlChart([
      [1, 2, 3, 4, 5],
      [2, 3, 4, 5, 6],
    ]);
    expect(chart.means).toEqual({ centre: 3.5, low: 3.5 - 0.577 * 4, high: 3.5 + 0.577 * 4 });
    expect(chart.ranges).toEqual({ centre: 4, low: 0, high: 4 * 2.114 });
    expect(() =>
      controlChart([
        [1, 2, 3],
        [1, 2],
      ]),
    ).toThrow('one size');
  });

  /** Groups of two with a range of one about given means, so that σ of a mean is 1.88 / 3. */
  const about = (means: readonly number[]) => controlChart(means.map((x) => [x - 0.5, x + 0.5]));
  const sigma = 1.88 / 3;
  const still = [0.1, -0.1, 0.1, -0.1, 0.1, -0.1, 0.1, -0.1, 0.1, -0.1, 0.1, -0.1];

  test('chance alone marks nothing', () => {
    expect(about(still).points.flatMap(({ rules }) => rules)).toEqual([]);
  });

  test.each<[keyof typeof ZONE_RULES, number[]]>([
    ['outside', [...still, ...still, 4 * sigma]],
    ['two of three', [...still, ...still, ...still, 2.6 * sigma, 0, 2.6 * sigma]],
    ['four of five', [...still, ...still, ...still, 1.5 * sigma, 1.5 * sigma, 0, 1.5 * sigma, 1.5 * sigma]],
    ['eight in a row', [...still, ...still, ...Array.from({ length: 8 }, () => 0.5 * sigma)]],
  ])('knows %s', (rule, means) => {
    expect(about(means).points.at(-1)?.rules).toContain(rule);
  });

  test('turned upside down it marks the same batches', () => {
    fc.assert(
      fc.property(
        fc.array(fc.array(fc.double({ min: -5, max: 5, noNaN: true }), { minLength: 4, maxLength: 4 }), {
          minLength: 3,
          maxLength: 20,
        }),
        (groups) => {
          const marks = (of: number[][]) => controlChart(of).points.map(({ rules }) => rules.length > 0);
          // Rounding may put a point on the other side of a limit that it lies on exactly.
          const apart = new Set(groups.map((group) => group.reduce((a, b) => a + b, 0).toFixed(6)));
          fc.pre(apart.size === groups.length);
          expect(marks(groups.map((group) => group.map((x) => -x)))).toEqual(marks(groups));
        },
      ),
    );
  });
});

describe('learning', () => {
  const prior = { mean: 0.01, sd: 0.006, noiseSd: 0.004, noiseWorth: 4 };

  test('without anything seen the prior stands; much that is seen takes over', () => {
    expect(learnMean([], prior).value).toBe(0.01);
    const many = Array.from({ length: 400 }, (_, index) => 0.03 + (index % 2 ? 0.001 : -0.001));
    const learned = learnMean(many, prior);
    expect(learned.value).toBeCloseTo(0.03, 4);
    expect(learned.high - learned.low).toBeLessThan(0.0005);
  });

  test('the value lies between prior and what was seen, inside of its interval', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 0.1, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (seen) => {
          const { value, low, high } = learnMean(seen, prior);
          const mean = seen.reduce((a, b) => a + b, 0) / seen.length;
          expect(value).toBeGreaterThanOrEqual(Math.min(mean, prior.mean) - 1e-12);
          expect(value).toBeLessThanOrEqual(Math.max(mean, prior.mean) + 1e-12);
          expect(low).toBeLessThanOrEqual(value);
          expect(high).toBeGreaterThanOrEqual(value);
        },
      ),
    );
  });

  test('a spread is pooled over groups with different means', () => {
    const learned = learnSpread([[1, 3], [101, 103], [7]]);
    expect(learned).toMatchObject({ n: 2 });
    expect(learned?.value).toBeCloseTo(Math.SQRT2, 9);
    // χ²(0.95, 2) = 5.9915, χ²(0.05, 2) = 0.1026
    expect(learned?.low).toBeCloseTo(Math.sqrt(4 / 5.9915), 3);
    expect(learned?.high).toBeCloseTo(Math.sqrt(4 / 0.1026), 2);
    expect(learnSpread([[1], [2]])).toBeNull();
  });

  test('a slope has the interval of the textbook, a straight line none', () => {
    expect(learnSlope([0, 1, 2, 3].map((x) => ({ x, y: 2 * x + 1 })))).toMatchObject({
      value: 2,
      low: 2,
      high: 2,
    });
    // s² = 0.8/2, Sxx = 5, t(0.95, 2) = 2.92
    const learned = learnSlope([1, 3, 2, 4].map((y, x) => ({ x, y })));
    expect(learned?.value).toBeCloseTo(0.8, 9);
    expect((learned?.high ?? 0) - 0.8).toBeCloseTo(2.92 * Math.sqrt(1.8 / 2 / 5), 2);
    expect(
      learnSlope([
        { x: 1, y: 1 },
        { x: 1, y: 2 },
        { x: 1, y: 3 },
      ]),
    ).toBeNull();
  });

  test('a share starts from its prior and follows the counts', () => {
    expect(learnShare([], { hit: 1, miss: 30 }).value).toBeCloseTo(1 / 31, 9);
    const { value, low, high } = learnShare([{ of: 1000, hit: 100 }], { hit: 1, miss: 30 });
    expect(value).toBeCloseTo(101 / 1031, 9);
    expect(low).toBeGreaterThan(0.08);
    expect(high).toBeLessThan(0.12);
  });
});
