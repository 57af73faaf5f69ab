import { Mutex } from 'async-mutex';
import { type Options, QueryTypes, Sequelize, Transaction } from 'sequelize';
import { DRIVERS, READ_ONLY } from './connection';
import { checkMigrated, migrate } from './migrate';
import { privateFile } from './ownerOnly';
import { StartProblem, sqliteCode } from './startProblem';
import { type WriteState, watchWrites } from './watchWrites';

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
  file: string;
  sequelize: Sequelize;
  /**
   * A connection that only reads, what is committed: on the one that writes, a read would wait until an act before it is on the
   * disk.
   */
  reading: Sequelize;
  write: Write;
  /** Whether writes reach the disk. */
  writes: () => WriteState;
  /**
   * Runs reads that all see the kitchen as it stood at the first of them, however many are written meanwhile.
   * The transaction goes with every query.
   */
  snapshot: <T>(read: (transaction: Transaction) => Promise<T>) => Promise<T>;
  close: () => Promise<void>;
}

const DAMAGED: ReadonlySet<string | undefined> = new Set(['SQLITE_NOTADB', 'SQLITE_CORRUPT']);
const UNREACHABLE: ReadonlySet<string | undefined> = new Set([
  'SQLITE_CANTOPEN',
  'SQLITE_READONLY',
  'SQLITE_PERM',
]);

/** The sentence for a file that cannot be used; any other error as it is. */
function asStartProblem(error: unknown, file: string): unknown {
  const code = sqliteCode(error);
  if (DAMAGED.has(code)) {
    return new StartProblem(
      `${file} is damaged, or is not a kitchen of this program. Move it away and restore the newest backup; nothing was changed.`,
    );
  }
  if (UNREACHABLE.has(code)) {
    return new StartProblem(
      `${file} cannot be opened for writing. Check who may write there; nothing was changed.`,
    );
  }
  return error;
}

async function check(sequelize: Sequelize, file: string): Promise<void> {
  const rows = await sequelize.query<{ quick_check: string }>('PRAGMA quick_check(1)', {
    type: QueryTypes.SELECT,
  });
  if (rows[0]?.quick_check !== 'ok') {
    throw new StartProblem(
      `${file} is damaged (${rows[0]?.quick_check ?? 'no answer'}). Move it away and restore the newest backup; nothing was changed.`,
    );
  }
}

/** Opens a database file that is up to date beside who writes it, to be read alone. */
export function openReadOnly(file: string): Pick<Database, 'sequelize' | 'reading'> {
  const reading = new Sequelize({
    ...{ dialect: 'sqlite', dialectModule: DRIVERS.reading, storage: file, logging: false },
    dialectOptions: { mode: READ_ONLY },
  });
  return { sequelize: reading, reading };
}

export interface OpenOptions {
  /**
   * Makes the file where it is not there, and brings its tables up to date. Only who has copied the kitchen before may ask for
   * that, or who makes a file of his own: whoever works beside a server leaves its tables as they are.
   */
  upgrade?: boolean;
  /** The file is new, and thrown away when anything goes wrong: it need not wait for the disk. */
  passing?: boolean;
}

/**
 * Opens the kitchen's database file.
 * @throws StartProblem with one sentence when the file is damaged, of another version of the program, or cannot be written
 */
export async function openDatabase(
  file: string,
  { passing = false, upgrade = passing }: OpenOptions = {},
): Promise<Database> {
  const dialectModule = passing ? DRIVERS.passing : DRIVERS.kept;
  const options: Options = { dialect: 'sqlite', dialectModule, storage: file, logging: false };
  const sequelize = new Sequelize(options);
  try {
    await check(sequelize, file);
    await (upgrade ? migrate : checkMigrated)(sequelize);
    if (upgrade) privateFile(file);
  } catch (error) {
    // A connection that never opened cannot be closed either; the reason it did not is what matters.
    await sequelize.close().catch(() => undefined);
    throw asStartProblem(error, file);
  }
  const reading = passing ? sequelize : openReadOnly(file).reading;
  const writing = new Mutex();
  const watch = watchWrites(file);
  const alone: Write['alone'] = (work) => writing.runExclusive(() => watch.during(work));
  const write: Write = Object.assign(
    <T>(work: (transaction: Transaction) => Promise<T>) =>
      alone(() => sequelize.transaction({ type: Transaction.TYPES.IMMEDIATE }, work)),
    { alone },
  );
  return {
    file,
    sequelize,
    reading,
    write,
    writes: watch.state,
    // SQLite's deferred transaction takes its snapshot with its first read; in write-ahead mode it holds nobody up.
    snapshot: (read) => sequelize.transaction({ type: Transaction.TYPES.DEFERRED }, read),
    close: () =>
      writing.runExclusive(async () => {
        if (reading !== sequelize) await reading.close();
        await sequelize.close();
      }),
  };
}
