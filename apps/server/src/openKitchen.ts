import { existsSync, mkdirSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { settle } from './db/connection';
import { putInPlace } from './db/putInPlace';
import { lockFolder, unwritable } from './db/lockFolder';
import { type Database, openDatabase } from './db/openDatabase';
import { privateFile } from './db/ownerOnly';
import { backupFolder } from './keeping/backups';
import { copyBeforeUpgrade } from './keeping/beforeUpgrade';
import { throwAwayLeftovers } from './keeping/leftovers';
import { namesIn } from './keeping/namesIn';
import { strangersKitchen } from './keeping/strangersFiles';
import { StartProblem } from './db/startProblem';
import { type Stores, openStores } from './stores';

export const KITCHEN_FILE = 'kitchen.sqlite';
/** A kitchen that is being made; one that was left by a kill is thrown away. */
const IN_THE_MAKING = 'kitchen.sqlite.making';

export interface OpenKitchen {
  database: Database;
  stores: Stores;
  /** Closes the file, then lets go of the folder. */
  close: () => Promise<void>;
}

/** Fills a kitchen that has no formulas yet. */
export type Seed = (stores: Stores) => Promise<unknown>;

/** Folder by folder: Node's own way down never ends where the system makes no folders. */
function makeFolder(folder: string): void {
  if (existsSync(folder)) {
    if (statSync(folder).isDirectory()) return;
    throw new StartProblem(`${folder} is a file, not a folder. Name a folder with --data.`);
  }
  makeFolder(dirname(folder));
  try {
    mkdirSync(folder);
  } catch (error) {
    const { code } = error as NodeJS.ErrnoException;
    // Another server that starts at this moment may have made it; the lock decides between the two.
    if (code !== 'EEXIST') throw unwritable(folder);
  }
}

async function isEmpty({ sequelize }: Database): Promise<boolean> {
  const [row] = await sequelize.query<{ n: number }>(
    'SELECT (SELECT COUNT(*) FROM formulas) + (SELECT COUNT(*) FROM batches) AS n',
    { type: QueryTypes.SELECT },
  );
  return row?.n === 0;
}

/** Makes a kitchen beside its place and moves it there when it is whole: a kill leaves the old one, or none, or the new one. */
async function make(folder: string, seed: Seed | undefined): Promise<void> {
  const making = join(folder, IN_THE_MAKING);
  const database = await openDatabase(making, { upgrade: true });
  try {
    const stores = await openStores(database, seed !== undefined);
    await seed?.(stores);
  } finally {
    await database.close();
  }
  const place = join(folder, KITCHEN_FILE);
  await settle(making);
  // What the old file wrote ahead would be taken for the new one's.
  if (existsSync(place)) await settle(place);
  putInPlace(making, place);
}

/** What an older program or another umask left open to everybody is the owner's alone from now on. */
function keepPrivate(folder: string): void {
  for (const end of ['', '-wal', '-shm']) privateFile(join(folder, KITCHEN_FILE + end));
  const backups = backupFolder(folder);
  namesIn(backups).forEach((name) => privateFile(join(backups, name)));
}

/** Copies a kitchen that has nothing in it but its settings, to be filled. */
async function copyEmpty(folder: string): Promise<boolean> {
  const database = await openDatabase(join(folder, KITCHEN_FILE), { upgrade: true });
  try {
    if (!(await isEmpty(database))) return false;
    await database.sequelize.query('VACUUM INTO $1', { bind: [join(folder, IN_THE_MAKING)] });
    return true;
  } finally {
    await database.close();
  }
}

/**
 * Opens the kitchen in a folder for this process alone, making or upgrading it first; all of that or nothing.
 * @param seed fills it when it has neither formulas nor batches
 * @throws StartProblem with one sentence when it cannot be
 */
export async function openKitchen(folder: string, seed?: Seed): Promise<OpenKitchen> {
  makeFolder(folder);
  const release = await lockFolder(folder);
  try {
    const strangers = strangersKitchen(folder);
    if (strangers) throw new StartProblem(strangers);
    throwAwayLeftovers(folder);
    keepPrivate(folder);
    await copyBeforeUpgrade(folder, join(folder, KITCHEN_FILE));
    const isNew = !existsSync(join(folder, KITCHEN_FILE));
    if (isNew || (seed && (await copyEmpty(folder)))) await make(folder, seed);
    const database = await openDatabase(join(folder, KITCHEN_FILE), { upgrade: true });
    const stores = await openStores(database, seed !== undefined);
    return { database, stores, close: () => database.close().then(release) };
  } catch (error) {
    await release();
    throw error;
  }
}
