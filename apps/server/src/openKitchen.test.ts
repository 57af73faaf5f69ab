import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { migrate } from './db/migrate';
import { migrations } from './db/migrations';
import { seedDemo } from './demo/seedDemo';
import { openKitchen } from './openKitchen';

const newFolder = () => mkdtempSync(join(tmpdir(), 'kettle-open-'));
const NOW = new Date('2026-03-04T10:00:00.000Z');

test('a first start that fails leaves nothing, and the next one is whole', async () => {
  const folder = newFolder();
  const failing = openKitchen(folder, async (stores) => {
    await seedDemo(stores, NOW);
    throw new Error('killed');
  });
  await expect(failing).rejects.toThrow('killed');
  expect(existsSync(join(folder, 'kitchen.sqlite'))).toBe(false);
  const kitchen = await openKitchen(folder, (stores) => seedDemo(stores, NOW));
  expect(await kitchen.stores.formulas.list()).toHaveLength(5);
  await kitchen.close();
  expect(readdirSync(folder).filter((name) => name.includes('making'))).toEqual([]);
});

test('an empty kitchen can become the demo and keeps its settings until it is one', async () => {
  const folder = newFolder();
  const first = await openKitchen(folder);
  await first.stores.kitchen.put({ ...(await first.stores.kitchen.get()), bowlCapacityG: 4321 });
  await first.close();
  const failing = openKitchen(folder, async () => {
    throw new Error('killed');
  });
  await expect(failing).rejects.toThrow('killed');
  const still = await openKitchen(folder);
  expect((await still.stores.kitchen.get()).bowlCapacityG).toBe(4321);
  await still.close();
  const demo = await openKitchen(folder, (stores) => seedDemo(stores, NOW));
  expect(await demo.stores.formulas.list()).toHaveLength(5);
  await demo.close();
});

test('an upgrade that breaks off leaves the old tables, and goes through later', async () => {
  const file = join(newFolder(), 'kitchen.sqlite');
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    logging: false,
  });
  const tables = async () => (await sequelize.getQueryInterface().showAllTables()).map(String).sort();
  await migrate(sequelize, migrations.slice(0, 1));
  const old = await tables();
  const [, second, ...rest] = migrations;
  const broken = { name: '0003-broken', statements: ['CREATE TABLE half (id)', 'no such statement'] };
  if (!second) throw new Error('no second migration');
  await expect(migrate(sequelize, [...migrations.slice(0, 1), second, broken])).rejects.toThrow();
  expect(await tables()).toEqual(old);
  await migrate(sequelize, [...migrations.slice(0, 1), second, ...rest]);
  expect(await tables()).toContain('batch_finds');
  await sequelize.close();
});

describe('a folder that cannot be used is told in one sentence', () => {
  const withFile = (name: string, content: string | Buffer) => {
    const folder = newFolder();
    writeFileSync(join(folder, name), content);
    return folder;
  };

  test.each<[string, () => string, RegExp]>([
    ['a file in its place', () => join(withFile('data', 'x'), 'data'), /is a file, not a folder/],
    ['inside of a file', () => join(withFile('data', 'x'), 'data', 'kitchen'), /is a file, not a folder/],
    ['nowhere to write', () => '/proc/kettle-scale', /cannot be written/],
    ['not a database', () => withFile('kitchen.sqlite', 'hello '.repeat(2000)), /is damaged/],
  ])('%s', async (_case, folder, words) => {
    await expect(openKitchen(folder())).rejects.toThrow(words);
  });

  test('a kitchen of a newer program', async () => {
    const folder = newFolder();
    const kitchen = await openKitchen(folder);
    await kitchen.database.sequelize.query("INSERT INTO migrations VALUES ('0999-future')");
    await kitchen.close();
    await expect(openKitchen(folder)).rejects.toThrow(/newer version of the program.*0999-future/);
  });

  test('a kitchen another server works with; free again when that one stops', async () => {
    const folder = newFolder();
    const first = await openKitchen(folder);
    await expect(openKitchen(folder)).rejects.toThrow(/Another Kettle Scale is already working/);
    await first.close();
    await (await openKitchen(folder)).close();
  });

  test('a database whose pages are torn', async () => {
    const folder = newFolder();
    await (await openKitchen(folder, (stores) => seedDemo(stores, NOW))).close();
    const torn = newFolder();
    const whole = readFileSync(join(folder, 'kitchen.sqlite'));
    whole.fill(0xab, 8192, 8192 * 4);
    writeFileSync(join(torn, 'kitchen.sqlite'), whole);
    await expect(openKitchen(torn)).rejects.toThrow(/is damaged/);
  });
});
