import { existsSync, mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { createApp } from '../app';
import { readOptions } from '../options';
import { openTestKitchen } from '../test/kitchen';
import { keepSandbox } from './sandbox';

const ASKED = { headers: { 'kettle-app': 'test' } };

let kitchen: Awaited<ReturnType<typeof openTestKitchen>>;
beforeAll(async () => {
  kitchen = await openTestKitchen();
});
afterAll(() => kitchen.close());

test('a kitchen is not thrown away, and has no demo kitchen beside it where it was given none', async () => {
  await kitchen.api.delete('/api/v1/sandbox').expect(409);
  await kitchen.api.post('/api/v1/sandbox').expect(409);
  expect(existsSync(kitchen.path)).toBe(true);
});

test('a demo kitchen: one at a time, gone with its folder when it is left, and made anew', async () => {
  const data = mkdtempSync(join(tmpdir(), 'kettle-home-'));
  const sandbox = keepSandbox({
    options: readOptions(['--data', data]),
    ...{ logger: pino({ level: 'silent' }), now: () => new Date(), build: createApp },
    ...{ phones: kitchen.stores.phones, port: () => 4310 },
  });
  const [port, same] = await Promise.all([sandbox.side.open(), sandbox.side.open()]);
  expect(same).toBe(port);
  expect(readdirSync(data)).toEqual([expect.stringMatching(/^sandbox-/)]);
  const url = `http://127.0.0.1:${port}/api/v1`;
  expect(await (await fetch(`${url}/health`)).json()).toMatchObject({ demo: true, sandbox: true });
  expect(await (await fetch(`${url}/batches`)).json()).not.toEqual([]);
  const left = await fetch(`${url}/sandbox`, { method: 'DELETE', ...ASKED });
  expect(await left.json()).toEqual({ port: 4310 });
  await sandbox.close();
  await expect(fetch(`${url}/health`)).rejects.toThrow();
  const again = await fetch(`http://127.0.0.1:${await sandbox.side.open()}/api/v1/batches?status=running`);
  expect(again.status).toBe(200);
  await sandbox.close();
  expect(readdirSync(data)).toEqual([]);
});
