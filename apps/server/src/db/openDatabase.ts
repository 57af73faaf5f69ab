import { mkdirSync } from 'node:fs';
import { dirname } from 'node:path';
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

/** Sets up each connection as it opens: Sequelize has no hook for it with SQLite, and opens one a transaction. */
class KitchenConnection extends sqlite3.Database {
  constructor(file: string, mode: number, opened: (error: Error | null) => void) {
    super(file, mode, (error) => {
      if (error) opened(error);
      else this.exec(PRAGMAS, opened);
    });
  }
}

/** Sequelize would ask for a stack trace with every query, which costs more than a short query itself. */
const DRIVER = { ...sqlite3, Database: KitchenConnection, verbose: () => DRIVER };

/**
 * Runs one write after those before it. SQLite has a single writer, and waiting for it inside SQLite would hold
 * the few threads that the present writer needs to finish.
 */
export interface Write {
  /** As one transaction. */
  <T>(work: (transaction: Transaction) => Promise<T>): Promise<T>;
  /** Without a transaction around it, for work whose one statement is its own. */
  alone: <T>(work: () => Promise<T>) => Promise<T>;
}

/** The kitchen's database. */
export interface Database {
  sequelize: Sequelize;
  write: Write;
  close: () => Promise<void>;
}

/** Opens the kitchen's database file, creating it and bringing its tables up to date. */
export async function openDatabase(file: string): Promise<Database> {
  mkdirSync(dirname(file), { recursive: true });
  const sequelize = new Sequelize({
    dialect: 'sqlite',
    dialectModule: DRIVER,
    storage: file,
    logging: false,
  });
  const umzug = new Umzug({
    migrations: migrations.map(({ name, up }) => ({ name, up: () => up(sequelize) })),
    storage: new SequelizeStorage({ sequelize, tableName: 'migrations' }),
    logger: undefined,
  });
  await umzug.up();
  const writing = new Mutex();
  const alone: Write['alone'] = (work) => writing.runExclusive(work);
  const write: Write = Object.assign(
    <T>(work: (transaction: Transaction) => Promise<T>) =>
      alone(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work)),
    { alone },
  );
  return { sequelize, write, close: () => alone(() => sequelize.close()) };
}
