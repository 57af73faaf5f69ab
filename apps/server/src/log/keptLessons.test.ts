import type { Lesson } from '@kettle-scale/core/log';
import { batchStart, event, openTestKitchen } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeEach(async () => {
  kitchen = await openTestKitchen({ demo: true });
});
afterEach(() => kitchen.close());

const lessons = async () => (await kitchen.api.get('/api/v1/lessons').expect(200)).body as Lesson[];
const worked = () => jest.spyOn(kitchen.aside, 'lessons');
const tell = (id: string, body: Parameters<typeof event>[0]) =>
  kitchen.api.post(`/api/v1/batches/${id}/events`).send(event(body)).expect(201);

test('asked again, nothing is worked out again; acts of a batch in work change nothing', async () => {
  const before = await lessons();
  const work = worked();
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  await tell((body as { id: string }).id, { type: 'note', text: 'busy' });
  expect(await lessons()).toEqual(before);
  expect(work).not.toHaveBeenCalled();
});

test('a batch that ends is in the next lessons, and out of them when its end is taken back', async () => {
  const rejectsOf = async () =>
    (await lessons()).find(({ id }) => id === 'rejects/deckhand-wrap')?.batches ?? 0;
  const before = await rejectsOf();
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  const { id } = body as { id: string };
  const end = event({ type: 'finished', pieces: 24, good: 12 });
  await kitchen.api.post(`/api/v1/batches/${id}/events`).send(end).expect(201);
  expect(await rejectsOf()).toBe(before + 1);
  await tell(id, { type: 'void', eventId: end.id });
  expect(await rejectsOf()).toBe(before);
});

test('what is put right in a batch that is over is in the next lessons', async () => {
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  const { id } = body as { id: string };
  const end = event({ type: 'finished', pieces: 24, good: 12 });
  await kitchen.api.post(`/api/v1/batches/${id}/events`).send(end).expect(201);
  const share = async () => (await lessons()).find((one) => one.id === 'rejects/deckhand-wrap')?.value ?? NaN;
  const before = await share();
  await tell(id, { type: 'corrected', eventId: end.id, field: 'good', value: 24, reason: 'Counted again' });
  expect(await share()).toBeLessThan(before);
});

test('asked by many at once right after a batch ended, all hear of it and it is worked out once', async () => {
  await lessons();
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  await tell((body as { id: string }).id, { type: 'finished', pieces: 24, good: 12 });
  const work = worked();
  const [first, ...others] = await Promise.all([lessons(), lessons(), lessons(), lessons()]);
  for (const other of others) expect(other).toEqual(first);
  expect(work).toHaveBeenCalledTimes(1);
});

test('a switch of the kitchen shows at once', async () => {
  const [first] = await lessons();
  const { body: settings } = await kitchen.api.get('/api/v1/kitchen');
  await kitchen.over('put', '/api/v1/kitchen', { ...(settings as object), lessonsOff: [first?.id] });
  expect((await lessons()).find(({ id }) => id === first?.id)?.on).toBe(false);
});
