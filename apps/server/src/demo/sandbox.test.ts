import { existsSync, mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Express } from 'express';
import pino from 'pino';
import request from 'supertest';
import { createApp } from '../app';
import { createHub } from '../live/hub';
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
    logger: pino({ level: 'silent' }),
    now: () => new Date(),
    build: createApp,
    phones: kitchen.stores.phones,
    port: () => 4310,
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

test('a key that is taken away in either kitchen, or a role that changes, ends the streams of both', async () => {
  const hubs = [createHub(), createHub()];
  const ended: string[][] = hubs.map(() => []);
  const [home, beside] = hubs.map((hub, index) => {
    hub.onRevoke((id) => ended[index]?.push(id));
    const { database, stores } = kitchen;
    return createApp({ database, stores, hub, logger: pino({ level: 'silent' }) });
  }) as [Express, Express];
  const { phone } = await kitchen.stores.phones.add({ name: 'Bench', role: 'cook' }, new Date());
  const at = `/api/v1/phones/${phone.id}`;
  await request(beside).put(at).set('kettle-app', 'test').send({ name: 'Bench', role: 'lead' }).expect(200);
  expect(ended).toEqual([[phone.id], [phone.id]]);
  await request(home).delete(at).set('kettle-app', 'test').expect(200);
  expect(ended).toEqual([
    [phone.id, phone.id],
    [phone.id, phone.id],
  ]);
  // A demo kitchen that was left hears nothing more.
  hubs[1]?.close();
  const { phone: other } = await kitchen.stores.phones.add({ name: 'Pass', role: 'cook' }, new Date());
  await kitchen.stores.phones.remove(other.id);
  expect([ended[0]?.length, ended[1]?.length]).toEqual([3, 2]);
});
