import request from 'supertest';
import { openTestKitchen } from '../test/kitchen';
import { BACKUP_TYPE } from './handlers';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
const open: Kitchen[] = [];
const fresh = async (demo = false): Promise<Kitchen> => {
  const kitchen = await openTestKitchen({ demo });
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
const restoreInto = ({ app }: Kitchen, text: string, query = '') =>
  request(app).post(`/api/v1/backup${query}`).set('content-type', BACKUP_TYPE).send(text);
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
  const empty = await fresh();
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

test('another content type is refused', async () => {
  await demo.api.post('/api/v1/backup').send({ hello: 1 }).expect(415);
});
