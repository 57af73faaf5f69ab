import { DEFAULT_KITCHEN } from '@kettle-scale/core/kitchen';
import { etagOf } from '../http/versioned';
import { openTestKitchen } from '../test/kitchen';

const KITCHEN = '/api/v1/kitchen';

/** Changes a field as a phone does: from what it has, and again from what is there when somebody was before it. */
async function change(
  { api }: Awaited<ReturnType<typeof openTestKitchen>>,
  said: object,
  etag: string,
): Promise<number> {
  for (let tries = 1; ; tries += 1) {
    const { status, body } = await api.patch(KITCHEN).set('if-match', etag).send(said);
    if (status === 200) return tries;
    expect([status, typeof (body as { current: unknown }).current]).toEqual([412, 'object']);
    etag = etagOf((body as { current: unknown }).current);
  }
}

test('ten phones that each change a setting of their own at the same time lose none', async () => {
  const kitchen = await openTestKitchen();
  const { headers, body: before } = await kitchen.api.get(KITCHEN);
  const { etag = '' } = headers as { etag?: string };
  const changes = [
    ...[
      { benchMm: 700 },
      { bowlLoss: 0.03 },
      { benchLoss: 0.01 },
      { altitudeM: 1500 },
      { closesAt: '22:30' },
    ],
    ...[
      { coldLimitH: 3 },
      { benchBalls: 80 },
      { measures: 'metric' },
      { currency: 'USD' },
      { fridgeDoughH: 24 },
    ],
  ];
  const tries = await Promise.all(changes.map((said) => change(kitchen, said, etag)));
  expect(Math.max(...tries)).toBeGreaterThan(1);
  const { body } = await kitchen.api.get(KITCHEN);
  expect(body).toEqual(Object.assign({}, before, ...changes));
  await kitchen.close();
});

test('a setting that is taken away is gone; the guess where the clock hangs is not written down as if somebody had said it', async () => {
  const kitchen = await openTestKitchen();
  await kitchen.over('patch', KITCHEN, { closesAt: '22:30' });
  await kitchen.over('patch', KITCHEN, { closesAt: null });
  const { timeZone, ...settings } = (await kitchen.api.get(KITCHEN)).body as { timeZone: string };
  expect(timeZone).toBe(new Intl.DateTimeFormat().resolvedOptions().timeZone);
  expect(settings).toEqual(DEFAULT_KITCHEN);
  await kitchen.close();
});

test.each([
  [{ bowlCapacityG: 10 }, 'bowlCapacityG'],
  [{ bowlMinimumG: 400_000 }, 'bowlMinimumG'],
  [{ bowlCapacityG: null }, 'bowlCapacityG'],
  [{ colour: 'red' }, 'colour'],
])('%j is refused, and nothing is changed by it', async (change, path) => {
  const { api, close } = await openTestKitchen();
  const { body: before } = await api.get(KITCHEN);
  const { body } = await api.patch(KITCHEN).set('if-match', etagOf(before)).send(change).expect(422);
  expect((body as { errors: { path: string }[] }).errors[0]?.path).toBe(path);
  expect((await api.get(KITCHEN)).body).toEqual(before);
  await close();
});
