import { spawn } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { type Zone, dayOf } from '@kettle-scale/core/quantity';
import type { Logger } from 'pino';
import { ONE_CLEARS_UP } from '../engine';
import { backupFolder, backupsIn } from './backups';
import { strangersFile } from './strangersFiles';

const MINUTE_MS = 60_000;
/** Nobody works then, and the day before is over. */
const NIGHT_MS = 3.5 * 60 * MINUTE_MS;
/** A machine that slept through the night makes up for it within this. */
const LOOK_EVERY_MS = 10 * MINUTE_MS;
/** The first minutes after a start belong to whoever is waiting for it. */
const FIRST_LOOK_MS = 2 * MINUTE_MS;

export interface NightlyState {
  lastAt: string | null;
  /** Why the last one failed; null when it did not. */
  problem: string | null;
}

/** Runs a backup in its own process; resolves with what it said when it failed. */
const runBackup = (data: string, day: string): Promise<string | null> =>
  new Promise((resolve) => {
    const program = fileURLToPath(new URL('./backupProcess.mjs', import.meta.url));
    const child = spawn(process.execPath, [ONE_CLEARS_UP, program, data, day], {
      stdio: ['ignore', 'ignore', 'pipe'],
    });
    let said = '';
    child.stderr.on('data', (part: Buffer) => (said += part.toString()));
    child.on('error', (error) => resolve(error.message));
    child.on('close', (code) => resolve(code === 0 ? null : said.trim() || `it ended with ${code}`));
  });

interface NightlyOptions {
  data: string;
  /** Where the kitchen is, whose night it is. */
  zone: () => Promise<Zone>;
  logger: Logger;
}

/** Keeps a backup of every night for as long as the server runs. */
export function keepNightly({ data, zone, logger }: NightlyOptions) {
  const folder = backupFolder(data);
  let problem: string | null = null;
  let strangers = strangersFile(data);
  if (strangers) {
    logger.error({ problem: strangers }, 'the backups of the nights will fail');
    process.stderr.write(`The backups of the nights will fail: ${strangers}\n`);
  }
  let running = false;

  async function look(): Promise<void> {
    strangers = strangersFile(data);
    // Until the night is over it is still the day before.
    const day = dayOf(Date.now() - NIGHT_MS, await zone());
    if (running || backupsIn(folder).some((one) => one.day === day)) return;
    running = true;
    problem = await runBackup(data, day);
    running = false;
    if (problem) logger.error({ problem }, 'the backup of the night failed');
  }
  const lookAgain = () => {
    look().catch((error: unknown) => logger.error({ err: error }, 'the backup of the night failed'));
  };
  const timers = [setTimeout(lookAgain, FIRST_LOOK_MS), setInterval(lookAgain, LOOK_EVERY_MS)];
  timers.forEach((timer) => timer.unref());
  return {
    state: (): NightlyState => ({
      lastAt: backupsIn(folder)[0]?.madeAt.toISOString() ?? null,
      problem: strangers ?? problem,
    }),
    stop: () => timers.forEach((timer) => clearTimeout(timer)),
  };
}
