import {
  type BatchStart,
  type BatchSummary,
  type EventBody,
  OWN_SCREEN,
  foldBatch,
} from '@kettle-scale/core/batch';
import { ENGLISH, writeWords } from '@kettle-scale/core/message';
import { type Need, type Plan, keepablePlan, planBatch, planHash } from '@kettle-scale/core/plan';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;

beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
});
afterEach(() => kitchen.close());

const start = async (minute: number): Promise<string> => {
  const at = `2026-03-04T09:${String(minute).padStart(2, '0')}:00.000Z`;
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart({ at })).expect(201);
  return (body as { id: string }).id;
};
/** The plan that a phone makes of what the kitchen says. */
const planOf = async (): Promise<Plan> => {
  const { stores } = kitchen;
  const { need } = batchStart() as unknown as { need: Need };
  return planBatch({
    ...{ formula: wrap(), need, kitchen: await stores.kitchen.get() },
    ingredients: await stores.ingredients.list(),
  });
};
const log = async (query = ''): Promise<BatchSummary[]> =>
  (await kitchen.api.get(`/api/v1/batches${query}`).expect(200)).body as BatchSummary[];

describe('a start', () => {
  test('of a plan that is no longer the kitchen’s is answered with both, and nothing starts', async () => {
    const { api, stores } = kitchen;
    const plan = await planOf();
    const start = batchStart({ planHash: planHash(plan) });
    await stores.kitchen.put({ ...plan.kitchen, bowlLoss: plan.kitchen.bowlLoss + 0.01 });
    const { body } = await api.post('/api/v1/batches').send(start).expect(409);
    const problem = body as { detail: string; current: { plan: Plan; planHash: string; seen: string } };
    expect(problem.detail).toMatch(/Nothing was started/);
    expect(problem.current.seen).toBe(start.planHash);
    expect(problem.current.planHash).toBe(planHash(problem.current.plan));
    expect(problem.current.plan.doughG).toBeGreaterThan(plan.doughG);
    expect(await log()).toEqual([]);
    await api
      .post('/api/v1/batches')
      .send({ ...start, planHash: problem.current.planHash })
      .expect(201);
    // Sent again after the kitchen changed once more, it is the batch that runs.
    await stores.kitchen.put(plan.kitchen);
    await api
      .post('/api/v1/batches')
      .send({ ...start, planHash: problem.current.planHash })
      .expect(200);
  });
});

test('an act is kept with the cook that was chosen and the phone that the server knows, whatever the phone says of itself', async () => {
  const { api, stores } = kitchen;
  const first = batchStart({ cook: 'early-cook', phone: 'Another phone' });
  await api.post('/api/v1/batches').send(first).expect(201);
  const weighed = event({ type: 'weighed', stepId: 'weigh-1-strong', massG: 1785 });
  const told = { ...weighed, cook: 'late-cook', phone: 'Another phone' };
  const address = `/api/v1/batches/${first.id}`;
  const { body } = await api.post(`${address}/events`).send(told).expect(201);
  expect(body).toEqual({ ...weighed, cook: 'late-cook', phone: OWN_SCREEN });
  // Sent again by a phone that was paired anew it is the same act, by another cook it is not.
  await api
    .post(`${address}/events`)
    .send({ ...told, phone: 'New name' })
    .expect(200);
  await api
    .post(`${address}/events`)
    .send({ ...told, cook: 'early-cook' })
    .expect(409);
  expect((await api.get(address).expect(200)).body).toMatchObject({ cook: 'early-cook', phone: OWN_SCREEN });
  const end = event({ type: 'finished', pieces: 24, good: 20 });
  await api
    .post(`${address}/events`)
    .send({ ...end, cook: 'early-cook' })
    .expect(201);
  expect((await log())[0]?.record.cooks).toEqual(['late-cook', 'early-cook']);
  const now = await stores.kitchen.get();
  await stores.kitchen.put({ ...now, cooks: [{ id: 'late-cook', name: 'Late cook', gone: true }] });
  // Who has left keeps the name; who was never named here is told as the record has them.
  expect((await api.get('/api/v1/log.csv').expect(200)).text).toContain('Late cook; early-cook');
});

describe('a start that a phone froze while no server answered', () => {
  const frozen = async () => {
    const plan = keepablePlan(await planOf());
    return batchStart({ planHash: planHash(plan), frozenPlan: plan });
  };

  test('is kept as it was worked by, whatever the kitchen plans now, and once', async () => {
    const { api, stores } = kitchen;
    const start = await frozen();
    const settings = await stores.kitchen.get();
    await stores.kitchen.put({ ...settings, bowlLoss: settings.bowlLoss + 0.01 });
    const { body } = await api.post('/api/v1/batches').send(start).expect(201);
    expect((body as { plan: Plan }).plan).toEqual(start.frozenPlan);
    // The first try had reached the server after all, without the plan: it is the same start.
    const { frozenPlan: _plan, ...bare } = start;
    await api.post('/api/v1/batches').send(bare).expect(200);
    await api.post('/api/v1/batches').send(start).expect(200);
    await stores.kitchen.put(settings);
  });

  test('is refused where its plan is another’s', async () => {
    const { api } = kitchen;
    const start = await frozen();
    const send = (changes: object) => api.post('/api/v1/batches').send({ ...start, ...changes });
    const { body } = await send({ planHash: '00000000' }).expect(422);
    expect(body).toMatchObject({ errors: [{ path: 'planHash' }] });
    const formula = { ...start.frozenPlan.formula, id: 'another' };
    await send({ frozenPlan: { ...start.frozenPlan, formula } }).expect(422);
    await send({ frozenPlan: { formula } }).expect(422);
  });
});

describe('the log', () => {
  test('finds by the kitchen’s own days, also where the clock has changed', async () => {
    const { api, stores } = kitchen;
    const at = async (iso: string) => {
      const { body } = await api
        .post('/api/v1/batches')
        .send(batchStart({ at: iso }))
        .expect(201);
      return (body as { id: string }).id;
    };
    const evening = await at('2026-03-04T02:30:00.000Z');
    const summer = await at('2025-10-25T23:30:00.000Z');
    const idsOf = async (day: string) => (await log(`?from=${day}&to=${day}`)).map(({ id }) => id);
    await stores.kitchen.put({ ...(await stores.kitchen.get()), timeZone: 'America/St_Johns' });
    expect([await idsOf('2026-03-03'), await idsOf('2026-03-04')]).toEqual([[evening], []]);
    await stores.kitchen.put({ ...(await stores.kitchen.get()), timeZone: 'Europe/Lisbon' });
    // Summer time until 26 October, 01:00: half past eleven by the sun is past midnight on the wall.
    expect([await idsOf('2025-10-25'), await idsOf('2025-10-26')]).toEqual([[], [summer]]);
  });

  test('finds bread that is still held, until the last of it has left', async () => {
    const [held] = [await start(1), await start(2)];
    const tell = (body: EventBody) =>
      kitchen.api.post(`/api/v1/batches/${held}/events`).send(event(body)).expect(201);
    const holding = async () => (await log('?held=yes')).map(({ id }) => id);
    await tell({ type: 'finished', pieces: 20, good: 20 });
    expect(await holding()).toEqual([]);
    await tell({ type: 'held', how: 'freezer', pieces: 20 });
    expect(await holding()).toEqual([held]);
    await tell({ type: 'moved', from: 'freezer', to: 'tray', pieces: 12 });
    expect(await holding()).toEqual([held]);
    await tell({ type: 'moved', from: 'freezer', to: 'thrown out', pieces: 8, reason: 'too old' });
    expect(await holding()).toEqual([]);
  });

  test('comes the newest first, a page at a time', async () => {
    const ids = [await start(1), await start(2), await start(3)];
    expect((await log()).map(({ id }) => id)).toEqual([...ids].reverse());
    const [newest] = await log('?limit=1');
    expect(newest?.id).toBe(ids[2]);
    const rest = await log(`?limit=2&before=${newest?.startedAt}`);
    expect(rest.map(({ id }) => id)).toEqual([ids[1], ids[0]]);
  });

  const nowTitle = async () => writeWords((await log())[0]?.record.nowTitle ?? '', ENGLISH);

  test('says what a running batch is at, and follows every act', async () => {
    const id = await start(1);
    expect(await nowTitle()).toBe('Weigh strong flour');
    const weighed = event({ type: 'weighed', stepId: 'weigh-1-strong', massG: 1785 });
    await kitchen.stores.batches.append(id, weighed, weighed.at);
    expect(await nowTitle()).toBe('Weigh soft flour');
    const undo = event({ type: 'void', eventId: weighed.id });
    await kitchen.stores.batches.append(id, undo, undo.at);
    expect(await nowTitle()).toBe('Weigh strong flour');
  });

  test('keeps running, finished and given-up batches apart', async () => {
    const [running, finished, abandoned] = [await start(1), await start(2), await start(3)];
    const end = event({ type: 'finished', pieces: 24, good: 20 });
    const giveUp = event({ type: 'abandoned', reason: 'no gas' });
    await kitchen.stores.batches.append(finished, end, end.at);
    await kitchen.stores.batches.append(abandoned, giveUp, giveUp.at);
    const idsOf = async (status: string) => (await log(`?status=${status}`)).map(({ id }) => id);
    expect(await idsOf('running')).toEqual([running]);
    expect(await idsOf('finished')).toEqual([finished]);
    expect(await idsOf('abandoned')).toEqual([abandoned]);
  });
});

test('an act that another phone made before the end arrives after it, and the record has it', async () => {
  const id = await start(1);
  const late = {
    ...event({ type: 'weighed', stepId: 'weigh-1-strong', massG: 2000 }),
    at: '2026-03-04T09:30:00.000Z',
  };
  const end = event({ type: 'finished', pieces: 24, good: 20 });
  await kitchen.stores.batches.append(id, end, end.at);
  const before = (await log())[0]?.record.doughG ?? 0;
  expect(await kitchen.stores.batches.append(id, late, end.at)).toMatchObject({ outcome: 'new' });
  expect((await log())[0]?.record).toMatchObject({ status: 'finished', good: 20 });
  expect((await log())[0]?.record.doughG).toBeGreaterThan(before);
});

describe('batches in hand', () => {
  test('what another server added to the same file is seen, and nothing is stored twice', async () => {
    const id = await start(1);
    const other = await openTestKitchen({ file: kitchen.path });
    const [first, second] = [
      event({ type: 'note', text: 'first' }),
      event({ type: 'dusted', stepId: 'flatten', massG: 5 }),
    ];
    await kitchen.stores.batches.append(id, first, first.at);
    const end = event({ type: 'finished', pieces: 1, good: 1 });
    expect(await other.stores.batches.append(id, end, end.at)).toMatchObject({ outcome: 'new' });
    expect(await kitchen.stores.batches.append(id, second, second.at)).toMatchObject({ outcome: 'refused' });
    expect(await kitchen.stores.batches.append(id, end, end.at)).toMatchObject({ outcome: 'same' });
    const batch = await other.stores.batches.get(id);
    expect(batch?.events.map(({ type }) => type)).toEqual(['note', 'finished']);
    await other.close();
  });

  test('the same start at the same moment from many phones is one batch', async () => {
    const body = batchStart();
    const answers = await Promise.all(
      Array.from({ length: 8 }, () => kitchen.api.post('/api/v1/batches').send(body)),
    );
    expect(answers.filter(({ status }) => status === 201)).toHaveLength(1);
    expect(answers.filter(({ status }) => status === 200)).toHaveLength(7);
  });

  test('an event for a batch that is not there is not kept', async () => {
    const note = event({ type: 'note', text: 'lost' });
    expect(await kitchen.stores.batches.append('nobody', note, note.at)).toEqual({ outcome: 'no-batch' });
    const id = await start(1);
    expect(await kitchen.stores.batches.append(id, note, note.at)).toMatchObject({ outcome: 'new' });
  });

  test('an event id used in one batch cannot be used in another', async () => {
    const [one, two] = [await start(1), await start(2)];
    const note = event({ type: 'note', text: 'here' });
    await kitchen.stores.batches.append(one, note, note.at);
    expect(await kitchen.stores.batches.append(two, note, note.at)).toEqual({ outcome: 'clash' });
  });
});

test.each([
  ['a formula that is not there', { formulaId: 'moon' }, 'formulaId'],
  ['a version that is not there', { formulaVersion: 7 }, 'formulaId'],
  ['a flour lot that is not there', { flourLotId: 'moon' }, 'flourLotId'],
  ['no need', { need: undefined }, 'need'],
  ['a need below one ball', { need: { by: 'flour', flourG: 12, ballG: 105 } }, 'need.flourG'],
  ['an id of another kind', { id: '6f1e7bb0-1111-4111-8111-111111111111' }, 'id'],
  ['a start in years', { at: '2031-01-01T00:00:00.000Z' }, 'at'],
  ['an unknown field', { chef: 'me' }, 'chef'],
])('%s does not start a batch', async (_case, changes, path) => {
  const answer = await kitchen.api.post('/api/v1/batches').send(batchStart(changes)).expect(422);
  expect((answer.body as { errors: { path: string }[] }).errors.map((e) => e.path)).toContain(path);
  expect(await log()).toEqual([]);
});

test('a whole batch survives being stored and read: the fold is the same', async () => {
  const demo = await openTestKitchen({ demo: true });
  const [past] = JSON.parse(await demo.stores.batches.listJson({ limit: 1 })) as BatchSummary[];
  const batch = await demo.stores.batches.get(past?.id ?? '');
  if (!batch) throw new Error('the demo has no batch');
  const again = await openTestKitchen({ file: demo.path });
  const read = await again.stores.batches.get(batch.id);
  expect(read).toEqual(batch);
  expect(foldBatch(batch.plan, batch.events).status).toBe('finished');
  await Promise.all([demo.close(), again.close()]);
});

test('what runs is listed from memory, however many batches were left open, and is as new as their acts', async () => {
  const { stores, database } = kitchen;
  const plan = await planOf();
  const starts = Array.from({ length: 140 }, () => batchStart() as unknown as BatchStart);
  for (const one of starts) await stores.batches.start(one, plan);
  expect(await log('?status=running&limit=200')).toHaveLength(140);
  const reads = jest.spyOn(database.reading, 'query');
  const before = await log('?status=running&limit=200');
  expect(reads).toHaveBeenCalledTimes(1);
  const [, { id } = { id: '' }] = before;
  await kitchen.api
    .post(`/api/v1/batches/${id}/events`)
    .send(event({ type: 'finished', pieces: 24, good: 20 }))
    .expect(201);
  expect(await log('?status=running&limit=200')).toHaveLength(139);
  const over = await log('?status=finished');
  expect(over.map(({ record }) => record.good)).toEqual([20]);
  // A figure that is put right is in the next list, though the row before it was kept.
  const finished = (await kitchen.api.get(`/api/v1/batches/${id}`)).body as { events: { id: string }[] };
  const right = { field: 'good', value: 22, reason: 'miscounted', eventId: finished.events.at(-1)?.id ?? '' };
  await kitchen.api
    .post(`/api/v1/batches/${id}/events`)
    .send(event({ type: 'corrected', ...right } as EventBody))
    .expect(201);
  expect((await log('?status=finished')).map(({ record }) => record.good)).toEqual([22]);
});
