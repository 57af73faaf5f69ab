import fc from 'fast-check';
import { CATALOGUE } from '../ingredient/catalogue';
import { bowlSurfaceM2, coolingS, spreadSurfaceM2 } from './cooling';
import { heatOfDegree, heatPart, mixedTemperature, waterForDough } from './heatBalance';

const food = (id: string) => {
  const found = CATALOGUE.find((candidate) => candidate.id === id);
  if (!found) throw new Error(id);
  return found;
};
const part = (id: string, kg: number, tempC: number) => heatPart(food(id), kg * 1000, tempC);

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
