import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { InputError, type Problem, type Value, type Words, message } from '@kettle-scale/core/message';
import { dayOf } from '@kettle-scale/core/quantity';
import type { Command } from 'commander';
import type { Finding } from '../../apps/server/src/keeping/doctor';
import type { Io } from './io';

/** npm starts its commands in the project's own folder. */
const DEFAULT_DATA = join(process.cwd(), '.data/kitchen');
/** The server's own code, acting as the owner of the kitchen's folder; the other commands do not wait for its database. */
const server = async (data: string) => {
  const code = await serverCode();
  code.actAsOwnerOf(data);
  return code;
};
const serverCode = async () => ({
  ...(await import('../../apps/server/src/keeping/strangersFiles')),
  ...(await import('../../apps/server/src/keeping/backups')),
  ...(await import('../../apps/server/src/keeping/doctor')),
  ...(await import('../../apps/server/src/openKitchen')),
  ...(await import('../../apps/server/src/db/openDatabase')),
});
const MS_PER_S = 1000;
const MARKS: Record<Finding['state'], Words> = { well: 'Well', look: 'Check', broken: 'Broken' };
const OWN_ZONE = new Intl.DateTimeFormat().resolvedOptions().timeZone;

interface Folder {
  data: string;
}

/** What came back, by the kinds of its lines. */
const counted = (restored: Record<string, number>): Value => ({
  name:
    Object.entries(restored)
      .filter(([kind]) => !['head', 'end', 'kitchen'].includes(kind))
      .map(([kind, n]) => `${n} ${kind}`)
      .join(', ') || '0',
});

/** Commands that keep a kitchen: they work with its folder, beside a server that runs. */
export function addKeepingCommands(program: Command, { out, say }: Io, from: string): void {
  const folder = ({ data }: Folder) => resolve(from, data);
  const command = (name: string, words: string) =>
    program.command(name).description(words).option('--data <folder>', 'the kitchen’s folder', DEFAULT_DATA);

  /** Lines that no restore takes as they are, and how one restores the rest. */
  const tellUnusable = (unusable: readonly Problem[]): void => {
    if (unusable.length === 0) return;
    for (const { message: words } of unusable) out(`${say(words)}\n`);
    out(`${say('A restore takes the rest: choose “Restore without these” when it names them.')}\n`);
  };

  command('doctor', 'check a kitchen’s folder: database, room, certificate, clock, backups, version').action(
    async (options: Folder) => {
      const { examine } = await server(folder(options));
      const findings = await examine(folder(options), new Date());
      for (const { what, state, says } of findings) out(`${say(MARKS[state])}: ${say(what)}: ${say(says)}\n`);
      if (findings.some(({ state }) => state === 'broken')) {
        throw InputError.at('', 'Something is broken: do what is said beside it.');
      }
    },
  );

  command('backup', 'make today’s backup now, and read it back').action(async (options: Folder) => {
    const data = folder(options);
    const { KITCHEN_FILE, backupFolder, makeBackup, openDatabase } = await server(data);
    const file = join(data, KITCHEN_FILE);
    if (!existsSync(file))
      throw InputError.at('data', message('There is no kitchen in {data}.', { data: { name: data } }));
    const database = await openDatabase(file);
    try {
      const now = new Date();
      const day = dayOf(now.getTime(), OWN_ZONE);
      const { counts, unusable } = await makeBackup(database, backupFolder(data), { day, now });
      const made = { day: { name: day }, folder: { name: backupFolder(data) }, counted: counted(counts) };
      out(`${say(message('Backup of {day} in {folder}: {counted}.', made))}\n`);
      tellUnusable(unusable);
    } finally {
      await database.close();
    }
  });

  command('drill', 'restore a backup into a kitchen that is thrown away, and list what came back')
    .argument('[file]', 'a backup; the newest where none is named')
    .action(async (file: string | undefined, options: Folder) => {
      const data = folder(options);
      const { backupFolder, backupsIn, readBack } = await server(data);
      const chosen = file === undefined ? backupsIn(backupFolder(data))[0]?.file : resolve(from, file);
      if (chosen === undefined || !existsSync(chosen)) {
        throw InputError.at(
          'file',
          chosen
            ? message('There is no file “{file}”.', { file: { name: chosen } })
            : message('There is no backup in {data} yet.', { data: { name: data } }),
        );
      }
      const startMs = performance.now();
      const { counts, unusable } = await readBack(chosen, data);
      const seconds = Number(((performance.now() - startMs) / MS_PER_S).toFixed(1));
      const found = { file: { name: chosen }, seconds, counted: counted(counts) };
      out(
        `${say(
          unusable.length === 0
            ? message('{file} came back whole in {seconds, number} s: {counted}.', found)
            : message('{file} came back in {seconds, number} s: {counted}.', found),
        )}\n`,
      );
      tellUnusable(unusable);
    });
}
