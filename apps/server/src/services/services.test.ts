import type { ServiceDay, ServiceRecord } from '@kettle-scale/core/shift';
import { openTestKitchen, wrap } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
});
afterEach(() => kitchen.close());

const H = 3600;
const DAY = '2026-03-04';
const service = (changes: Partial<ServiceDay> = {}): ServiceDay => ({
  ...{ format: 'kettle-scale/service-day', formatVersion: 1, day: DAY, name: 'Lunch' },
  ...{ opens: 8 * H, serviceFrom: 11 * H, serviceTo: 14 * H, ends: 15 * H },
  cooks: [{ id: 'cook', name: 'Cook', can: ['weigh'] }],
  breads: [{ formulaId: wrap().id, waves: [{ opens: 11 * H, peak: 12 * H, closes: 13 * H, pieces: 40 }] }],
  ...{ sureness: 0.85, leftAtClose: 'thrown out' },
  ...changes,
});
const put = (body: object, day = DAY) => kitchen.api.put(`/api/v1/services/${day}`).send(body);
const ID = '019577d0-0000-7000-8000-000000000001';
const taken = { id: ID, at: '2026-03-04T09:00:00.000Z', type: 'taken', formulaId: wrap().id, pieces: 5 };
const act = (body: object) => kitchen.api.post(`/api/v1/services/${DAY}/acts`).send(body);

test('a day is told, its bread is taken once however often it is said, and it is in the list and the calendar', async () => {
  expect((await kitchen.api.get(`/api/v1/services/${DAY}`).expect(200)).body).toBeNull();
  const plan = {
    batches: [{ id: ID, formulaId: wrap().id, n: 30, start: 9 * H, bakeAt: 10 * H }],
    chosenAt: '2026-03-04T08:00:00.000Z',
  };
  await put(service({ plan })).expect(200);
  await act(taken).expect(200);
  await act(taken).expect(200);
  const list = (await kitchen.api.get('/api/v1/services').expect(200)).body as ServiceRecord[];
  expect(list).toHaveLength(1);
  expect(list[0]?.acts).toEqual([taken]);
  const calendar = await kitchen.api.get('/api/v1/services/calendar.ics').expect(200);
  expect(calendar.text).toContain('SUMMARY:Weigh 30');
  expect(calendar.text).toContain('DTSTART:20260304T090000Z');
});

test('an answer with another act is another answer to a browser that keeps the one before', async () => {
  await put(service()).expect(200);
  const at = `/api/v1/services/${DAY}`;
  const { etag = '' } = (await kitchen.api.get(at)).headers as { etag?: string };
  await kitchen.api.get(at).set('if-none-match', etag).expect(304);
  await act(taken).expect(200);
  const { body, headers } = await kitchen.api.get(at).set('if-none-match', etag).expect(200);
  expect((body as ServiceRecord).acts).toEqual([taken]);
  // What was told of its bread is no other version of the service.
  for (const tag of [etag, (headers as { etag: string }).etag]) {
    await put(service({ name: 'Dinner' }))
      .set('if-match', '"x"')
      .expect(412);
    await put(service()).set('if-match', tag).expect(200);
  }
});

test.each([
  ['a service that ends before it begins', () => put(service({ serviceTo: 10 * H })), 422, 'serviceTo'],
  ['nobody on shift', () => put(service({ cooks: [] })), 422, 'cooks'],
  [
    'a bread that is in no book',
    () => put(service({ breads: [{ formulaId: 'nowhere', waves: [] }] })),
    422,
    'breads.0.formulaId',
  ],
  ['another day in the address', () => put(service(), '2026-03-05'), 422, 'day'],
  ['an act on a day without service', () => act(taken), 404, undefined],
])('%s is refused with its field, and nothing is stored', async (_, send, status, path) => {
  const { body } = await send().expect(status);
  expect((body as { errors?: { path: string }[] }).errors?.[0]?.path).toBe(path);
  expect((await kitchen.api.get('/api/v1/services').expect(200)).body).toEqual([]);
});

test('another act under a known id, and one of tomorrow, are refused', async () => {
  await put(service()).expect(200);
  await act(taken).expect(200);
  await act({ ...taken, pieces: 6 }).expect(409);
  await act({ ...taken, id: ID.replace(/1$/, '2'), at: '2036-03-04T11:00:00.000Z' }).expect(422);
  const { body } = await kitchen.api.get(`/api/v1/services/${DAY}`).expect(200);
  expect((body as ServiceRecord).acts).toEqual([taken]);
});
