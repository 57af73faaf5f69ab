import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { weighOnce } from '../ingredient/weighOnce';
import { exactly } from '../quantity/interval';
import { hydrationSpread, massOfMeasure } from './hydrationSpread';

const food = (id: string): Ingredient => {
  const found = CATALOGUE.find((entry) => entry.id === id);
  if (!found) throw new Error(id);
  return found;
};
const CUP_ML = 236.588;
const cups = (count: number, low: number, typical: number, high: number) => ({
  low: count * CUP_ML * low,
  typical: count * CUP_ML * typical,
  high: count * CUP_ML * high,
});
const flour = { id: 'flour', food: food('flour-plain'), mass: cups(3, 0.56, 0.6, 0.64) };
const water = { id: 'water', food: food('water'), mass: exactly(240) };

describe('how far a cup is off', () => {
  test('3 cups of scooped flour with 240 g water: 56.4 % (52.8-60.4)', () => {
    const { hydration, worst, causes } = hydrationSpread([flour, water]);
    expect(hydration.typical).toBeCloseTo(0.564, 3);
    expect(hydration.low).toBeCloseTo(0.528, 3);
    expect(hydration.high).toBeCloseTo(0.604, 3);
    expect(worst.low).toBeCloseTo(hydration.low, 12);
    expect(worst.high).toBeCloseTo(hydration.high, 12);
    expect(causes).toEqual([expect.objectContaining({ id: 'flour', share: 1 })]);
  });

  test('two uncertain lines add in quadrature, stay within the worst, and the larger cause comes first', () => {
    const loose = { ...water, mass: { low: 235, typical: 240, high: 245 } };
    const { hydration, worst, causes } = hydrationSpread([flour, loose]);
    expect(causes.map(({ id }) => id)).toEqual(['flour', 'water']);
    expect(causes.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(hydration.low).toBeLessThan(0.528);
    expect(worst.low).toBeLessThan(hydration.low);
    expect(worst.high).toBeGreaterThan(hydration.high);
  });

  test('everything weighed: no spread, no cause', () => {
    const { hydration, causes } = hydrationSpread([{ ...flour, mass: exactly(400) }, water]);
    expect(hydration).toEqual({ low: 0.6, typical: 0.6, high: 0.6 });
    expect(causes).toEqual([]);
  });
});

describe('the kitchen weighs its own cup', () => {
  const measure = { text: '3 cups, scooped', fill: 'scooped', gMl: 0.6 } as const;
  const mass = 3 * CUP_ML * 0.6;

  test('one weighing replaces the guess: the typical moves, the interval narrows', () => {
    const own = weighOnce(food('flour-plain'), 'scooped', { massG: 150, ml: CUP_ML, on: '2026-03-04' });
    const before = massOfMeasure(food('flour-plain'), mass, measure);
    const after = massOfMeasure(own, mass, measure);
    expect(before.low).toBeCloseTo(3 * CUP_ML * 0.56, 6);
    expect(after.typical).toBeCloseTo(450, 6);
    expect(after.high - after.low).toBeLessThan((before.high - before.low) / 3);
    expect(own.densities?.filter(({ fill }) => fill === 'scooped')).toHaveLength(1);
    expect(own.densities).toHaveLength(4);
  });

  test('pieces have their own spread; a weight has none', () => {
    const clove = massOfMeasure(food('garlic'), 10, { text: '2 cloves', piece: 'clove', gEach: 5 });
    expect(clove).toEqual({ low: 6, typical: 10, high: 16 });
    expect(massOfMeasure(food('garlic'), 10, undefined)).toEqual(exactly(10));
  });

  test.each([
    [0, /Weigh the filled measure/],
    [-5, /Weigh the filled measure/],
    [700, /far from the usual 132\sg to 151\sg/],
    [30, /far from the usual/],
  ])('%s g in a cup gets a sentence', (massG, sentence) => {
    expect(() => weighOnce(food('flour-plain'), 'scooped', { massG, ml: CUP_ML, on: '2026-03-04' })).toThrow(
      sentence,
    );
  });
});
