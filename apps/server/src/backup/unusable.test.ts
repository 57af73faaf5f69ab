import { BACKUP_FORMAT } from '@kettle-scale/core/document';
import { BACKUP_TYPE } from './handlers';
import { batchStart, openTestKitchen, wrap } from '../test/kitchen';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
const open: Kitchen[] = [];
const fresh = async (demo = false): Promise<Kitchen> => {
  const kitchen = await openTestKitchen({ demo });
  open.push(kitchen);
  return kitchen;
};
afterAll(() => Promise.all(open.map((kitchen) => kitchen.close())));

const TOPPING = { id: 'top', ingredient: 'moon-dust', gPerPiece: 2, when: 'at the end' } as const;
const topped = () => ({ ...wrap(), onBread: [TOPPING] });
const backupOf = async ({ api }: Kitchen): Promise<string> =>
  (await api.get('/api/v1/backup').buffer(true).expect(200)).text;
const restoreInto = ({ api }: Kitchen, text: string, query = '') =>
  api.post(`/api/v1/backup${query}`).set('content-type', BACKUP_TYPE).send(text);
const dust = { id: 'moon-dust', name: 'Moon dust', kind: 'other', allergens: [] } as const;
const NOTHING_IN_IT = { water: 0, protein: 0, fat: 0, carbohydrate: 0, ash: 0 };

test('a topping that names an unknown ingredient is refused wherever a formula comes in', async () => {
  const { api } = await fresh(true);
  const where = (body: unknown) => (body as { errors: { path: string }[] }).errors.map(({ path }) => path);
  const added = await api
    .post('/api/v1/formulas')
    .send({ formula: { ...topped(), id: 'moon' }, reason: 'new' })
    .expect(422);
  expect(where(added.body)).toEqual(['formula.onBread[0].ingredient']);
  const version = await api
    .post('/api/v1/formulas/deckhand-wrap/versions')
    .set('if-match', '"1"')
    .send({ formula: topped(), reason: 'new' })
    .expect(422);
  expect(where(version.body)).toEqual(['formula.onBread[0].ingredient']);
  const book = {
    format: 'kettle-scale/book',
    formatVersion: 1,
    formulas: [topped()],
    ingredients: [],
    archived: [],
  };
  const brought = await api.post('/api/v1/book').send({ book, onTaken: 'version' }).expect(422);
  expect(where(brought.body)).toEqual(['book.formulas[0].onBread[0].ingredient']);
  await restoreInto(await fresh(), await backupOf(open[0] as Kitchen)).expect(201);
});

test('an ingredient deleted while a formula or a lot with it is saved: one of the two is refused, and the backup restores', async () => {
  const kitchen = await fresh();
  const { api } = kitchen;
  const flour = { ...dust, ...NOTHING_IN_IT, id: 'moon-flour', name: 'Moon flour', kind: 'flour' };
  const lot = { name: 'Moon lot', ingredient: 'moon-flour', receivedOn: '2026-03-01', bagKg: 25 };
  for (let turn = 0; turn < 10; turn += 1) {
    await kitchen.over('put', '/api/v1/ingredients/moon-dust', { ...dust, ...NOTHING_IN_IT });
    await kitchen.over('put', '/api/v1/ingredients/moon-flour', flour);
    const raced = await Promise.all([
      api.post('/api/v1/formulas').send({ formula: { ...topped(), id: `moon-${turn}` }, reason: 'new' }),
      api.delete('/api/v1/ingredients/moon-dust'),
      api.put(`/api/v1/flour-lots/moon-lot-${turn}`).send({ ...lot, id: `moon-lot-${turn}` }),
      api.delete('/api/v1/ingredients/moon-flour'),
    ]);
    const [formula, noDust, stored, noFlour] = raced.map(({ status }) => status);
    expect([
      [201, 409],
      [422, 200],
    ]).toContainEqual([formula, noDust]);
    expect([
      [200, 409],
      [422, 200],
    ]).toContainEqual([stored, noFlour]);
  }
  await restoreInto(await fresh(), await backupOf(kitchen)).expect(201);
});

describe('a backup of a kitchen in which it is so already', () => {
  /** What an older program accepted: a topping that nobody knows, in a formula with a batch. */
  async function oldBackup(): Promise<string[]> {
    const kitchen = await fresh();
    await kitchen.api.post('/api/v1/formulas').send({ formula: wrap(), reason: 'new' }).expect(201);
    await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
    const lines = (await backupOf(kitchen)).trim().split('\n');
    return lines.map((line) => {
      if (!line.startsWith('{"kind":"formula"')) return line;
      const entry = JSON.parse(line) as { versions: { formula: object }[] };
      entry.versions.forEach((version) => (version.formula = { ...version.formula, onBread: [TOPPING] }));
      return JSON.stringify(entry);
    });
  }
  const at = (lines: readonly string[], kind: string) =>
    lines.findIndex((line) => line.startsWith(`{"kind":"${kind}"`));

  test('is told by its line, and restored without that topping when that is asked for', async () => {
    const lines = await oldBackup();
    expect(lines[0]).toContain(BACKUP_FORMAT);
    const empty = await fresh();
    const { body } = await restoreInto(empty, lines.join('\n')).expect(422);
    expect(body).toMatchObject({ instead: 'without=unusable' });
    expect((body as { detail: string }).detail).toMatch(
      new RegExp(
        `^Line ${at(lines, 'formula') + 1}: version 1 of “Deckhand wrap” puts the ingredient “moon-dust”`,
      ),
    );
    expect((await empty.api.get('/api/v1/formulas')).body).toEqual([]);

    const restored = await restoreInto(empty, lines.join('\n'), '?without=unusable').expect(201);
    expect(restored.body).toMatchObject({ formula: 1, batch: 1, 'left out': 1 });
    const { body: formula } = await empty.api.get('/api/v1/formulas/deckhand-wrap').expect(200);
    expect(formula).toMatchObject({ onBread: [] });
    await restoreInto(await fresh(), await backupOf(empty)).expect(201);
  });

  test('a batch that cannot be read is left out whole, and nothing else with it', async () => {
    const lines = await oldBackup();
    lines[at(lines, 'batch')] = (lines[at(lines, 'batch')] ?? '').replace(
      '"events":[',
      '"events":[{"type":"spell"},',
    );
    const empty = await fresh();
    await restoreInto(empty, lines.join('\n')).expect(422);
    const { body } = await restoreInto(empty, lines.join('\n'), '?without=unusable').expect(201);
    expect(body).toMatchObject({ formula: 1 });
    expect((await empty.api.get('/api/v1/batches')).body).toEqual([]);
  });

  test('a file of nothing but wrong lines is given up, whatever was asked', async () => {
    const [head = ''] = await oldBackup();
    const text = `${head}\n${'{}\n'.repeat(5000)}`;
    const { body } = await restoreInto(await fresh(), text, '?without=unusable').expect(422);
    expect((body as { detail: string }).detail).toMatch(/^Line 1,002: more than 1,000 things before it/);
  });

  test('what is no whole backup is not restored by leaving something out', async () => {
    const lines = await oldBackup();
    const empty = await fresh();
    const { body } = await restoreInto(empty, lines.slice(0, -1).join('\n'), '?without=unusable').expect(422);
    expect((body as { detail: string }).detail).toMatch(/ends early/);
  });
});

describe('what no kitchen of today takes is held against limits before anything is worked out', () => {
  let lines: string[];
  beforeAll(async () => {
    const kitchen = await fresh();
    await kitchen.api.post('/api/v1/formulas').send({ formula: wrap(), reason: 'new' }).expect(201);
    await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
    lines = (await backupOf(kitchen)).trim().split('\n');
  });
  const changed = (from: RegExp | string, to: string) =>
    lines.map((line) => line.replace(from, to)).join('\n');
  const said = async (text: string): Promise<string> => {
    const { body } = await restoreInto(await fresh(), text).expect(422);
    return (body as { detail: string }).detail;
  };

  test.each(['10000000', '300000', '51', '-1'])('a plan with %s bowls', async (bowls) => {
    const { api } = await fresh();
    expect(await said(changed(/"bowls":\d+/, `"bowls":${bowls}`))).toMatch(
      /^Line 4: Bowls must be between 1 and 50/,
    );
    // Worked out first, three hundred thousand took a minute and ten million the server.
    await api.get('/api/v1/health').expect(200);
  });

  test.each(['1999-12-31T23:59:59.000Z', '2099-01-01T00:00:00.000Z'])('a batch of %s', async (at) => {
    expect(await said(changed(/"at":"[^"]+"/, `"at":"${at}"`))).toMatch(
      /^Line 4: This is dated .*check the clock/,
    );
  });

  test('a name of two lines or with a mark of direction is made one line, and told', async () => {
    const text = changed(/"name":"Deckhand wrap"/g, '"name":"Deckhand\\n\u202Ewrap"');
    expect(await said(text)).toMatch(/^Line 3: Formula name must be one line.*it is called “Deckhand wrap”/);
    const kitchen = await fresh();
    const { body } = await restoreInto(kitchen, text, '?without=unusable').expect(201);
    expect(body).toMatchObject({ formula: 1, batch: 1 });
    expect((await kitchen.api.get('/api/v1/batches')).body).toMatchObject([{ formulaName: 'Deckhand wrap' }]);
  });
});
