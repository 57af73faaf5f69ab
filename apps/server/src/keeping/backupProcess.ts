// A backup as a process of its own, so that no cook waits for it: backupProcess.ts DATA DAY.
import { setPriority } from 'node:os';
import { join } from 'node:path';
import { openDatabase } from '../db/openDatabase';
import { KITCHEN_FILE } from '../openKitchen';
import { backupFolder, makeBackup } from './backups';

const LOWEST_PRIORITY = 19;
setPriority(LOWEST_PRIORITY);
const [data = '', day = ''] = process.argv.slice(2);
const database = await openDatabase(join(data, KITCHEN_FILE));
try {
  await makeBackup(database, backupFolder(data), { day, now: new Date() });
} catch (error) {
  process.stderr.write(`${(error as Error).message}\n`);
  process.exitCode = 1;
} finally {
  await database.close();
}
