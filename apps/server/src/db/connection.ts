import sqlite3 from 'sqlite3';
import { sqliteCode } from './startProblem';

/** Every connection: an acknowledged write is on the disk, and a second writer waits instead of failing. */
const KEPT = `
  PRAGMA journal_mode = WAL;
  PRAGMA synchronous = FULL;
  PRAGMA foreign_keys = ON;
  PRAGMA busy_timeout = 5000;
`;

/** A file that is thrown away when anything goes wrong need not wait for the disk. */
const PASSING = `
  PRAGMA journal_mode = MEMORY;
  PRAGMA synchronous = OFF;
  PRAGMA foreign_keys = ON;
  PRAGMA busy_timeout = 5000;
`;

/** What another writes. */
const READING = 'PRAGMA busy_timeout = 5000;';
/** How a file is opened that nobody writes through this connection. */
export const READ_ONLY = sqlite3.OPEN_READONLY;

/** A connection that is set up as it opens: Sequelize has no hook for it with SQLite, and opens one a transaction. */
const connectionWith = (pragmas: string) =>
  class extends sqlite3.Database {
    constructor(file: string, mode: number, opened: (error: Error | null) => void) {
      super(file, mode, (error) => {
        if (error) opened(error);
        else this.exec(pragmas, opened);
      });
    }
  };

const KeptConnection = connectionWith(KEPT);
const PassingConnection = connectionWith(PASSING);
const ReadingConnection = connectionWith(READING);

/** Sequelize would ask for a stack trace with every query, which costs more than a short query itself. */
const driverOf = (Database: typeof KeptConnection): object => {
  const driver = { ...sqlite3, Database, verbose: () => driver };
  return driver;
};

/** The drivers that Sequelize opens connections with: for the kitchen, for a file in the making, for reading beside. */
export const DRIVERS = {
  kept: driverOf(KeptConnection),
  passing: driverOf(PassingConnection),
  reading: driverOf(ReadingConnection),
};

/** A connection of its own, for what Sequelize has no words for. */
export async function connect(file: string) {
  const opened = await new Promise<sqlite3.Database>((resolve, reject) => {
    const made: sqlite3.Database = new KeptConnection(file, sqlite3.OPEN_READWRITE, (error: Error | null) =>
      error ? reject(error) : resolve(made),
    );
  });
  const settled = (run: (done: (error: Error | null) => void) => void) =>
    new Promise<void>((resolve, reject) => run((error) => (error ? reject(error) : resolve())));
  return {
    exec: (sql: string) => settled((done) => opened.exec(sql, done)),
    close: () => settled((done) => opened.close(done)),
    /** The first row of a statement. */
    row: (sql: string) =>
      new Promise<Record<string, unknown>>((resolve, reject) =>
        opened.get(sql, (error: Error | null, row: Record<string, unknown> | undefined) =>
          error ? reject(error) : resolve(row ?? {}),
        ),
      ),
  };
}

const TRIES = 100;
const AGAIN_MS = 50;

/**
 * Makes a database one file that can be moved: everything that was written ahead is in it, and nobody else has it open.
 * Sequelize lets go of its connections without waiting for them.
 */
export async function settle(file: string): Promise<void> {
  const connection = await connect(file);
  try {
    for (let tries = 0; tries < TRIES; tries += 1) {
      const mode = await connection.row('PRAGMA journal_mode = DELETE').catch(busyAsNothing);
      if (mode.journal_mode === 'delete') return;
      await new Promise((resolve) => setTimeout(resolve, AGAIN_MS));
    }
    throw new Error(`${file} is still in use`);
  } finally {
    await connection.close();
  }
}

function busyAsNothing(error: unknown): Record<string, unknown> {
  if (sqliteCode(error) === 'SQLITE_BUSY') return {};
  throw error;
}
