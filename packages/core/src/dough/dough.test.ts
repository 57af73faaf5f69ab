import fc from 'fast-check';
import { CATALOGUE } from '../ingredient/catalogue';
import {
  FEELS,
  bowlSurfaceM2,
  coolingS,
  correctFeel,
  equilibriumMoisture,
  heatOfDegree,
  heatPart,
  hydrationAtMoisture,
  learnLotOffset,
  minutesToAge,
  mixedTemperature,
  newLotOffset,
  nextBatchReach,
  relaxationFromDisc,
  relaxationMin,
  restFor,
  springBackAfter,
  spreadSurfaceM2,
  storedMoisture,
  warmUpS,
  warmingBall,
  waterForDough,
} from '.';

const food = (id: string) => {
  const found = CATALOGUE.find((candidate) => candidate.id === id);
  if (!found) throw new Error(id);
  return found;
};
const part = (id: string, kg: number, tempC: number) => heatPart(food(id), kg * 1000, tempC);

describe('flour moisture', () => {
  test.each([
    [25, 0.2, 0.0751],
    [25, 0.3, 0.0907],
    [25, 0.5, 0.1177],
    [25, 0.6, 0.1309],
    [25, 0.7, 0.1452],
    [25, 0.8, 0.1616],
    [15, 0.6, 0.1377],
    [35, 0.6, 0.1252],
  ])('flour in air of %d °C and %d humidity settles at %d', (tempC, humidity, moisture) => {
    expect(equilibriumMoisture(tempC, humidity)).toBeCloseTo(moisture, 4);
  });

  test.each([
    [0.09, 0.6401],
    [0.12, 0.586],
    [0.14, 0.55],
    [0.15, 0.532],
  ])('a formula of 55 %% wants, at %d moisture, a hydration of %d', (moisture, hydration) => {
    expect(hydrationAtMoisture(0.55, moisture)).toBeCloseTo(hydration, 4);
  });

  test('a point of moisture is 1.8 points of water', () => {
    expect(hydrationAtMoisture(0.55, 0.13) - hydrationAtMoisture(0.55, 0.14)).toBeCloseTo(0.018, 3);
  });

  test('an open bin follows in days, a closed bag in weeks', () => {
    const after = (days: number, how: 'open' | 'closed') => storedMoisture(0.14, 0.1, days, how);
    expect(after(4, 'open')).toBeCloseTo(0.1 + 0.04 / Math.E, 6);
    expect(after(30, 'closed')).toBeCloseTo(after(4, 'open'), 6);
    expect(after(0, 'open')).toBe(0.14);
  });
});

describe('the offset of a flour lot', () => {
  test('starts wide and narrows as one over the root of the batches', () => {
    expect(learnLotOffset([])).toEqual(newLotOffset());
    const four = learnLotOffset([2, 1.5, 2.5, 2]);
    // Prior weight 1/4, data weight 4: mean 8/4.25, sd √(1/4.25).
    expect(four.meanPoints).toBeCloseTo(8 / 4.25, 9);
    expect(four.sdPoints).toBeCloseTo(Math.sqrt(1 / 4.25), 9);
    expect(nextBatchReach(newLotOffset())).toBeCloseTo(1.6449 * Math.sqrt(5), 3);
  });

  test('after ten batches their own spread counts', () => {
    const steady = learnLotOffset([1, 1.2, 0.8, 1, 1.1, 0.9, 1, 1.2, 0.8, 1]);
    expect(steady.noisePoints).toBeLessThan(0.31);
    expect(steady.sdPoints).toBeLessThan(0.1);
  });

  test('an unknown lot is taken for the kitchen’s mean lot', () => {
    expect(learnLotOffset([], 1.4)).toMatchObject({ meanPoints: 1.4, sdPoints: 2 });
  });

  test('ninety of a hundred next batches fall within its reach', () => {
    let inside = 0;
    const draws = 2000;
    let seed = 7;
    const uniform = () => (seed = (seed * 48271) % 2147483647) / 2147483647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    for (let i = 0; i < draws; i += 1) {
      const truth = 2 * normal();
      const lot = learnLotOffset([truth + normal(), truth + normal(), truth + normal()]);
      if (Math.abs(truth + normal() - lot.meanPoints) <= nextBatchReach(lot)) inside += 1;
    }
    expect(inside / draws).toBeGreaterThan(0.88);
    expect(inside / draws).toBeLessThan(0.92);
  });
});

describe('the heat of a dough', () => {
  const dry = [part('flour-strong', 10, 22), part('oil-rapeseed', 1.1, 22), part('salt-fine', 0.2, 22)];
  const ask = (wantedC: number, changes: object = {}) =>
    waterForDough({
      dry,
      liquidG: 5400,
      liquidHeatKJKgK: 4.18,
      wantedC,
      extraKJ: 0,
      comesAtC: 15,
      isWater: true,
      ...changes,
    });

  test('10 kg of flour at 22 °C wants 5.4 kg of water at 37.04 °C for a dough of 30 °C', () => {
    expect(ask(30)).toMatchObject({ liquidC: expect.closeTo(37.04, 2), reachable: true, ice: null });
  });

  test('a boiling-water dough comes out at 63.01 °C', () => {
    const parts = [part('flour-strong', 10, 22), part('oil-rapeseed', 1, 22), part('water', 5.8, 96)];
    expect(mixedTemperature(parts)).toBeCloseTo(63.01, 2);
  });

  test('what is mixed at the answer comes out as wanted, with melting fat and a warm mixer too', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 24, max: 38, noNaN: true }),
        fc.double({ min: 0, max: 60, noNaN: true }),
        (wantedC, extraKJ) => {
          const withLard = [...dry, part('lard', 1.2, 8)];
          const { liquidC } = waterForDough({
            dry: withLard,
            liquidG: 5400,
            liquidHeatKJKgK: 4.18,
            wantedC,
            extraKJ,
            comesAtC: 15,
            isWater: true,
          });
          expect(mixedTemperature([...withLard, part('water', 5.4, liquidC)], extraKJ)).toBeCloseTo(
            wantedC,
            6,
          );
        },
      ),
    );
  });

  test('lard that melts costs heat', () => {
    const lard = (at: number) =>
      waterForDough({
        dry: [...dry, part('lard', 1, 20)],
        liquidG: 5400,
        liquidHeatKJKgK: 4.18,
        wantedC: at,
        extraKJ: 0,
        comesAtC: 15,
        isWater: true,
      }).liquidC;
    // From 20 to 31 °C half of 70 kJ melts, besides 2 kJ a degree.
    expect(lard(31) - ask(31).liquidC).toBeCloseTo((35 + 2 * 11) / (5.4 * 4.18), 6);
  });

  test('a hot day needs ice, and the ice takes up just the heat', () => {
    const hot = [part('flour-strong', 10, 34)];
    const answer = ask(18, { dry: hot, extraKJ: 160, comesAtC: 22 });
    expect(answer.liquidC).toBeLessThan(0);
    const { iceG = 0, liquidG = 0 } = answer.ice ?? {};
    expect(iceG + liquidG).toBeCloseTo(5400, 6);
    const takenKJ = (iceG / 1000) * (334 + 4.18 * 18) + (liquidG / 1000) * 4.18 * (18 - 22);
    expect(takenKJ).toBeCloseTo(10 * 1.75 * (34 - 18) + 160, 6);
  });

  test('what no water can do is said, with what can be reached', () => {
    const frozen = ask(45, { dry: [part('flour-strong', 10, -5)], liquidG: 1000 });
    expect(frozen).toMatchObject({ reachable: false, ice: null });
    expect(frozen.bestDoughC).toBeLessThan(45);
    // Flour that warm makes the same water, at 100 °C, enough.
    const warm = ask(45, { dry: [part('flour-strong', 10, frozen.dryC ?? 0)], liquidG: 1000 });
    expect(warm.liquidC).toBeCloseTo(100, 6);
  });

  test('hot dough cools to the hand by the lumped law; spread out it is quicker', () => {
    const parts = [part('flour-strong', 10, 22), part('oil-rapeseed', 1, 22), part('water', 5.8, 96)];
    const question = { fromC: 63.01, toC: 45, airC: 24, heatKJK: heatOfDegree(parts) };
    const inBowl = coolingS({ ...question, surfaceM2: bowlSurfaceM2(450) });
    const hA = 12 * (Math.PI / 4) * 0.45 ** 2;
    expect(24 + (63.01 - 24) * Math.exp((-inBowl * hA) / (question.heatKJK * 1000))).toBeCloseTo(45, 6);
    expect(coolingS({ ...question, surfaceM2: spreadSurfaceM2(16_800, 1.15, 20) })).toBeLessThan(inBowl / 3);
    expect(coolingS({ ...question, fromC: 40, surfaceM2: 1 })).toBe(0);
    expect(coolingS({ ...question, airC: 45, surfaceM2: 1 })).toBe(Infinity);
  });
});

describe('feel', () => {
  const ask = (feel: (typeof FEELS)[number], stillDrinking = false) =>
    correctFeel({
      feel,
      flourG: 1000,
      hydration: 0.55,
      topped: [{ lineId: 'salt', name: 'Salt', fraction: 0.02 }],
      stillDrinking,
    });

  test('a step of dryness is 1.5 % of the flour as water, no more than 0.7 % at once', () => {
    expect(ask('right')).toMatchObject({ kind: 'none', massG: 0 });
    expect(ask('a bit dry')).toMatchObject({ kind: 'water', massG: 15, additions: 3, additionG: 5 });
    expect(ask('crumbly')).toMatchObject({ kind: 'water', massG: 45, additions: 7 });
  });

  test('flour against wetness restores the hydration, and the salt goes with it', () => {
    const { massG, topUps } = ask('sticky');
    const wetG = 1000 * (0.55 + 2 * 0.015);
    expect(wetG / (1000 + massG)).toBeCloseTo(0.55, 9);
    expect(topUps[0]?.massG).toBeCloseTo(0.02 * massG, 9);
    expect(topUps[0]?.fractionWithout).toBeCloseTo(20 / (1000 + massG), 9);
  });

  test('a dough a bit tacky that still drinks is left alone first', () => {
    expect(ask('a bit tacky', true).waitFirst).toBe(true);
    expect(ask('a bit tacky').waitFirst).toBe(false);
    expect(ask('batter', true).waitFirst).toBe(false);
  });
});

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
