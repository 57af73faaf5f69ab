import { randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { Readable, pipeline as pipe } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createGunzip, createGzip } from 'node:zlib';
import { backupLines } from '../backup/backup';
import { type Filled, fillKitchen } from '../backup/fillKitchen';
import { LIMITS, incomingLines } from '../backup/incoming';
import { type Database, openDatabase } from '../db/openDatabase';
import { OWNER_ONLY, privateFolder } from '../db/ownerOnly';
import { putInPlace } from '../db/putInPlace';
import { openStores } from '../stores';
import { keptDays } from './kept';
import { namesIn } from './namesIn';

const NAME = /^kitchen-(\d{4}-\d{2}-\d{2})\.jsonl\.gz$/;
const PASSING = 'drill.sqlite';

/** Where the server keeps its own backups. */
export const backupFolder = (data: string): string => join(data, 'backups');

export interface KeptBackup {
  day: string;
  file: string;
  bytes: number;
  madeAt: Date;
}

/** Backups that are there, the newest first. */
export function backupsIn(folder: string): KeptBackup[] {
  return namesIn(folder)
    .flatMap((name) => {
      const day = NAME.exec(name)?.[1];
      if (day === undefined) return [];
      const { size, mtime } = statSync(join(folder, name));
      return [{ day, file: join(folder, name), bytes: size, madeAt: mtime }];
    })
    .sort((a, b) => b.day.localeCompare(a.day));
}

/** A backup as text, unpacked where it is packed; nothing is read before somebody reads it, and then errors are that reader's. */
function textOf(file: string): Readable {
  if (!file.endsWith('.gz')) return createReadStream(file);
  return Readable.from(
    (async function* () {
      const text = createGunzip();
      // What goes wrong on the way ends the text with the same error, which is thrown here.
      pipe(createReadStream(file), text, () => undefined);
      yield* text;
    })(),
  );
}

/**
 * Reads a backup back as a whole kitchen, into a file that is thrown away.
 * @returns how many of each kind of line came back, and what could not be used as it is
 * @throws InputError when the file is no whole backup
 */
export async function readBack(file: string, folder: string): Promise<Filled> {
  const beside = join(folder, `${process.pid}-${randomUUID()}-${PASSING}`);
  try {
    const database = await openDatabase(beside, { passing: true });
    try {
      const lines = incomingLines(textOf(file), LIMITS);
      return await fillKitchen(database, await openStores(database), lines, new Date());
    } finally {
      await database.close();
    }
  } finally {
    for (const end of ['', '-wal', '-shm', '-journal']) rmSync(beside + end, { force: true });
  }
}

/**
 * Writes a backup of the kitchen, reads it back, and only then gives it its name and throws away what is not kept any more. A
 * kitchen with something that could not be restored as it is has a backup all the same, of which that is told.
 * @param folder the folder of backups
 * @param day the kitchen's day, `2026-03-04`; a backup of the same day is replaced
 * @returns what came back when it was read
 */
export async function makeBackup(
  database: Database,
  folder: string,
  { day, now }: { day: string; now: Date },
): Promise<Filled> {
  privateFolder(folder);
  const file = join(folder, `kitchen-${day}.jsonl.gz`);
  // A name that still ends in .gz, and that no list of backups takes for one.
  const making = join(folder, `making-${process.pid}-${randomUUID()}.jsonl.gz`);
  try {
    await database.snapshot((transaction) =>
      pipeline(
        Readable.from(backupLines(database, now.toISOString(), transaction)),
        createGzip(),
        createWriteStream(making, { mode: OWNER_ONLY.file }),
      ),
    );
    const restored = await readBack(making, folder);
    putInPlace(making, file);
    // Older ones may be whole.
    if (restored.unusable.length > 0) return restored;
    const backups = backupsIn(folder);
    const kept = keptDays(backups.map((one) => one.day));
    for (const one of backups) if (!kept.has(one.day)) rmSync(one.file);
    return restored;
  } finally {
    rmSync(making, { force: true });
  }
}
