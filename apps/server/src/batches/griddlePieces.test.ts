import type { Batch } from '@kettle-scale/core/batch';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
let id: string;

beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
  id = ((await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201)).body as Batch).id;
});
afterEach(() => kitchen.close());

const tell = (body: Parameters<typeof event>[0], status = 201) =>
  kitchen.api.post(`/api/v1/batches/${id}/events`).send(event(body)).expect(status);
const pieces = async () =>
  (await kitchen.api.get(`/api/v1/griddle-pieces?formula=${wrap().id}`).expect(200)).body as object[];

test('a piece that was judged on a read plate is what a calibration is fitted to; a second tap replaces the first', async () => {
  await tell({ type: 'piece-on', piece: 1, place: 3, plateC: 226 });
  await tell({ type: 'piece-on', piece: 2, place: 4 });
  for (const piece of [1, 2]) {
    await tell({ type: 'flipped', piece, side: 2 });
    await tell({ type: 'piece-off', piece });
  }
  expect(await pieces()).toEqual([]);
  await tell({ type: 'judged', piece: 1, firstSide: 'dark' });
  await tell({ type: 'judged', piece: 1, firstSide: 'pale', puffed: true });
  await tell({ type: 'judged', piece: 2, firstSide: 'right' });
  expect(await pieces()).toMatchObject([
    { plateC: 226, firstSide: 'pale', puffed: true, seconds: [expect.any(Number), expect.any(Number)] },
  ]);
});

test.each([
  [{ type: 'piece-on', piece: 1, place: 99 }, 'Place must be between 1 and 60.'],
  [{ type: 'judged', piece: 1, firstSide: 'purple' }, 'First side must be one of: pale, right, dark.'],
])('%j is refused in words', async (body, sentence) => {
  const refused = await tell(body as Parameters<typeof event>[0], 422);
  expect((refused.body as { detail: string }).detail).toContain(sentence);
});

test('a formula must be named', async () => {
  await kitchen.api.get('/api/v1/griddle-pieces').expect(422);
});
