import { kitchen, request } from '../test/examples';
import { planBatch } from './planBatch';
import { planHash } from './planHash';

const plan = planBatch(request());

test('one plan has one hash, through JSON and whatever the order of its keys', () => {
  const read = JSON.parse(JSON.stringify(plan)) as typeof plan;
  const turned = Object.fromEntries(Object.entries(read).reverse()) as typeof plan;
  expect(planHash(plan)).toMatch(/^[0-9a-f]{8}$/);
  expect(planHash(turned)).toBe(planHash(plan));
});

test('the last digit of an engine makes no other plan, a gram does', () => {
  expect(planHash({ ...plan, doughG: plan.doughG * (1 + 1e-13) })).toBe(planHash(plan));
  expect(planHash({ ...plan, doughG: plan.doughG + 1 })).not.toBe(planHash(plan));
});

test.each([
  ['a loss of the kitchen', request({ kitchen: { ...kitchen, bowlLoss: kitchen.bowlLoss + 0.005 } })],
  ['a piece more', request({ need: { by: 'pieces', pieces: plan.pieces + 1, ballG: plan.ballG } })],
])('%s is another plan', (_what, changed) => {
  expect(planHash(planBatch(changed))).not.toBe(planHash(plan));
});
