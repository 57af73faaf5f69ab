import { ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { batchStart, openTestKitchen, wrap } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeAll(async () => {
  kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
});
afterAll(() => kitchen.close());

const H = 3600;
const { id, at, ...asked } = batchStart({ conditions: ORDINARY_DAY });
const day = {
  format: 'kettle-scale/service-day',
  formatVersion: 1,
  day: '2026-03-04',
  name: 'Lunch',
  opens: 8 * H,
  serviceFrom: 11 * H,
  serviceTo: 14 * H,
  ends: 15 * H,
  cooks: [{ id: 'cook', name: 'Cook', can: ['weigh'] }],
  breads: [{ formulaId: wrap().id, waves: [{ opens: 11 * H, peak: 12 * H, closes: 13 * H, pieces: 40 }] }],
  sureness: 0.85,
  leftAtClose: 'thrown out',
};
const flour = { water: 0.14, protein: 0.1, fat: 0.01, carbohydrate: 0.74, ash: 0.01 };

/** Everything that somebody changes in a form, as it is new and with a field changed. */
const DOCUMENTS: Record<string, { path: string; first: object; second: object }> = {
  'a lot': {
    path: '/flour-lots/lot-1',
    first: { id: 'lot-1', ingredient: 'flour-strong', name: 'Lot', receivedOn: '2026-03-01', bagKg: 25 },
    second: { id: 'lot-1', ingredient: 'flour-strong', name: 'Lot', receivedOn: '2026-03-01', bagKg: 20 },
  },
  'an ingredient': {
    path: '/ingredients/moon',
    first: { id: 'moon', name: 'Moon flour', kind: 'flour', ...flour, allergens: [] },
    second: { id: 'moon', name: 'Moon flour', kind: 'flour', ...flour, allergens: ['gluten'] },
  },
  'a saved plan': {
    path: `/saved-plans/${id}`,
    first: { id, name: 'Friday', savedAt: at, ...asked },
    second: { id, name: 'Saturday', savedAt: at, ...asked },
  },
  'a service': { path: '/services/2026-03-04', first: day, second: { ...day, name: 'Dinner' } },
};

test.each(Object.entries(DOCUMENTS))(
  '%s is made without a version, changed from the one that is there, and never over another',
  async (_what, { path, first, second }) => {
    const put = (body: object, tag?: string) =>
      kitchen.api
        .put(`/api/v1${path}`)
        .set(tag === undefined ? {} : { 'if-match': tag })
        .send(body);
    await put(first, '"0000000000000000"').expect(412);
    const { headers } = await put(first).expect(200);
    const { etag = '' } = headers as { etag?: string };
    await put(second).expect(428);
    // Two that began with the same: the second is told what is there now, and changes nothing.
    const changed = await put(second, etag).expect(200);
    const { body } = await put(first, etag).expect(412);
    expect((body as { current: unknown }).current).toMatchObject(second);
    await put(first, (changed.headers as { etag: string }).etag).expect(200);
  },
);

test('settings are changed from the version that is there, whole and in part', async () => {
  const path = '/api/v1/kitchen';
  const { body: before, headers } = await kitchen.api.get(path);
  const { etag } = headers as { etag: string };
  await kitchen.api.patch(path).send({ benchMm: 700 }).expect(428);
  await kitchen.api
    .put(path)
    .send(before as object)
    .expect(428);
  await kitchen.api.patch(path).set('if-match', etag).send({ benchMm: 700 }).expect(200);
  const { body } = await kitchen.api
    .put(path)
    .set('if-match', etag)
    .send(before as object)
    .expect(412);
  expect((body as { current: object }).current).toMatchObject({ benchMm: 700 });
});
