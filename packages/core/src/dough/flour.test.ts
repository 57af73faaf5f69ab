import { equilibriumMoisture, hydrationAtMoisture, storedMoisture } from './flourMoisture';
import { learnLotOffset, newLotOffset, nextBatchReach } from '../flourLot/lotOffset';

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
