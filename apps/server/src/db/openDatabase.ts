import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { promisify } from 'node:util';
import { Mutex } from 'async-mutex';
import { Sequelize, Transaction } from 'sequelize';
import sqlite3 from 'sqlite3';
import { SequelizeStorage, Umzug } from 'umzug';
import { migrations } from './migrations';

/** Every connection: an acknowledged write is on the disk, and a second writer waits instead of failing. */
const PRAGMAS = `
  PRAGMA journal_mode = WAL;
  PRAGMA synchronous = FULL;
  PRAGMA foreign_keys = ON;
  PRAGMA busy_timeout = 5000;
`;

/** The kitchen's database. */
export interface Database {
  sequelize: Sequelize;
  /**
   * Runs one write as one transaction, after those before it. SQLite has a single writer, and waiting for it
   * inside SQLite would hold the few threads that the present writer needs to finish.
   */
  write: <T>(work: (transaction: Transaction) => Promise<T>) => Promise<T>;
  close: () => Promise<void>;
}

/** Opens the kitchen's database file, creating it and bringing its tables up to date. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: sqlite3,
    storage: file,
    logging: false,
  });
  sequelize.addHook('afterConnect', async (connection) => {
    const database = connection as sqlite3.Database;
    await promisify(database.exec.bind(database))(PRAGMAS);
  });
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({ name, up: () => up(sequelize) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
  const writing = new Mutex();
  return {
    sequelize,
    write: (work) =>
      writing.runExclusive(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work)),
    close: () => writing.runExclusive(() => sequelize.close()),
  };
}
