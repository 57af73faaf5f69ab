import { join } from 'node:path';
import sqlite3 from 'sqlite3';
import { StartProblem, sqliteCode } from './startProblem';

const LOCK_FILE = 'kitchen.lock';

/**
 * Takes a data folder for this process. The lock is SQLite's own on an empty file: the system lets go of it however
 * the process ends.
 * @returns how to let go of it
 * @throws StartProblem when another server has it, or nothing can be written there
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
  const lock = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened: sqlite3.Database = new sqlite3.Database(join(folder, LOCK_FILE), (error) =>
      error ? reject(unwritable(folder)) : resolve(opened),
    );
  });
  const close = () =>
    new Promise<void>((resolve, reject) => lock.close((error) => (error ? reject(error) : resolve())));
  const refused = await new Promise<Error | null>((resolve) => lock.exec('BEGIN EXCLUSIVE', resolve));
  if (!refused) return close;
  await close();
  throw sqliteCode(refused) === 'SQLITE_BUSY'
    ? new StartProblem(
        `Another Kettle Scale is already working with ${folder}. Stop it first, or name another folder with --data.`,
      )
    : unwritable(folder);
}

export const unwritable = (folder: string): StartProblem =>
  new StartProblem(
    `The folder ${folder} cannot be written. Check who may write there, or name another with --data.`,
  );
