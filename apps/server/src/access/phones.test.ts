import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import { openPhoneStore } from './phones';

const MINUTE_MS = 60_000;
const at = (ms: number) => new Date(Date.parse('2026-03-04T10:00:00.000Z') + ms);

test('phones outlive a restart; of their keys only the hash is on the disk', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite');
  const database = await openDatabase(file, { upgrade: true });
  const { key, phone } = await (await openPhoneStore(database)).add({ name: 'Bench', role: 'cook' }, at(0));
  const [rows] = await database.sequelize.query('SELECT * FROM phones');
  expect(JSON.stringify(rows)).not.toContain(key);
  const again = await openPhoneStore(database);
  expect(await again.seen(key, at(0))).toEqual(phone);
  expect(await again.seen(`${key}x`, at(0))).toBeNull();
  await database.close();
});

test('a disk that takes nothing locks no phone out', async () => {
  const file = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite');
  const database = await openDatabase(file, { upgrade: true });
  const { key } = await (await openPhoneStore(database)).add({ name: 'Bench', role: 'cook' }, at(0));
  const full = Object.assign(() => Promise.reject(new HttpProblem(503, 'full')), database.write);
  const phones = await openPhoneStore({ ...database, write: full });
  const seen = await phones.seen(key, at(5 * MINUTE_MS));
  expect(seen?.lastSeenAt).toBe(at(5 * MINUTE_MS).toISOString());
  await database.close();
});

describe('while the disk is full', () => {
  async function fullKitchen() {
    const file = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite');
    const database = await openDatabase(file, { upgrade: true });
    const { key, phone } = await (await openPhoneStore(database)).add({ name: 'Bench', role: 'lead' }, at(0));
    const full = Object.assign(() => Promise.reject(new HttpProblem(503, 'full')), database.write);
    return { database, key, phone, phones: await openPhoneStore({ ...database, write: full }) };
  }

  test('a key that is taken away stays taken away over a restart, and is gone for good once there is room', async () => {
    const { database, key, phone, phones } = await fullKitchen();
    const ended: string[] = [];
    phones.onRevoked((id) => ended.push(id));
    expect(await phones.remove(phone.id)).toBe(true);
    expect(ended).toEqual([phone.id]);
    expect(await phones.seen(key, at(0))).toBeNull();
    // Still full at the next start, then not.
    const full = Object.assign(() => Promise.reject(new HttpProblem(503, 'full')), database.write);
    expect(await (await openPhoneStore({ ...database, write: full })).seen(key, at(0))).toBeNull();
    expect((await openPhoneStore(database)).list()).toEqual([]);
    expect(await database.sequelize.query('SELECT * FROM phones')).toMatchObject([[], expect.anything()]);
    await database.close();
  });

  test('a role that could not be changed is not another one until the next start', async () => {
    const { database, key, phone, phones } = await fullKitchen();
    await expect(phones.change(phone.id, { name: 'Bench', role: 'cook' })).rejects.toMatchObject({
      status: 503,
    });
    expect(await phones.seen(key, at(0))).toMatchObject({ role: 'lead' });
    await database.close();
  });
});
