import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Sequelize } from 'sequelize';
import sqlite3 from 'sqlite3';
import { migrate } from '../../apps/server/src/db/migrate';
import { migrations } from '../../apps/server/src/db/migrations';

/** The file of a kitchen as the first release left it, with one lot in it. */
export async function oldKitchen(): Promise<string> {
  const file = join(mkdtempSync(join(tmpdir(), 'kettle-old-')), 'kitchen.sqlite');
  const old = new Sequelize({ dialect: 'sqlite', dialectModule: sqlite3, storage: file, logging: false });
  await migrate(old, migrations.slice(0, 1));
  const lot = { id: 'old-lot', ingredient: 'flour-strong', name: 'Old', receivedOn: '2026-01-01', bagKg: 25 };
  await old.query(`INSERT INTO ingredients VALUES ('flour-strong', '{}')`);
  await old.query(`INSERT INTO flour_lots VALUES ('old-lot', 'flour-strong', $1)`, {
    bind: [JSON.stringify(lot)],
  });
  await old.close();
  return file;
}
