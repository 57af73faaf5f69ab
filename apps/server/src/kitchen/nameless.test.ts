import { batchStart, event, openTestKitchen } from '../test/kitchen';

const COOK = 'early-cook';
const NAME = 'Early cook';

test('a cook who is made nameless is nobody in any record, and the work stays one person’s', async () => {
  const kitchen = await openTestKitchen({ demo: true });
  const { api } = kitchen;
  const facts = async () => (await api.get('/api/v1/batch-facts?limit=2000')).body as { cooks?: string[] }[];
  const before = (await facts()).filter(({ cooks = [] }) => cooks.includes(COOK)).length;
  expect(before).toBeGreaterThan(0);
  const words = { text: 'feel of {name}', values: { name: { name: NAME } } };
  const adjustments = [{ id: `feel/${COOK}`, from: 'lesson', what: 'water', value: 1, words }];
  const { body } = await api
    .post('/api/v1/batches')
    .send(batchStart({ cook: COOK, adjustments }))
    .expect(201);
  const { id } = body as { id: string };
  await api
    .post(`/api/v1/batches/${id}/events`)
    .send(event({ type: 'note', text: `${NAME} says: too warm. Unearly cook stays.` }))
    .expect(201);

  await api
    .post(`/api/v1/batches/${id}/events`)
    .send({ ...event({ type: 'finished', pieces: 24, good: 24 }), cook: COOK })
    .expect(201);

  const { body: changed } = await api.post(`/api/v1/kitchen/cooks/${COOK}/nameless`).expect(200);
  expect(JSON.stringify(changed)).not.toContain(NAME);
  const { text: backup } = await api.get('/api/v1/backup').buffer(true).expect(200);
  expect(backup).toContain('says: too warm. Unearly cook stays.');
  expect(backup.replaceAll('Unearly cook', '')).not.toMatch(/early-cook|early cook/i);
  for (const path of [
    '/batch-facts?limit=2000',
    '/lessons',
    '/log.csv',
    '/log.json',
    '/batches?limit=200',
    '/services',
  ]) {
    expect((await api.get(`/api/v1${path}`).buffer(true)).text).not.toMatch(/early-cook|\bEarly cook/);
  }
  const [row] = (await api.get(`/api/v1/batches/${id}`)).body.events as { text: string }[];
  const nameless = /^(cook-[0-9a-f]{8}) says/.exec(row?.text ?? '')?.[1] ?? '';
  expect((await facts()).filter(({ cooks = [] }) => cooks.includes(nameless))).toHaveLength(before + 1);
  expect((await api.get(`/api/v1/batches?text=${nameless}`)).body).toHaveLength(1);
  await api.post(`/api/v1/kitchen/cooks/${COOK}/nameless`).expect(404);
  await kitchen.close();
});

test('a name is found in any case of any letters, and with marks that a document writes otherwise', async () => {
  const kitchen = await openTestKitchen({ demo: true });
  const { api } = kitchen;
  const name = 'Öme "the oven" Ñu';
  await kitchen.over('patch', '/api/v1/kitchen', { cooks: [{ id: 'cook-9', name }] });
  const words = { text: 'feel of {name}', values: { name: { name } } };
  const adjustments = [{ id: 'feel/other', from: 'lesson', what: 'water', value: 1, words }];
  const { body } = await api.post('/api/v1/batches').send(batchStart({ adjustments })).expect(201);
  const { id } = body as { id: string };
  await api
    .post(`/api/v1/batches/${id}/events`)
    .send(event({ type: 'note', text: 'öme "THE oven" ñu says: too warm.' }))
    .expect(201);
  await api.post('/api/v1/kitchen/cooks/cook-9/nameless').expect(200);
  const { text: backup } = await api.get('/api/v1/backup').buffer(true).expect(200);
  expect(backup).toContain('says: too warm.');
  expect(backup).not.toMatch(/öme/iu);
  await kitchen.close();
});

test('a kitchen that does not learn of single cooks tells nobody what a step took whom', async () => {
  const kitchen = await openTestKitchen({ demo: true });
  const { api } = kitchen;
  const told = async () => {
    const [facts, log] = await Promise.all(
      ['/batch-facts?limit=2000', '/log.json'].map(async (path) => (await api.get(`/api/v1${path}`)).text),
    );
    const lessons = await api.get('/api/v1/lessons');
    return [facts, log, lessons.text].map((text) => /"doneBy"|"cooks"|"cookId"/.test(text ?? ''));
  };
  expect((await told()).slice(0, 2)).toEqual([true, true]);
  await kitchen.over('patch', '/api/v1/kitchen', { learnPerCook: false });
  expect(await told()).toEqual([false, false, false]);
  await kitchen.close();
});
