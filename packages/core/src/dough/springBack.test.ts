import fc from 'fast-check';
import { minutesToAge, relaxationFromDisc, relaxationMin, restFor, springBackAfter } from './springBack';
import { warmUpS, warmingBall } from './ballWarmUp';

describe('spring-back', () => {
  test.each([
    [8, 17.6],
    [12, 26.4],
    [20, 43.9],
  ])('with a time constant of %d min, 6 %% is reached after %d min', (tau, minutes) => {
    expect(restFor(0.06, tau)).toBeCloseTo(minutes, 1);
  });

  test('rest and spring-back are inverse', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.045, max: 0.21, noNaN: true }),
        fc.double({ min: 3, max: 60, noNaN: true }),
        (s, tau) => {
          expect(springBackAfter(restFor(s, tau), tau)).toBeCloseTo(s, 9);
        },
      ),
    );
    expect(restFor(0.04, 12)).toBe(Infinity);
    expect(restFor(0.3, 12)).toBe(0);
  });

  test('cold dough takes longer, a light or fat one less', () => {
    const base = { tempC: 25, fat: 0, lightlyKneaded: false };
    expect(relaxationMin(base)).toBe(12);
    expect(relaxationMin({ ...base, tempC: 13 })).toBe(24);
    expect(relaxationMin({ ...base, lightlyKneaded: true })).toBeCloseTo(8.4, 9);
    expect(relaxationMin({ ...base, fat: 0.1 })).toBeCloseTo(10.2, 9);
  });

  test('a measured disc gives its time constant back', () => {
    const relaxedMm = 300 * (1 - springBackAfter(20, 17));
    expect(relaxationFromDisc(300, relaxedMm, 20)).toBeCloseTo(17, 6);
    expect(relaxationFromDisc(300, 299, 20)).toBe(2);
  });
});

describe('cold balls', () => {
  test.each([
    [10, 5.46],
    [20, 8.85],
    [30, 11.77],
    [45, 15.14],
    [60, 17.58],
  ])('after %d min at 24 °C the centre of a 60 g ball from 4 °C is %d °C', (minutes, tempC) => {
    expect(warmingBall(60, 4, 24).centreC(minutes * 60)).toBeCloseTo(tempC, 1);
  });

  test('the time to a temperature is the inverse, and the centre lags the mean', () => {
    const ball = warmingBall(110, 4, 24);
    const seconds = warmUpS(110, 4, 24, 18);
    expect(ball.centreC(seconds)).toBeCloseTo(18, 4);
    expect(ball.meanC(seconds)).toBeGreaterThan(18);
    expect(ball.centreC(0)).toBe(4);
    expect(warmUpS(60, 20, 24, 18)).toBe(0);
    expect(warmUpS(60, 4, 16, 18)).toBe(Infinity);
  });

  test('rest counts less while the ball is cold', () => {
    const kind = { fat: 0, lightlyKneaded: false };
    expect(minutesToAge(restFor(0.06, 1), kind, () => 25)).toBeCloseTo(restFor(0.06, 12), 0);
    const ball = warmingBall(60, 4, 24);
    const cold = minutesToAge(restFor(0.06, 1), kind, (minute) => ball.meanC(minute * 60));
    expect(cold).toBeGreaterThan(restFor(0.06, 12) + 10);
    expect(cold).toBeLessThan(90);
  });
});
