// A backup as a process of its own, so that no cook waits for it: backupProcess.ts DATA DAY.
import { setPriority } from 'node:os';
import { join } from 'node:path';
import { ENGLISH, writeWords } from '@kettle-scale/core/message';
import { openDatabase } from '../db/openDatabase';
import { KITCHEN_FILE } from '../openKitchen';
import { backupFolder, makeBackup } from './backups';

const LOWEST_PRIORITY = 19;
setPriority(LOWEST_PRIORITY);
/** The backup is there, and something in it could not be restored as it is. */
const WITH_REMARKS = 3;
const [data = '', day = ''] = process.argv.slice(2);
try {
  const database = await openDatabase(join(data, KITCHEN_FILE));
  try {
    const { unusable } = await makeBackup(database, backupFolder(data), { day, now: new Date() });
    if (unusable.length > 0) {
      const first = writeWords(unusable[0]?.message ?? '', ENGLISH);
      process.stderr.write(
        `The backup of ${day} is kept; ${unusable.length} of its lines cannot be restored as they are. ${first}\n`,
      );
      process.exitCode = WITH_REMARKS;
    }
  } finally {
    await database.close();
  }
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exitCode = 1;
}
