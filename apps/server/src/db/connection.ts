import sqlite3 from 'sqlite3';

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

/** Sequelize would ask for a stack trace with every query, which costs more than a short query itself. */
const driverOf = (Database: typeof KeptConnection) => {
  const driver = { ...sqlite3, Database, verbose: () => driver };
  return driver;
};

/** The drivers that Sequelize opens connections with: for the kitchen, and for a file in the making. */
export const DRIVERS = { kept: driverOf(KeptConnection), passing: driverOf(PassingConnection) };

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
  };
}
