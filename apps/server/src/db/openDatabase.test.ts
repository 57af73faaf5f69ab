import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { QueryTypes, type Transaction } from 'sequelize';
import { openDatabase } from './openDatabase';

const FULL = 2;

test('every connection writes ahead, in full, and minds foreign keys', async () => {
  const database = await openDatabase(join(mkdtempSync(join(tmpdir(), 'kettle-')), 'kitchen.sqlite'), {
    upgrade: true,
  });
  const pragma = async (name: string, transaction: Transaction | null) => {
    const [row] = await database.sequelize.query<Record<string, unknown>>(`PRAGMA ${name}`, {
      type: QueryTypes.SELECT,
      transaction,
    });
    return Object.values(row ?? {})[0];
  };
  const all = async (transaction: Transaction | null) =>
    Promise.all(['journal_mode', 'synchronous', 'foreign_keys'].map((name) => pragma(name, transaction)));
  expect(await all(null)).toEqual(['wal', FULL, 1]);
  expect(await database.write(all)).toEqual(['wal', FULL, 1]);
  await database.close();
});
