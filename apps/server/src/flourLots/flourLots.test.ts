import type { Batch } from '@kettle-scale/core/batch';
import type { LotState } from '@kettle-scale/core/flourLot';
import { ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { etagOf } from '../http/versioned';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';

const LOT = {
  id: 'quay-20',
  ingredient: 'flour-strong',
  name: 'Quay mill 20',
  receivedOn: '2026-03-01',
  bagKg: 25,
  bags: 2,
};

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
});
afterEach(() => kitchen.close());

const receive = async (changes: object = {}, tag?: string): Promise<LotState> =>
  (
    await kitchen.api
      .put('/api/v1/flour-lots/quay-20')
      .set(tag ? { 'if-match': tag } : {})
      .send({ ...LOT, ...changes })
      .expect(200)
  ).body as LotState;
const lot = async (): Promise<LotState> =>
  ((await kitchen.api.get('/api/v1/flour-lots').expect(200)).body as LotState[])[0] as LotState;

test('a lot is received, drawn from by each batch, counted, and learned from', async () => {
  expect(await receive()).toMatchObject({
    boughtG: 50_000,
    leftG: 50_000,
    offset: { meanPoints: 0, sdPoints: 2 },
  });
  const start = batchStart({ flourLotId: 'quay-20', conditions: ORDINARY_DAY });
  const { plan, id } = (await kitchen.api.post('/api/v1/batches').send(start).expect(201)).body as Batch;
  expect(plan.today?.conditions.lot).toMatchObject({ id: 'quay-20', days: 3 });
  const strong = plan.sheet.find(({ lineId }) => lineId === 'strong')?.massG ?? 0;
  expect((await lot()).usedG).toBeCloseTo(strong, 6);

  // Everything as asked, all of the hold-back and 30 g on top: judged right.
  for (const { lineId, massG, startG = massG } of plan.sheet) {
    await tell({ type: 'weighed', stepId: `weigh-1-${lineId}`, massG: startG });
  }
  const held = plan.holdBack?.massG ?? 0;
  await tell({ type: 'added', stepId: 'mix-1', lineId: 'water', massG: held + 30, why: 'hold-back' });
  await tell({ type: 'done', stepId: 'mix-1' });
  await tell({ type: 'felt', stepId: 'knead-1', feel: 'right' });
  await tell({ type: 'done', stepId: 'knead-1' });
  await tell({ type: 'finished', pieces: 24, good: 24 });
  const learned = await lot();
  const points = 100 * (30 / plan.flourG + plan.totals.hydration - (plan.today?.hydration.today ?? 0));
  expect(learned.uses[0]?.points).toBeCloseTo(points, 6);
  expect(learned.offset).toMatchObject({ batches: 1, meanPoints: expect.closeTo((points * 4) / 5, 6) });

  const counted = await receive({ counted: { at: '2026-03-04T11:00:00.000Z', leftG: 31_000 } }, etagOf(LOT));
  expect(counted.leftG).toBe(31_000);

  async function tell(body: Parameters<typeof event>[0]) {
    await kitchen.api.post(`/api/v1/batches/${id}/events`).send(event(body)).expect(201);
  }
});

test.each([
  [{ bagKg: -3 }, 'Bag must be between 0.5 and 1,000 kg.'],
  [{ ingredient: 'water' }, 'A lot is of a flour in the catalogue.'],
  [{ receivedOn: 'yesterday' }, 'The day it came must be a date like 2026-03-04.'],
  [{ id: 'other' }, 'The id in the address and in the lot differ.'],
])('%j is refused in words', async (changes, sentence) => {
  const refused = await kitchen.api
    .put('/api/v1/flour-lots/quay-20')
    .send({ ...LOT, ...changes })
    .expect(422);
  expect((refused.body as { detail: string }).detail).toBe(sentence);
});

test('a plan is kept for later, found again, and forgotten', async () => {
  const { id, at, ...asked } = batchStart();
  const kept = { id, name: 'Friday sailing', savedAt: at, ...asked };
  await kitchen.api.put(`/api/v1/saved-plans/${id}`).send(kept).expect(200);
  expect((await kitchen.api.get('/api/v1/saved-plans')).body).toEqual([kept]);
  expect((await kitchen.api.delete(`/api/v1/saved-plans/${id}`).expect(200)).body).toEqual([]);
  await kitchen.api.delete(`/api/v1/saved-plans/${id}`).expect(404);
});

test('the list of lots is worked out when something has changed, and says so at once', async () => {
  await receive();
  const asked = jest.spyOn(kitchen.stores.flourLots, 'states');
  const first = await lot();
  expect(await lot()).toEqual(first);
  const before = asked.mock.calls.length;
  await lot();
  expect(asked.mock.calls.length).toBe(before);
  const start = batchStart({ flourLotId: 'quay-20', conditions: ORDINARY_DAY });
  const { id } = (await kitchen.api.post('/api/v1/batches').send(start).expect(201)).body as Batch;
  expect((await lot()).usedG).toBeGreaterThan(0);
  await kitchen.api
    .post(`/api/v1/batches/${id}/events`)
    .send(event({ type: 'abandoned', reason: '' }))
    .expect(201);
  expect((await lot()).usedG).toBe(0);
});
