import { type StatsFs, renameSync } from 'node:fs';
import promises from 'node:fs/promises';
import { HttpProblem } from '../http/problem';
import { batchStart, event, openTestKitchen, wrap } from '../test/kitchen';
import { healthOf } from './health';

const health = async ({ api }: Awaited<ReturnType<typeof openTestKitchen>>) =>
  (await api.get('/api/v1/health').expect(200)).body as Record<string, unknown>;

test('says how the kitchen is, and when something was last stored', async () => {
  const kitchen = await openTestKitchen();
  expect(await health(kitchen)).toMatchObject({ status: 'ok', demo: false, problems: [] });
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
  const { lastWriteAt, freeBytes } = await health(kitchen);
  expect(Math.abs(Date.parse(String(lastWriteAt)) - Date.now())).toBeLessThan(60_000);
  expect(freeBytes).toBeGreaterThan(1_000_000);
  await kitchen.close();
});

test('a file that is gone takes no act any more, is told, and takes them again when it is back', async () => {
  const kitchen = await openTestKitchen();
  await kitchen.stores.formulas.create(wrap(), 'new', '2026-03-01T00:00:00.000Z');
  const { body } = await kitchen.api.post('/api/v1/batches').send(batchStart()).expect(201);
  const path = `/api/v1/batches/${(body as { id: string }).id}/events`;
  renameSync(kitchen.path, `${kitchen.path}.away`);
  const note = event({ type: 'note', text: 'lost?' });
  const refused = await kitchen.api.post(path).send(note).expect(503);
  expect(refused.type).toBe('application/problem+json');
  expect((refused.body as { detail: string }).detail).toMatch(/gone from the server’s folder/);
  expect(await health(kitchen)).toMatchObject({
    status: 'trouble',
    problems: [expect.stringMatching(/not in its folder/)],
  });
  renameSync(`${kitchen.path}.away`, kitchen.path);
  expect(await health(kitchen)).toMatchObject({ status: 'ok' });
  await kitchen.api.post(path).send(note).expect(201);
  await kitchen.close();
});

test('a disk that is full is told in words, and is not the fault of what was sent', async () => {
  const kitchen = await openTestKitchen();
  const error = Object.assign(new Error('SQLITE_FULL: database or disk is full'), { code: 'SQLITE_FULL' });
  const write = kitchen.database.write.alone(() => Promise.reject(error));
  await expect(write).rejects.toMatchObject({
    status: 503,
    message: expect.stringMatching(/disk .* is full/),
  });
  expect(kitchen.database.writes().problem).toMatch(/disk .* is full/);
  expect(await health(kitchen)).toMatchObject({ status: 'ok' });
  await kitchen.close();
});

test('why a backup failed, with its path, is told to a lead alone', async () => {
  const { database, close } = await openTestKitchen();
  const backup = { lastAt: null, problem: '/srv/kitchen/backups belongs to root' };
  const about = { version: '1', now: new Date(0), demo: false, sandbox: false, backup };
  expect((await healthOf(database, { ...about, toLead: true })).backup).toEqual(backup);
  const told = await healthOf(database, { ...about, toLead: false });
  expect(told.backup?.problem).toMatch(/^The last backup failed/);
  expect(JSON.stringify(told)).not.toMatch(/srv|root|EACCES/);
  await close();
});

test('where nothing can be saved, that is told alone: how little room is left is no news', async () => {
  const kitchen = await openTestKitchen();
  jest.spyOn(promises, 'statfs').mockResolvedValue({ bavail: 0, bsize: 4096 } as StatsFs);
  const about = { version: '1', now: new Date(0), demo: false, sandbox: false, backup: null, toLead: true };
  expect((await healthOf(kitchen.database, about)).problems).toEqual([
    expect.stringMatching(/nearly full: 0 MB/),
  ]);
  const full = 'The disk of the kitchen’s server is full.';
  const refused = {
    ...kitchen.database,
    writes: () => ({ lastAt: null, problem: full }),
    write: Object.assign(() => Promise.reject(new HttpProblem(503, full)), {
      alone: () => Promise.reject(new HttpProblem(503, full)),
    }),
  };
  expect((await healthOf(refused, about)).problems).toEqual([full]);
  jest.restoreAllMocks();
  await kitchen.close();
});
