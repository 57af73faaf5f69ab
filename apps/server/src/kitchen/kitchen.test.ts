import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { openTestKitchen } from '../test/kitchen';

const KITCHEN = '/api/v1/kitchen';

test('two phones that change different settings at the same time lose neither', async () => {
  const { api, close } = await openTestKitchen();
  await Promise.all([
    api.patch(KITCHEN).send({ benchMm: 700, closesAt: '22:30' }).expect(200),
    api.patch(KITCHEN).send({ bowlLoss: 0.03 }).expect(200),
  ]);
  const { body } = await api.patch(KITCHEN).send({ closesAt: null }).expect(200);
  // Nobody has said where the clock hangs: the guess is not written down as if somebody had.
  const { timeZone, ...settings } = body as { timeZone: string };
  expect(timeZone).toBe(new Intl.DateTimeFormat().resolvedOptions().timeZone);
  expect(settings).toEqual({ ...DEFAULT_KITCHEN, benchMm: 700, bowlLoss: 0.03 });
  await close();
});

test.each([
  [{ bowlCapacityG: 10 }, 'bowlCapacityG'],
  [{ bowlMinimumG: 400_000 }, 'bowlMinimumG'],
  [{ bowlCapacityG: null }, 'bowlCapacityG'],
  [{ colour: 'red' }, 'colour'],
])('%j is refused, and nothing is changed by it', async (change, path) => {
  const { api, close } = await openTestKitchen();
  const { body: before } = await api.get(KITCHEN);
  const { body } = await api.patch(KITCHEN).send(change).expect(422);
  expect((body as { errors: { path: string }[] }).errors[0]?.path).toBe(path);
  expect((await api.get(KITCHEN)).body).toEqual(before);
  await close();
});
