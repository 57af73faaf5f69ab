import { readdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { PassThrough, Readable } from 'node:stream';
import request from 'supertest';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';
import { backupLines } from './backup';
import { BACKUP_TYPE } from './handlers';
import { LIMITS, incomingLines } from './incoming';
import { restore } from './restore';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
const open: Kitchen[] = [];
const fresh = async (demo = false, seeded = demo): Promise<Kitchen> => {
  const kitchen = await openTestKitchen({ demo, seeded });
  open.push(kitchen);
  return kitchen;
};
afterAll(() => Promise.all(open.map((kitchen) => kitchen.close())));

const backupOf = async ({ app }: Kitchen): Promise<string> => {
  const { body } = await request(app)
    .get('/api/v1/backup')
    .buffer(true)
    .parse((response, done) => {
      const parts: Buffer[] = [];
      response.on('data', (part: Buffer) => parts.push(part));
      response.on('end', () => done(null, Buffer.concat(parts).toString('utf8')));
    })
    .expect(200);
  return body as string;
};
const restoreInto = ({ api }: Kitchen, text: string, query = '') =>
  api.post(`/api/v1/backup${query}`).set('content-type', BACKUP_TYPE).send(text);
/** Everything but when it was made. */
const contents = (text: string): string[] => text.trim().split('\n').slice(1);
/** A failed comparison should not print the whole kitchen. */
const expectSame = (a: string, b: string): void => {
  const [left, right] = [contents(a), contents(b)];
  expect(left.length).toBe(right.length);
  expect(left.findIndex((line, index) => line !== right[index])).toBe(-1);
};

let demo: Kitchen;
let backup: string;
beforeAll(async () => {
  demo = await fresh(true);
  backup = await backupOf(demo);
});

test('a kitchen restored into an empty one is the same kitchen, to the letter', async () => {
  const empty = await fresh(true, false);
  const { body } = await restoreInto(empty, backup).expect(201);
  expect(body).toMatchObject({ formula: 5, 'flour-lot': 2, batch: 21 });
  expectSame(await backupOf(empty), backup);
  for (const path of ['/batches?limit=200', '/lessons', '/flour-lots', '/book', '/kitchen']) {
    const [a, b] = await Promise.all([demo.api.get(`/api/v1${path}`), empty.api.get(`/api/v1${path}`)]);
    expect(b.body).toEqual(a.body);
  }
});

test('a kitchen that has something is not overwritten, unless it is to be replaced', async () => {
  const { body } = await restoreInto(demo, backup).expect(409);
  expect((body as { detail: string }).detail).toMatch(/Restore into an empty one/);
  await restoreInto(demo, backup, '?replace=true').expect(201);
  expectSame(await backupOf(demo), backup);
});

describe('a file that is not whole changes nothing, and is told by its line', () => {
  const lines = () => backup.trim().split('\n');
  const without = (at: number) => lines().filter((_line, index) => index !== at);
  const formulaAt = () => lines().findIndex((line) => line.startsWith('{"kind":"formula"'));

  test.each<[string, () => string, RegExp]>([
    ['cut short', () => lines().slice(0, -1).join('\n'), /ends early/],
    ['a line lost', () => without(4).join('\n'), /says \d+ lines and has \d+|refers to something/],
    ['not JSON', () => ['oops', ...lines()].join('\n'), /^Line 1: This is not JSON/],
    ['another format', () => '{"format":"x"}', /^Line 1: This must be a document of the format/],
    [
      'a kind nobody knows',
      () => [lines()[0], '{"kind":"spell"}'].join('\n'),
      /^Line 2: This line is of no kind/,
    ],
    [
      'a formula lost',
      () => without(formulaAt()).join('\n'),
      /refers to something that is not in the backup|lines and has/,
    ],
    ['empty', () => '', /ends early|Line 1/],
  ])('%s', async (_case, text, words) => {
    const empty = await fresh();
    const { body } = await restoreInto(empty, text()).expect(422);
    expect((body as { detail: string }).detail).toMatch(words);
    expect((await empty.api.get('/api/v1/formulas')).body).toEqual([]);
  });
});

test('a backup of a made-up kitchen teaches a real one nothing', async () => {
  const real = await fresh();
  await restoreInto(real, backup).expect(201);
  expect((await real.api.get('/api/v1/batches')).body).toHaveLength(21);
  expect((await real.api.get('/api/v1/lessons')).body).toEqual([]);
  const { body: lots } = await real.api.get('/api/v1/flour-lots');
  expect((lots as { offset: { batches: number } }[]).map(({ offset }) => offset.batches)).toEqual([0, 0]);
  expect((await real.api.get('/api/v1/griddle-pieces?formula=deckhand-wrap')).body).toEqual([]);
});

describe('nothing is dropped without a word', () => {
  const lines = () => backup.trim().split('\n');
  const at = (kind: string) => lines().findIndex((line) => line.startsWith(`{"kind":"${kind}"`));
  type Line = Record<string, unknown>;
  const changed = (index: number, change: (line: Line) => Line): string =>
    lines()
      .map((line, i) => (i === index ? JSON.stringify(change(JSON.parse(line) as Line)) : line))
      .join('\n');
  const twice = (index: number): string => {
    const all = lines();
    return [...all.slice(0, index + 1), all[index], ...all.slice(index + 1)].join('\n');
  };

  test.each<[string, () => string, RegExp]>([
    [
      'acts without a time received',
      () => changed(at('batch'), (line) => ({ ...line, receivedAt: (line.receivedAt as string[]).slice(1) })),
      /^Line \d+: Every act of a batch needs the time/,
    ],
    ['a second head', () => twice(0), /^Line 2: /],
    ['settings twice', () => twice(at('kitchen')), /^Line 3: there is a “kitchen” already/],
    [
      'a plan without a sheet',
      () => changed(at('batch'), (line) => ({ ...line, plan: { ...(line.plan as Line), sheet: [] } })),
      /^Line \d+: A plan needs something to weigh/,
    ],
    [
      'an ingredient that nobody knows',
      () =>
        changed(at('formula'), (line) => ({
          ...line,
          versions: JSON.parse(
            JSON.stringify(line.versions).replace('"ingredient":"salt-fine"', '"ingredient":"moon-dust"'),
          ),
        })),
      /^Line \d+: version 1 of “.+” uses the ingredient “moon-dust”/,
    ],
    [
      'a batch of another formula',
      () =>
        changed(at('batch'), (line) => ({
          ...line,
          start: { ...(line.start as Line), formulaId: 'pilot-x' },
        })),
      /^Line \d+: The batch was started with one formula/,
    ],
    [
      'a line that nests without end',
      () => `${lines()[0]}\n${'['.repeat(100_000)}`,
      /^Line 2: it nests deeper/,
    ],
  ])('%s', async (_case, text, words) => {
    const empty = await fresh();
    const { body } = await restoreInto(empty, text()).expect(422);
    expect((body as { detail: string }).detail).toMatch(words);
    expect((await empty.api.get('/api/v1/formulas')).body).toEqual([]);
  });
});

test('a backup is one moment of the kitchen: what is written after its first line from the disk is not in it', async () => {
  const busy = await fresh(true);
  const before = await backupOf(busy);
  let text = '';
  await busy.database.snapshot(async (transaction) => {
    for await (const line of backupLines(busy.database, '2026-03-04T05:06:07Z', transaction)) {
      if (line.startsWith('{"kind":"kitchen"')) {
        await busy.api.post('/api/v1/batches').send(batchStart()).expect(201);
        await busy.api
          .post('/api/v1/formulas')
          .send({ formula: { ...wrap(), id: 'later' }, reason: 'new' })
          .expect(201);
      }
      text += line;
    }
  });
  expectSame(text, before);
  expect(contents(await backupOf(busy))).toHaveLength(contents(before).length + 2);
});

test('a backup made while two cooks work restores', async () => {
  const busy = await fresh(true);
  const ids = await Promise.all(
    [0, 1].map(async () => {
      const { body } = await busy.api.post('/api/v1/batches').send(batchStart()).expect(201);
      return (body as { id: string }).id;
    }),
  );
  /** While they write, and no longer: they would write as much again while the copy is read. */
  const backupBesideCooks = async (): Promise<string> => {
    let working = true;
    const cooks = ids.map(async (id, cook) => {
      for (let n = 0; working; n += 1) {
        await busy.api.post(`/api/v1/batches/${id}/events`).send(event({ type: 'note', text: `${n}` }));
        if (n % 3 === cook) await busy.api.post('/api/v1/batches').send(batchStart());
      }
    });
    const [text] = await Promise.all([backupOf(busy).finally(() => (working = false)), ...cooks]);
    return text;
  };
  for (let turn = 0; turn < 4; turn += 1) {
    const text = await backupBesideCooks();
    const empty = await fresh();
    await restoreInto(empty, text).expect(201);
    expectSame(await backupOf(empty), text);
  }
});

test('a sender that stops holds nobody up, is given up, and leaves nothing behind', async () => {
  const empty = await fresh();
  const stalled = new PassThrough();
  stalled.write(backup.slice(0, backup.length / 2));
  const limits = { ...LIMITS, stallMs: 600 };
  const restoring = restore(empty.database, empty.stores, stalled, {
    replace: false,
    now: new Date(),
    limits,
  });
  const refused = expect(restoring).rejects.toMatchObject({ status: 408 });
  // Written while the restore waits for its sender.
  await empty.api.post('/api/v1/formulas').send({ formula: wrap(), reason: 'new' }).expect(201);
  await refused;
  expect((await empty.api.get('/api/v1/formulas')).body).toHaveLength(1);
  expect(readdirSync(dirname(empty.path)).filter((name) => name.includes('restoring'))).toEqual([]);
});

test('a kitchen that takes long over a line does not take its sender for stalled', async () => {
  jest.useFakeTimers({ doNotFake: ['nextTick', 'setImmediate', 'queueMicrotask'] });
  const limits = { ...LIMITS, stallMs: 1000 };
  const texts: string[] = [];
  for await (const { text } of incomingLines(Readable.from(['one\ntwo\n', 'three\n']), limits)) {
    texts.push(text);
    jest.advanceTimersByTime(5000);
  }
  jest.useRealTimers();
  expect(texts).toEqual(['one', 'two', 'three']);
});

test.each([
  ['a line', { lineBytes: 1000 }],
  ['the whole', { allBytes: 5000 }],
])('%s larger than it may be is refused', async (_case, changes) => {
  const empty = await fresh();
  const restoring = restore(empty.database, empty.stores, Readable.from([backup]), {
    replace: false,
    now: new Date(),
    limits: { ...LIMITS, ...changes },
  });
  await expect(restoring).rejects.toMatchObject({ status: 413 });
});

test('another content type is refused', async () => {
  await demo.api.post('/api/v1/backup').send({ hello: 1 }).expect(415);
});
