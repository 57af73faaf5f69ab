import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { foldBatch } from '@kettle-scale/core/batch';
import { planBatch } from '@kettle-scale/core/plan';
import { openRandom } from '../random';
import { demoFormulas } from '../kitchen/demoFormulas';
import { simulateBatch } from './simulateBatch';

const [formula] = demoFormulas();
if (!formula) throw new Error('the demo has no formulas');
const plan = planBatch({ formula, need: { by: 'pieces', pieces: 12, ballG: 95 }, kitchen: DEFAULT_KITCHEN });
const steady = { weighingSdSteps: 0.5, overPour: 0, rejects: 0 };
const simulate = (seed: number, cook = steady) => simulateBatch(plan, 0, cook, openRandom(seed), '');

test('one seed tells one story, another seed another', () => {
  expect(simulate(1)).toEqual(simulate(1));
  expect(simulate(2)).not.toEqual(simulate(1));
});

test('time only moves forward, and every id is its own', () => {
  const events = simulate(3);
  const times = events.map(({ at }) => Date.parse(at));
  expect(times).toEqual([...times].sort((a, b) => a - b));
  expect(new Set(events.map(({ id }) => id)).size).toBe(events.length);
});

test('a cook who pours too much lets the batch follow, and tops up', () => {
  const events = simulate(4, { ...steady, overPour: 1 });
  expect(events.filter(({ type }) => type === 'rescaled')).toHaveLength(1);
  const state = foldBatch(plan, events);
  expect(state.bowls[0]?.factor).toBeGreaterThan(1.02);
  expect(state.status).toBe('finished');
  for (const line of state.bowls[0]?.lines ?? []) expect(line.weighedG).not.toBeNull();
});

test('rejects come at the rate that was asked for', () => {
  const good = Array.from({ length: 40 }, (_, seed) => {
    const { finished } = foldBatch(plan, simulate(seed, { ...steady, rejects: 0.25 }));
    return (finished?.good ?? 0) / (finished?.pieces ?? 1);
  });
  const mean = good.reduce((sum, share) => sum + share, 0) / good.length;
  expect(mean).toBeGreaterThan(0.68);
  expect(mean).toBeLessThan(0.82);
});

test('normal numbers have the mean and spread that was asked for', () => {
  const random = openRandom(5);
  const sample = Array.from({ length: 4000 }, () => random.normal(10, 2));
  const mean = sample.reduce((sum, x) => sum + x, 0) / sample.length;
  const sd = Math.sqrt(sample.reduce((sum, x) => sum + (x - mean) ** 2, 0) / sample.length);
  expect(mean).toBeCloseTo(10, 0);
  expect(Math.abs(sd - 2)).toBeLessThan(0.1);
});
