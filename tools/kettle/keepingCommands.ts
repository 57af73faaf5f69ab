import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { InputError } from '@kettle-scale/core/message';
import { dayOf } from '@kettle-scale/core/quantity';
import type { Command } from 'commander';
import type { Finding } from '../../apps/server/src/keeping/doctor';
import type { Io } from './io';

/** npm starts its commands in the project's own folder. */
const DEFAULT_DATA = join(process.cwd(), '.data/kitchen');
/** The server's own code; the other commands do not wait for its database. */
const server = async () => ({
  ...(await import('../../apps/server/src/keeping/backups')),
  ...(await import('../../apps/server/src/keeping/doctor')),
  ...(await import('../../apps/server/src/openKitchen')),
  ...(await import('../../apps/server/src/db/openDatabase')),
});
const MS_PER_S = 1000;
const MARKS: Record<Finding['state'], string> = { well: 'well   ', look: 'look   ', broken: 'BROKEN ' };
const OWN_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

interface Folder {
  data: string;
}

const counted = (restored: Record<string, number>): string =>
  Object.entries(restored)
    .filter(([kind]) => !['head', 'end', 'kitchen'].includes(kind))
    .map(([kind, n]) => `${n} ${kind}`)
    .join(', ') || 'an empty kitchen';

/** Commands that keep a kitchen: they work with its folder, beside a server that runs. */
export function addKeepingCommands(program: Command, { out }: Io, from: string): void {
  const folder = ({ data }: Folder) => resolve(from, data);
  const command = (name: string, words: string) =>
    program.command(name).description(words).option('--data <folder>', 'the kitchen’s folder', DEFAULT_DATA);

  command(
    'doctor',
    'say how a kitchen’s folder is: database, room, certificate, clock, backups, version',
  ).action(async (options: Folder) => {
    const { examine } = await server();
    const findings = await examine(folder(options), new Date());
    for (const { what, state, says } of findings) out(`${MARKS[state]}${what}: ${says}\n`);
    if (findings.some(({ state }) => state === 'broken')) {
      throw InputError.at('', 'Something is broken: what to do stands beside it.');
    }
  });

  command('backup', 'make today’s backup now, and read it back').action(async (options: Folder) => {
    const data = folder(options);
    const { KITCHEN_FILE, backupFolder, makeBackup, openDatabase } = await server();
    const file = join(data, KITCHEN_FILE);
    if (!existsSync(file)) throw InputError.at('data', `There is no kitchen in ${data}.`);
    const database = await openDatabase(file);
    try {
      const now = new Date();
      const day = dayOf(now.getTime(), OWN_ZONE);
      const restored = await makeBackup(database, backupFolder(data), { day, now });
      out(`Backup of ${day} in ${backupFolder(data)}: ${counted(restored)}.\n`);
    } finally {
      await database.close();
    }
  });

  command('drill', 'restore a backup into a kitchen that is thrown away, and say what came back')
    .argument('[file]', 'a backup; the newest where none is named')
    .action(async (file: string | undefined, options: Folder) => {
      const data = folder(options);
      const { backupFolder, backupsIn, readBack } = await server();
      const chosen = file === undefined ? backupsIn(backupFolder(data))[0]?.file : resolve(from, file);
      if (chosen === undefined || !existsSync(chosen)) {
        throw InputError.at(
          'file',
          chosen ? `There is no file ${chosen}.` : `There is no backup in ${data} yet.`,
        );
      }
      const startMs = performance.now();
      const restored = await readBack(chosen, data);
      const seconds = (performance.now() - startMs) / MS_PER_S;
      out(`${chosen} came back whole in ${seconds.toFixed(1)} s: ${counted(restored)}.\n`);
    });
}
