import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BOOK_FORMAT } from '@kettle-scale/core/document';
import { type Formula, FORMULA_FORMAT_VERSION } from '@kettle-scale/core/formula';
import { CATALOGUE, type Ingredient } from '@kettle-scale/core/ingredient';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import * as start from '../db/migrations/0001-start';
import { openTestKitchen, wrap } from '../test/kitchen';

let kitchen: Awaited<ReturnType<typeof openTestKitchen>>;
beforeEach(async () => {
  kitchen = await openTestKitchen();
  await kitchen.api.post('/api/v1/formulas').send({ formula: wrap(), reason: 'new' }).expect(201);
});
afterEach(() => kitchen.close());

const flourOf = (id: string): Ingredient => {
  const found = CATALOGUE.find((food) => food.id === id);
  if (!found) throw new Error(id);
  return found;
};
const moon: Ingredient = { ...flourOf('sesame-seed'), id: 'moon-dust', name: 'Moon dust' };
const named = (id: string, changes: Partial<Formula> = {}): Formula => ({
  ...wrap(),
  id,
  name: id,
  ...changes,
});
const bring = (formulas: Formula[], rest: object = {}, onTaken = 'version') =>
  kitchen.api.post('/api/v1/book').send({
    book: { format: BOOK_FORMAT, formatVersion: 1, formulas, ingredients: [], archived: [], ...rest },
    onTaken,
  });
const bookIds = async () =>
  (await kitchen.api.get('/api/v1/book').expect(200)).body.map(
    (entry: { formula: Formula }) => entry.formula.id,
  );

describe('two people at one formula', () => {
  const save = (tag: string | null, changes: Partial<Formula>) => {
    const request = kitchen.api.post('/api/v1/formulas/deckhand-wrap/versions');
    if (tag) void request.set('If-Match', tag);
    return request.send({ formula: { ...wrap(), ...changes }, reason: 'x' });
  };

  test('the second gets the first one’s version beside the refusal, and can save on top of it', async () => {
    const { headers } = await kitchen.api.get('/api/v1/formulas/deckhand-wrap').expect(200);
    expect(headers.etag).toBe('"1"');
    const first = await save(headers.etag as string, { summary: 'first' }).expect(201);
    expect(first.headers.etag).toBe('"2"');
    const second = await save(headers.etag as string, { summary: 'second' }).expect(412);
    expect(second.type).toBe('application/problem+json');
    expect(second.body.current.formula).toMatchObject({ version: 2, summary: 'first' });
    await save('"2"', { summary: 'second' }).expect(201);
    const history = await kitchen.api.get('/api/v1/formulas/deckhand-wrap/versions');
    expect(history.body.map((v: { formula: Formula }) => v.formula.summary)).toEqual([
      ...['second', 'first', wrap().summary],
    ]);
  });

  test.each([
    [null, 428],
    ['*', 412],
    ['"moon"', 412],
    ['"9"', 412],
  ])('with If-Match %s it is %i, and nothing is saved', async (tag, status) => {
    await save(tag, { summary: 'lost?' }).expect(status);
    expect((await kitchen.api.get('/api/v1/formulas/deckhand-wrap')).body.version).toBe(1);
  });
});

test('put away is out of the list and in the book; taken out again it is back', async () => {
  const put = (archived: boolean) =>
    kitchen.api.put('/api/v1/formulas/deckhand-wrap/archived').send({ archived }).expect(200);
  await put(true);
  expect((await kitchen.api.get('/api/v1/formulas')).body).toEqual([]);
  expect((await kitchen.api.get('/api/v1/book')).body).toMatchObject([{ archived: true, reason: 'new' }]);
  await kitchen.api.get('/api/v1/formulas/deckhand-wrap').expect(200);
  await put(false);
  expect((await kitchen.api.get('/api/v1/formulas')).body).toHaveLength(1);
  await kitchen.api.put('/api/v1/formulas/moon/archived').send({ archived: true }).expect(404);
});

describe('a book brought in', () => {
  test('is added whole, with its own ingredients, and what was put away stays so', async () => {
    const dusty = named('dusty', {
      lines: [...wrap().lines, { id: 'moon', ingredient: 'moon-dust', fraction: 0.01 }],
    });
    const { body } = await bring([named('one'), dusty], { ingredients: [moon], archived: ['one'] }).expect(
      200,
    );
    expect(body).toMatchObject({ added: ['one', 'dusty'], ingredientsAdded: ['moon-dust'] });
    expect(await bookIds()).toEqual(['deckhand-wrap', 'dusty', 'one']);
    expect((await kitchen.api.get('/api/v1/formulas')).body).toHaveLength(2);
  });

  test.each([
    [
      'a share that is none',
      { lines: [{ id: 'a', ingredient: 'flour-strong', fraction: -1 }] },
      /book\.formulas\[1\]\.lines\[0\]/,
    ],
    [
      'an unknown ingredient',
      { lines: [...wrap().lines, { id: 'm', ingredient: 'moon', fraction: 1 }] },
      /book\.formulas\[1\]\.lines\[5\]/,
    ],
    ['no flour', { lines: wrap().lines.slice(2) }, /book\.formulas\[1\]\.lines/],
  ])('with %s in one formula nothing comes in', async (_case, changes, path) => {
    const { body } = await bring([named('one'), named('two', changes), named('three')]).expect(422);
    expect(body.errors[0].path).toMatch(path);
    expect(await bookIds()).toEqual(['deckhand-wrap']);
  });

  test('what is here already becomes a version, a copy, or is left, as asked; the same bread changes nothing', async () => {
    const wetter = { ...wrap(), summary: 'wetter' };
    expect((await bring([wrap()])).body.unchanged).toEqual(['deckhand-wrap']);
    expect((await bring([wetter], {}, 'skip')).body.skipped).toEqual(['deckhand-wrap']);
    expect((await bring([wetter], {}, 'copy')).body.copies).toEqual(['deckhand-wrap-2']);
    expect((await bring([wetter], {}, 'version')).body.versions).toEqual(['deckhand-wrap']);
    expect((await kitchen.api.get('/api/v1/formulas/deckhand-wrap')).body).toMatchObject({
      version: 2,
      summary: 'wetter',
    });
    await bring([wetter], {}, 'overwrite').expect(422);
  });
});

describe('the kitchen’s own ingredients', () => {
  const put = async (food: Ingredient, id = food.id) => {
    const found = await kitchen.api.get(`/api/v1/ingredients/${food.id}`);
    const tag = found.status === 200 ? (found.headers as { etag?: string }).etag : undefined;
    const { status } = await kitchen.api
      .put(`/api/v1/ingredients/${id}`)
      .set(tag && id === food.id ? { 'if-match': tag } : {})
      .send(food);
    return status;
  };
  const get = async (id: string) => (await kitchen.api.get(`/api/v1/ingredients/${id}`).expect(200)).body;

  test('are changed, added, hidden and taken back', async () => {
    expect(await put({ ...flourOf('water'), hidden: true, note: 'From the well.' })).toBe(200);
    expect(await put(moon)).toBe(200);
    expect(await get('water')).toMatchObject({ hidden: true, note: 'From the well.' });
    expect((await kitchen.api.get('/api/v1/ingredients')).body).toHaveLength(CATALOGUE.length + 1);
    expect(
      (await kitchen.api.get('/api/v1/book/own-ingredients')).body.map(({ id }: Ingredient) => id),
    ).toEqual(['moon-dust', 'water']);
    await kitchen.api.delete('/api/v1/ingredients/water').expect(200);
    expect(await get('water')).toEqual(flourOf('water'));
    await kitchen.api.delete('/api/v1/ingredients/moon-dust').expect(200);
    await kitchen.api.get('/api/v1/ingredients/moon-dust').expect(404);
  });

  test('cannot be pulled from under a formula', async () => {
    expect(await put(moon)).toBe(200);
    await bring([
      named('dusty', { lines: [...wrap().lines, { id: 'moon', ingredient: 'moon-dust', fraction: 0.01 }] }),
    ]).expect(200);
    const { body } = await kitchen.api.delete('/api/v1/ingredients/moon-dust').expect(409);
    expect(body.detail).toMatch(/used by dusty\. Hide it instead/);
    expect(await put({ ...flourOf('flour-strong'), kind: 'other' })).toBe(422);
    expect(await put(moon, 'other-id')).toBe(422);
    expect(await put({ ...moon, water: 0.9 })).toBe(422);
  });
});

test('a kitchen of the first release opens with all it had', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite');
  const old = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false });
  const run = (sql: string, bind: unknown[]) => old.query(sql, { bind });
  for (const statement of start.statements) await run(statement, []);
  await run(`CREATE TABLE migrations (name VARCHAR(255) PRIMARY KEY)`, []);
  await run(`INSERT INTO migrations VALUES ($1)`, ['0001-start']);
  await run(`INSERT INTO ingredients VALUES ($1, $2)`, ['flour-strong', '{}']);
  const lot = { id: 'lot-1', ingredient: 'flour-strong', name: 'Lot', receivedOn: '2026-01-01', bagKg: 25 };
  await run(`INSERT INTO flour_lots VALUES ($1, $2, $3)`, ['lot-1', 'flour-strong', JSON.stringify(lot)]);
  await run(`INSERT INTO formulas VALUES ($1, 1)`, ['deckhand-wrap']);
  await run(`INSERT INTO formula_versions VALUES ($1, 1, $2, 'old', '2026-01-01')`, [
    'deckhand-wrap',
    JSON.stringify({ ...wrap(), formatVersion: 1 }),
  ]);
  const plan = { formula: { name: 'Wrap' }, bowls: 2, sheet: [{ ingredient: 'flour-strong', massG: 1500 }] };
  await run(
    `INSERT INTO batches (id, startedAt, formulaId, formulaName, formulaVersion, flourLotId, status, start, plan)
     VALUES ('b', '2026-01-02T09:00:00.000Z', 'deckhand-wrap', 'Wrap', 1, 'lot-1', 'finished', '{}', $1)`,
    [JSON.stringify(plan)],
  );
  await old.close();

  const opened = await openTestKitchen({ file });
  expect((await opened.api.get('/api/v1/flour-lots')).body).toMatchObject([
    { ...lot, boughtG: 25_000, usedG: 3000, leftG: 22_000, uses: [{ batchId: 'b' }] },
  ]);
  expect((await opened.api.get('/api/v1/formulas')).body).toMatchObject([
    { id: 'deckhand-wrap', formatVersion: 1 },
  ]);
  await opened.api
    .post('/api/v1/formulas/deckhand-wrap/versions')
    .set('If-Match', '"1"')
    .send({ formula: wrap(), reason: 'x' })
    .expect(201);
  expect((await opened.api.get('/api/v1/formulas/deckhand-wrap')).body).toMatchObject({
    version: 2,
    formatVersion: FORMULA_FORMAT_VERSION,
  });
  await opened.close();
});
