import type { Opinions } from '@kettle-scale/core/bake';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { openTestKitchen } from '../test/kitchen';

const KEY = '0a1b2c3d-1234';
const OPINIONS: Opinions = {
  formula: { seconds: [23, 17], share: 0.85 },
  here: { seconds: [26, 18], share: 0.99, lost: { under: 0.01, over: 0 } },
  differ: true,
};

let kitchen: Awaited<ReturnType<typeof openTestKitchen>>;
beforeEach(async () => {
  kitchen = await openTestKitchen();
});
afterEach(() => kitchen.close());

test('seconds that one phone worked out are there for the others, and what is none is refused', async () => {
  const at = `/api/v1/bake-opinions/${KEY}`;
  expect((await kitchen.api.get(at).expect(200)).body).toBeNull();
  await kitchen.api.put(at).send(OPINIONS).expect(200);
  expect((await kitchen.api.get(at).expect(200)).body).toEqual(OPINIONS);
  await kitchen.api
    .put(at)
    .send({ ...OPINIONS, differ: 'yes' })
    .expect(422);
  await kitchen.api.get('/api/v1/bake-opinions/..%2Fkitchen').expect(422);
});

test('of more seconds than a kitchen needs the oldest go', async () => {
  const { opinions } = kitchen.stores;
  const key = (i: number) => `${i.toString(16).padStart(8, '0')}-1`;
  await opinions.put(key(0), OPINIONS);
  await opinions.put(key(1), OPINIONS);
  await kitchen.database.write((transaction) =>
    kitchen.database.sequelize.query(`UPDATE bake_opinions SET rowid = 3000 WHERE id = '${key(1)}'`, {
      transaction,
    }),
  );
  await opinions.put(key(2), OPINIONS);
  expect(await opinions.get(key(0))).toBeNull();
  expect(await opinions.get(key(1))).toEqual(OPINIONS);
});

test('whose seconds hold is kept by formula and plate; the last word counts', async () => {
  const say = async (griddleId: string | null, use: string) =>
    (
      await kitchen.api
        .post('/api/v1/kitchen/times-chosen')
        .send({ formulaId: 'deckhand-wrap', griddleId, use })
        .expect(200)
    ).body as Kitchen;
  await say('long-plate', 'here');
  await say(null, 'here');
  expect((await say('long-plate', 'formula')).timesChosen).toEqual([
    { formulaId: 'deckhand-wrap', griddleId: null, use: 'here' },
    { formulaId: 'deckhand-wrap', griddleId: 'long-plate', use: 'formula' },
  ]);
  await kitchen.api.post('/api/v1/kitchen/times-chosen').send({ use: 'mine' }).expect(422);
});
