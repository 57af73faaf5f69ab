import { type Batch, OWN_SCREEN, foldBatch } from '@kettle-scale/core/batch';
import { FORMULA_FORMAT_VERSION, type ProductStandard } from '@kettle-scale/core/formula';
import { planSchema } from '@kettle-scale/core/plan';
import { batchStart, event, openTestKitchen, wrap } from './test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;

beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.api.post('/api/v1/formulas').send({ formula: wrap(), reason: 'new' }).expect(201);
});
afterEach(() => kitchen.close());

const startBatch = async (): Promise<Batch> => {
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  return body as Batch;
};
const post = (batch: Batch, body: object) =>
  kitchen.api.post(`/api/v1/batches/${batch.id}/events`).send(body);

describe('formulas', () => {
  test('every save is a version, and old versions stay as they were', async () => {
    const wetter = { ...wrap(), summary: 'wetter' };
    const saved = await kitchen.api
      .post('/api/v1/formulas/deckhand-wrap/versions')
      .set('If-Match', '"1"')
      .send({ formula: wetter, reason: 'dry week' })
      .expect(201);
    expect(saved.body.formula.version).toBe(2);
    const history = await kitchen.api.get('/api/v1/formulas/deckhand-wrap/versions').expect(200);
    expect(history.body.map((v: { reason: string }) => v.reason)).toEqual(['dry week', 'new']);
    const first = await kitchen.api.get('/api/v1/formulas/deckhand-wrap/versions/1').expect(200);
    expect(first.body.formula.summary).toBe(wrap().summary);
    const list = await kitchen.api.get('/api/v1/formulas').expect(200);
    expect(list.body).toHaveLength(1);
    expect(list.body[0].summary).toBe('wetter');
  });

  test('an id that is taken is a conflict and changes nothing', async () => {
    const answer = await kitchen.api
      .post('/api/v1/formulas')
      .send({ formula: { ...wrap(), name: 'Other' }, reason: 'again' })
      .expect(409);
    expect(answer.body.errors[0].path).toBe('formula.id');
    expect((await kitchen.api.get('/api/v1/formulas/deckhand-wrap')).body.name).toBe('Deckhand wrap');
  });
});

describe('plans', () => {
  const planRequest = (changes: object = {}) => ({
    format: 'kettle-scale/plan-request',
    formatVersion: 1,
    formula: wrap(),
    need: { by: 'pieces', pieces: 64, ballG: 105 },
    kitchen: {
      benchStepG: 1,
      fineStepG: 0.1,
      fineMaxG: 500,
      bowlCapacityG: 12_000,
      bowlMinimumG: 0,
      bowlLoss: 0.01,
      benchLoss: 0.005,
    },
    ...changes,
  });

  test('are computed and not stored', async () => {
    const { body } = await kitchen.api.post('/api/v1/plans').send(planRequest()).expect(200);
    expect(planSchema.parse(body).pieces).toBe(64);
    expect((await kitchen.api.get('/api/v1/batches')).body).toEqual([]);
  });

  const product: ProductStandard = wrap().product;
  test.each([
    ['zero pieces', { need: { by: 'pieces', pieces: 0, ballG: 105 } }, 'need.pieces'],
    ['a negative ball', { need: { by: 'pieces', pieces: 6, ballG: -5 } }, 'need.ballG'],
    ['absurd flour', { need: { by: 'flour', flourG: 1e12, ballG: 105 } }, 'need.flourG'],
    ['a missing ball', { need: { by: 'pieces', pieces: 6 } }, 'need.ballG'],
    ['text for a number', { need: { by: 'pieces', pieces: '6', ballG: 105 } }, 'need.pieces'],
    ['an unknown field', { need: { by: 'pieces', pieces: 6, ballG: 105, cups: 2 } }, 'need.cups'],
    ['an unknown way to say it', { need: { by: 'moon' } }, 'need.by'],
    ['a formula without flour', { formula: { ...wrap(), lines: wrap().lines.slice(2) } }, 'formula.lines'],
    [
      'a thickness of nothing',
      { formula: { ...wrap(), product: { ...product, thicknessMm: 0 } } },
      'formula.product.thicknessMm',
    ],
    [
      'a bowl below one ball',
      { kitchen: { ...planRequest().kitchen, bowlCapacityG: 60 } },
      'kitchen.bowlCapacityG',
    ],
  ])('%s is refused at the field', async (_case, changes, path) => {
    const answer = await kitchen.api.post('/api/v1/plans').send(planRequest(changes)).expect(422);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.body.errors.map((e: { path: string }) => e.path)).toContain(path);
    expect(answer.body.errors[0].message).toMatch(/^[A-Z“1-9].*\.$/);
  });
});

describe('batches', () => {
  test('starting twice with one id is one batch; another start with it is a conflict', async () => {
    const start = batchStart();
    await kitchen.api.post('/api/v1/batches').send(start).expect(201);
    await kitchen.api.post('/api/v1/batches').send(start).expect(200);
    await kitchen.api
      .post('/api/v1/batches')
      .send({ ...start, need: { by: 'pieces', pieces: 1, ballG: 105 } })
      .expect(409);
    expect((await kitchen.api.get('/api/v1/batches')).body).toHaveLength(1);
  });

  test('a batch keeps its plan when the formula and the kitchen change', async () => {
    const batch = await startBatch();
    await kitchen.api
      .post('/api/v1/formulas/deckhand-wrap/versions')
      .set('If-Match', '"1"')
      .send({ formula: { ...wrap(), name: 'Renamed' }, reason: 'x' })
      .expect(201);
    const settings = (await kitchen.api.get('/api/v1/kitchen')).body;
    await kitchen.over('put', '/api/v1/kitchen', { ...settings, benchStepG: 10 });
    const { body } = await kitchen.api.get(`/api/v1/batches/${batch.id}`).expect(200);
    expect(body.plan).toEqual(batch.plan);
  });

  test('an event sent twice is stored once; its id with other contents is a conflict', async () => {
    const batch = await startBatch();
    const weighed = event({ type: 'weighed', stepId: 'weigh-1-strong', massG: 1785 });
    await post(batch, weighed).expect(201);
    await post(batch, weighed).expect(200);
    await post(batch, { ...weighed, massG: 1 }).expect(409);
    const { body } = await kitchen.api.get(`/api/v1/batches/${batch.id}/events`).expect(200);
    expect(body).toEqual([{ ...weighed, phone: OWN_SCREEN }]);
  });

  test('many phones at once lose and double nothing', async () => {
    const batch = await startBatch();
    const notes = Array.from({ length: 20 }, (_, i) => event({ type: 'note', text: `note ${i}` }));
    const sent = await Promise.all([...notes, ...notes].map((note) => post(batch, note)));
    expect(sent.map(({ status }) => status).sort()).toEqual([...Array(20).fill(200), ...Array(20).fill(201)]);
    const { body } = await kitchen.api.get(`/api/v1/batches/${batch.id}/events`);
    expect(new Set(body.map(({ id }: { id: string }) => id)).size).toBe(20);
  });

  test('a finished batch refuses events, takes a repeat of its last one, and can be undone', async () => {
    const batch = await startBatch();
    const finished = event({ type: 'finished', pieces: 24, good: 23 });
    await post(batch, finished).expect(201);
    const late = await post(batch, event({ type: 'dusted', stepId: 'flatten', massG: 5 })).expect(409);
    expect(late.body.detail).toMatch(/This batch is finished/);
    await post(batch, finished).expect(200);
    expect((await kitchen.api.get('/api/v1/batches?status=finished')).body[0].record.good).toBe(23);
    await post(batch, event({ type: 'void', eventId: finished.id })).expect(201);
    expect((await kitchen.api.get('/api/v1/batches?status=running')).body).toHaveLength(1);
  });

  test.each([
    ['an unknown step', { type: 'done', stepId: 'dance' }, 'stepId'],
    ['no weight', { type: 'weighed', stepId: 'weigh-1-strong' }, 'massG'],
    ['a zero weight', { type: 'weighed', stepId: 'weigh-1-strong', massG: 0 }, 'massG'],
    ['more good than made', { type: 'finished', pieces: 2, good: 3 }, 'good'],
    ['an unknown kind', { type: 'sing' }, 'type'],
    ['an unknown field', { type: 'note', text: 'a', colour: 'red' }, 'colour'],
    ['an empty note', { type: 'note', text: '  ' }, 'text'],
  ])('%s is refused and nothing is stored', async (_case, body, path) => {
    const batch = await startBatch();
    const answer = await post(batch, {
      ...event({ type: 'note', text: 'x' }),
      text: undefined,
      ...body,
    }).expect(422);
    expect(answer.body.errors.map((e: { path: string }) => e.path)).toContain(path);
    expect((await kitchen.api.get(`/api/v1/batches/${batch.id}`)).body.events).toEqual([]);
  });

  test.each(['2031-01-01T00:00:00.000Z', '2026-03-05T10:01:00.000Z'])(
    'an act dated %s, ahead of the kitchen’s clock, is refused',
    async (at) => {
      const batch = await startBatch();
      const ahead = { ...event({ type: 'note', text: 'x' }), at };
      const { body } = await post(batch, ahead).expect(422);
      expect(body.errors[0]).toMatchObject({ path: 'at', message: expect.stringMatching(/check the clock/) });
    },
  );

  test('an end of a clock that runs ahead does not leave the batch open until then', async () => {
    const batch = await startBatch();
    const end = { ...event({ type: 'finished', pieces: 24, good: 23 }), at: '2026-03-05T09:00:00.000Z' };
    await post(batch, end).expect(201);
    await post(batch, event({ type: 'dusted', stepId: 'flatten', massG: 5 })).expect(409);
  });

  test('a page goes on after its last batch, not after its instant', async () => {
    const ids = [];
    for (let n = 0; n < 5; n += 1) ids.push((await startBatch()).id);
    const seen: string[] = [];
    for (let before = ''; ;) {
      const { body } = await kitchen.api.get(`/api/v1/batches?limit=2${before}`).expect(200);
      seen.push(...(body as { id: string }[]).map(({ id }) => id));
      if (body.length < 2) break;
      before = `&before=${seen.at(-1) ?? ''}`;
    }
    expect(new Set(seen).size).toBe(seen.length);
    expect(ids.filter((id) => !seen.includes(id))).toEqual([]);
  });

  test('hostile text is kept as text', async () => {
    const batch = await startBatch();
    const text = `'); DROP TABLE batches; -- <script>alert(1)</script> \u202e \ud83e\uded3`;
    await post(batch, event({ type: 'note', text })).expect(201);
    const { body } = await kitchen.api.get(`/api/v1/batches/${batch.id}`).expect(200);
    expect(body.events[0].text).toBe(text);
  });
});

describe('the edge', () => {
  test.each([
    ['a body that is not JSON', '{"a":', 'application/json', 400],
    ['no JSON content type', 'a=1', 'application/x-www-form-urlencoded', 415],
    ['a list for a document', '[]', 'application/json', 422],
    ['null', 'null', 'application/json', 422],
    ['a hostile key', '{"__proto__":{"a":1}}', 'application/json', 422],
    ['a body over the limit', JSON.stringify({ a: 'x'.repeat(1_100_000) }), 'application/json', 413],
  ])('%s is a problem, not a crash', async (_case, body, type, status) => {
    const answer = await kitchen.api
      .post('/api/v1/plans')
      .set('content-type', type)
      .send(body)
      .expect(status);
    expect(answer.type).toBe('application/problem+json');
    expect(answer.body.detail.length).toBeGreaterThan(10);
  });

  test.each([
    '/api/v1/nothing',
    '/api/v1/batches/nobody',
    '/api/v1/formulas/none',
    "/api/v1/batches/x'%20OR%20'1'='1",
    '/api/v1/ingredients/none',
    '/nope.js',
  ])('%s is not there', async (path) => {
    expect((await kitchen.api.get(path).expect(404)).type).toBe('application/problem+json');
  });

  test.each(['/api/v1/batches/%00', '/%00', '/%E0%A4%A', '/api/v1/formulas/%zz', '/a%0d%0ab'])(
    'the address %s cannot be read, and is told so as a problem',
    async (path) => {
      expect((await kitchen.api.get(path).expect(400)).type).toBe('application/problem+json');
    },
  );

  test('a body that nests without end is refused before it is read', async () => {
    const deep = `{"a":${'['.repeat(200_000)}${']'.repeat(200_000)}}`;
    const answer = await kitchen.api
      .post('/api/v1/book')
      .set('content-type', 'application/json')
      .send(deep)
      .expect(413);
    expect(answer.body.detail).toMatch(/deeper than 64 levels/);
  });

  test('a refusal stays small, however much is wrong', async () => {
    const formulas = Array.from({ length: 2000 }, (_, n) => ({ name: 'x'.repeat(400), [`moon${n}`]: n }));
    const answer = await kitchen.api
      .post('/api/v1/book')
      .send({ book: { formulas }, onTaken: 'skip' })
      .expect(422);
    expect(answer.text.length).toBeLessThan(100_000);
    expect(answer.body.errors).toHaveLength(50);
    expect(answer.body.detail).toMatch(/And [\d,]+ more\.$/);
  });

  test.each([
    '/api/v1/batches?limit=0',
    '/api/v1/batches?limit=x',
    '/api/v1/batches?moon=1',
    '/api/v1/formulas/a/versions/x',
  ])('%s is refused', async (path) => {
    await kitchen.api.get(path).expect(422);
  });

  test('describes itself', async () => {
    const { body } = await kitchen.api.get('/api/v1/openapi.json').expect(200);
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining(['/api/v1/batches/{id}/events', '/api/v1/plans', '/api/v1/health']),
    );
    expect((await kitchen.api.get('/api/v1/health')).body.status).toBe('ok');
    const { schema } = body.paths['/api/v1/formulas/{id}'].get.responses['200'].content['application/json'];
    expect(schema).toEqual({ $ref: '#/components/schemas/Formula' });
    const { properties } = body.components.schemas.Formula;
    expect(properties.formatVersion.enum.at(-1)).toBe(FORMULA_FORMAT_VERSION);
  });
});

test('what was acknowledged is there when the file is opened again', async () => {
  const batch = await startBatch();
  const weighed = event({ type: 'weighed', stepId: 'weigh-1-strong', massG: 1785 });
  await post(batch, weighed).expect(201);
  const again = await openTestKitchen({ file: kitchen.path });
  const { body } = await again.api.get(`/api/v1/batches/${batch.id}`).expect(200);
  expect(foldBatch(body.plan, body.events).now?.step.id).toBe('weigh-1-soft');
  await again.close();
});

describe('records between the year 2000 and tomorrow, names of one line', () => {
  test.each(['1999-12-31T23:59:00.000Z', '1970-01-01T00:00:00.000Z'])(
    'an act of %s is refused',
    async (at) => {
      const batch = await startBatch();
      const { body } = await post(batch, { ...event({ type: 'note', text: 'x' }), at }).expect(422);
      expect(body.errors[0]).toMatchObject({
        path: 'at',
        message: expect.stringMatching(/before the year 2000/),
      });
    },
  );

  test.each([
    ['a line break', 'Wr\nap'],
    ['a mark that turns the direction', 'Wr\u202Eap'],
    ['half of a character', 'Wr\ud83dap'],
    ['a separator of lines', 'Wr\u2028ap'],
  ])('a formula whose name has %s is refused at its field', async (_case, name) => {
    const formula = { ...wrap(), id: 'other', name };
    const { body } = await kitchen.api.post('/api/v1/formulas').send({ formula, reason: 'new' }).expect(422);
    expect(body.errors).toMatchObject([{ path: 'formula.name', message: expect.stringMatching(/one line/) }]);
  });

  test('a note may have lines, and no half characters', async () => {
    const batch = await startBatch();
    await post(batch, event({ type: 'note', text: 'one\ntwo 🫓' })).expect(201);
    await post(batch, event({ type: 'note', text: 'half \ud83d' })).expect(422);
  });
});
