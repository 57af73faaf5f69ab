import { randomUUID } from 'node:crypto';
import { rmSync } from 'node:fs';
import { dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { Mutex } from 'async-mutex';
import { QueryTypes } from 'sequelize';
import { connect } from '../db/connection';
import { type Database, openDatabase } from '../db/openDatabase';
import { HttpProblem, unusableLines } from '../http/problem';
import { type Stores, openStores } from '../stores';
import { type Filled, fillKitchen } from './fillKitchen';
import { LIMITS, type Limits, incomingLines } from './incoming';

/** A kitchen that is being restored stands beside the one in use under this name. */
const RESTORING = 'kitchen.sqlite.restoring';

/** Newest references first, so that no foreign key is left hanging. */
const TABLES = [
  'batch_events',
  'batch_finds',
  'batches',
  'carried',
  'saved_plans',
  'service_acts',
  'service_days',
  'formula_versions',
  'formulas',
  'flour_lots',
  'ingredients',
  'kitchen',
] as const;

/** One restore at a time: a second would fill the disk for nothing. */
const restoring = new Mutex();

async function refuseUnlessEmpty({ sequelize }: Database): Promise<void> {
  const [row] = await sequelize.query<{ n: number }>(
    'SELECT (SELECT COUNT(*) FROM formulas) + (SELECT COUNT(*) FROM batches) AS n',
    { type: QueryTypes.SELECT },
  );
  if (row?.n === 0) return;
  throw new HttpProblem(
    409,
    'This kitchen has formulas or batches already. Restore into an empty one, or say that everything here is replaced.',
  );
}

/**
 * Takes the tables of a whole kitchen beside into this one, in one transaction of plain copies. Foreign keys were checked
 * where they were filled; without them SQLite copies pages, not rows.
 */
async function takeOver(database: Database, file: string): Promise<void> {
  const connection = await connect(database.file);
  try {
    await connection.exec(`PRAGMA foreign_keys = OFF; ATTACH ${quoted(file)} AS restored; BEGIN IMMEDIATE;`);
    try {
      for (const table of TABLES) {
        await connection.exec(
          `DELETE FROM main.${table}; INSERT INTO main.${table} SELECT * FROM restored.${table};`,
        );
      }
      await connection.exec('COMMIT');
    } catch (error) {
      await connection.exec('ROLLBACK');
      throw error;
    }
  } finally {
    await connection.close();
  }
}

const quoted = (text: string): string => `'${text.replaceAll("'", "''")}'`;

export interface RestoreOptions {
  /** What is here is thrown away. */
  replace: boolean;
  /** Lines that cannot be used as they are do not keep the others out. */
  withoutUnusable?: boolean;
  now: Date;
  limits?: Limits;
}

/**
 * Fills a kitchen from the lines of a backup, all of it or nothing. It is read and checked into a file beside, so that a slow
 * sender and a long file hold nobody up, and then taken over at once.
 * @throws HttpProblem when the kitchen is not empty and is not to be replaced, or the backup is too large or slow;
 * or lines of it cannot be used and that was not asked for
 */
export async function restore(
  database: Database,
  stores: Stores,
  source: Readable,
  { replace, withoutUnusable = false, now, limits = LIMITS }: RestoreOptions,
): Promise<Filled> {
  if (restoring.isLocked())
    throw new HttpProblem(409, 'Another backup is being restored now. Wait until it is done.');
  return restoring.runExclusive(async () => {
    if (!replace) await refuseUnlessEmpty(database);
    const file = join(dirname(database.file), `${RESTORING}-${randomUUID()}`);
    try {
      const beside = await openDatabase(file, { passing: true });
      let filled: Filled;
      try {
        const besideStores = await openStores(beside, stores.demo);
        filled = await fillKitchen(beside, besideStores, incomingLines(source, limits), now);
      } finally {
        await beside.close();
      }
      if (filled.unusable.length > 0 && !withoutUnusable) throw unusableLines(filled.unusable);
      await database.write.alone(async () => {
        // Somebody may have begun to work here while the file came.
        if (!replace) await refuseUnlessEmpty(database);
        await takeOver(database, file);
        stores.batches.forget();
        stores.kitchen.forget();
      });
      return filled;
    } finally {
      for (const end of ['', '-wal', '-shm', '-journal']) rmSync(file + end, { force: true });
    }
  });
}
