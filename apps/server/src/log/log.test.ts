import type { BatchSummary } from '@kettle-scale/core/batch';
import type { Lesson } from '@kettle-scale/core/log';
import { v7 as uuidv7 } from 'uuid';
import { DEMO_TRUTH } from '@kettle-scale/simulation';
import { batchStart, event, openTestKitchen } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeAll(async () => {
  kitchen = await openTestKitchen({ demo: true });
});
afterAll(() => kitchen.close());

const find = async (query: string): Promise<BatchSummary[]> =>
  (await kitchen.api.get(`/api/v1/batches?${query}`).expect(200)).body as BatchSummary[];
const lessons = async (): Promise<Lesson[]> =>
  (await kitchen.api.get('/api/v1/lessons').expect(200)).body as Lesson[];

describe('finding', () => {
  test('by words in notes and reasons, whatever their case, all of them', async () => {
    const salty = await find('text=SALTY%20spoon');
    expect(salty).toHaveLength(1);
    expect(salty[0]?.formulaId).toBe('pilot-press');
    expect(await find('text=salty%20ferry')).toEqual([]);
    expect(await find('text=burnt')).toHaveLength(1);
  });

  test('wild cards are letters, quotes do no harm', async () => {
    expect(await find('text=%25')).toEqual([]);
    expect(await find(`text=${encodeURIComponent("' OR 1=1 --")}`)).toEqual([]);
  });

  test('by the cook who began it or worked on it', async () => {
    const early = await find('cook=early-cook&limit=200');
    expect(early.length).toBeGreaterThan(0);
    expect(
      early.every(({ cook, record }) => cook === 'early-cook' || record.cooks?.includes('early-cook')),
    ).toBe(true);
    expect(early.length).toBeLessThan((await find('limit=200')).length);
    expect(await find('cook=nobody')).toEqual([]);
  });

  test('by formula, lot, day and result, together', async () => {
    const all = await find('limit=200');
    const wraps = await find('formula=deckhand-wrap&limit=200');
    expect(wraps.length).toBe(all.filter(({ formulaId }) => formulaId === 'deckhand-wrap').length);
    const lot = await find('lot=quay-13&formula=deckhand-wrap');
    expect(lot.every(({ flourLotId }) => flourLotId === 'quay-13')).toBe(true);
    const day = all[3]?.startedAt.slice(0, 10) ?? '';
    const ofDay = await find(`from=${day}&to=${day}`);
    expect(ofDay.length).toBeGreaterThan(0);
    expect(ofDay.every(({ startedAt }) => startedAt.startsWith(day))).toBe(true);
    const share = ({ record }: BatchSummary) => (record.good ?? 0) / (record.piecesMade ?? 1);
    expect((await find('result=good&limit=200')).every((batch) => share(batch) >= 0.95)).toBe(true);
    expect((await find('result=many%20rejects')).every((batch) => share(batch) < 0.8)).toBe(true);
  });

  test.each(['result=great', 'from=yesterday', `text=${'x'.repeat(81)}`, 'colour=brown'])(
    '%s is told what is wrong',
    async (query) => {
      const { body } = await kitchen.api.get(`/api/v1/batches?${query}`).expect(422);
      expect((body as { errors: unknown[] }).errors).toHaveLength(1);
    },
  );

  test('what is written, rejected and corrected afterwards is found, and counts', async () => {
    const [batch] = await find('formula=lantern-round&limit=1');
    if (!batch) throw new Error('no batch');
    const add = (body: Parameters<typeof event>[0]) =>
      kitchen.api.post(`/api/v1/batches/${batch.id}/events`).send(event(body));
    await add({ type: 'note', text: 'Xanadu crust' }).expect(201);
    expect((await find('text=xanadu')).map(({ id }) => id)).toEqual([batch.id]);
    const stored = await kitchen.stores.batches.get(batch.id);
    const divided = stored?.events.find(({ type }) => type === 'divided');
    const fix = {
      ...{ type: 'corrected' as const, eventId: divided?.id ?? '', field: 'doughG' as const },
      ...{ value: 3000, reason: 'bowl on the scale' },
    };
    await add({ ...fix, value: 0 }).expect(422);
    await add(fix).expect(201);
    expect((await find('formula=lantern-round&limit=1'))[0]?.record.doughG).toBe(3000);
    const { body } = await kitchen.api.get('/api/v1/batch-facts?formula=lantern-round&limit=1').expect(200);
    expect(body).toMatchObject([{ batchId: batch.id, doughG: { weighed: 3000 } }]);
  });
});

describe('the log as a file', () => {
  test('a table and a document of what was found', async () => {
    const csv = await kitchen.api
      .get('/api/v1/log.csv?text=salty')
      .expect(200)
      .expect('content-type', /text\/csv/);
    expect(csv.headers['content-disposition']).toContain('kettle-scale-log.csv');
    expect(csv.text.trim().split('\n')).toHaveLength(2);
    expect(csv.text).toContain('Tasted salty');
    const { body } = await kitchen.api.get('/api/v1/log.json?formula=pilot-press').expect(200);
    const document = body as { batches: unknown[] };
    expect(document).toMatchObject({ format: 'kettle-scale/log', formatVersion: 1 });
    expect(document.batches).toHaveLength((await find('formula=pilot-press')).length);
  });
});

test('two weeks of the demo teach what its simulator was seeded with', async () => {
  const all = await lessons();
  const truths: Record<string, number> = {
    'bowl-loss': DEMO_TRUTH.bowlLoss,
    'bench-loss': DEMO_TRUTH.benchLoss,
    'relaxing/deckhand-wrap': DEMO_TRUTH.relaxing['deckhand-wrap'] ?? NaN,
    'relaxing/pilot-press': DEMO_TRUTH.relaxing['pilot-press'] ?? NaN,
    'water/quay-12': DEMO_TRUTH.thirst['quay-12'] ?? NaN,
    'water/quay-13': DEMO_TRUTH.thirst['quay-13'] ?? NaN,
    'ball-spread/pilot-press': DEMO_TRUTH.ballSdG['pilot-press'] ?? NaN,
    'disc-spread/pin': DEMO_TRUTH.discSd.pin,
  };
  for (const [id, truth] of Object.entries(truths)) {
    const { low = NaN, high = NaN } = all.find((one) => one.id === id) ?? {};
    expect({ id, holds: low <= truth && truth <= high }).toEqual({ id, holds: true });
  }
  const cost = all.find(({ id }) => id === 'cost/deckhand-wrap');
  expect(cost?.low).toBeGreaterThan(0);
});

test('a lesson can be kept out of plans, a lot’s too', async () => {
  const settings = await kitchen.stores.kitchen.get();
  const lot = async () => {
    const start = batchStart({
      flourLotId: 'quay-13',
      conditions: { airC: 24, humidity: 0.6, airFrom: 'hand', flourC: 22, liquidC: 16 },
    });
    const { body } = await kitchen.api.post('/api/v1/batches').send(start).expect(201);
    return (body as { plan: { today: { hydration: { byLot: number } } } }).plan.today.hydration.byLot;
  };
  expect(await lot()).toBeGreaterThan(0.01);
  await kitchen.over('put', '/api/v1/kitchen', { ...settings, lessonsOff: ['water/quay-13', 'bowl-loss'] });
  expect(await lot()).toBe(0);
  expect((await lessons()).find(({ id }) => id === 'bowl-loss')?.on).toBe(false);
  await kitchen.over('put', '/api/v1/kitchen', settings);
});

test('the notes of a year are found by their index, not by reading every act', async () => {
  const [plan] = await kitchen.database.sequelize.query(
    `EXPLAIN QUERY PLAN SELECT seq FROM batch_events
     WHERE batchId IN ('a') AND document ->> '$.type' IN ('note', 'finished', 'abandoned')`,
  );
  expect(JSON.stringify(plan)).toContain('batch_events_notes');
});

describe('a change carried into the next plan', () => {
  const carried = (changes: object = {}) => ({
    id: `diagnosis/${uuidv7()}/plate-hot`,
    formulaId: 'deckhand-wrap',
    batchId: uuidv7(),
    at: '2026-03-04T10:00:00.000Z',
    adjustment: {
      ...{ id: 'diagnosis/x/plate-hot', from: 'diagnosis', what: 'plate', value: -10 },
      words: 'Plate too hot: black spots',
    },
    ...changes,
  });

  test('is kept until it is dropped, and changes the plan of a batch', async () => {
    const one = carried();
    const at = `/api/v1/carried/${encodeURIComponent(one.id)}`;
    await kitchen.api.put(at).send(one).expect(200);
    expect((await kitchen.api.get('/api/v1/carried')).body).toEqual([one]);
    const { body } = await kitchen.api
      .post('/api/v1/batches')
      .send(batchStart({ adjustments: [one.adjustment] }))
      .expect(201);
    const { plan } = body as { plan: { adjustments: unknown[]; formula: { bake: { plateC: number } } } };
    expect(plan.adjustments).toEqual([one.adjustment]);
    expect(plan.formula.bake.plateC).toBe(220);
    expect((await kitchen.api.delete(at).expect(200)).body).toEqual([]);
    await kitchen.api.delete(at).expect(404);
  });

  test('beyond any kitchen it is refused', async () => {
    const one = carried();
    const wild = { ...one, adjustment: { ...one.adjustment, value: -500 } };
    await kitchen.api
      .put(`/api/v1/carried/${encodeURIComponent(one.id)}`)
      .send(wild)
      .expect(422);
  });
});
