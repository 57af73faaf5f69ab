import { stat, statfs } from 'node:fs/promises';
import { dirname } from 'node:path';
import { QueryTypes } from 'sequelize';
import { z } from 'zod';
import type { Database } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import type { NightlyState } from '../keeping/nightly';

export const healthSchema = z.strictObject({
  /** Trouble: something in `problems` keeps the kitchen from being saved, or soon will. */
  status: z.enum(['ok', 'trouble']),
  version: z.string(),
  time: z.string(),
  /** Whether this is the made-up kitchen of the demo. */
  demo: z.boolean(),
  /** Whether it is one beside a real kitchen, to be thrown away. */
  sandbox: z.boolean(),
  /** When something was last stored; null in a kitchen where nothing was yet. */
  lastWriteAt: z.string().nullable(),
  /** Room on the disk of the kitchen's folder; null where it cannot be asked. */
  freeBytes: z.number().nullable(),
  problems: z.array(z.string()),
  /** Backups that the server makes by itself; null where it makes none. */
  backup: z.strictObject({ lastAt: z.string().nullable(), problem: z.string().nullable() }).nullable(),
});

export type Health = z.infer<typeof healthSchema>;

/** Under this much room a service may not fit any more. */
const LEAST_FREE_BYTES = 50_000_000;
const MB = 1_000_000;

const BACKUP_FAILED =
  'The last backup failed; a lead sees why under Settings, on this machine or a lead’s phone.';

/** Gives an answer, or that there is none, in words where the disk is to blame. */
async function tried<T>(ask: () => Promise<T>): Promise<{ value: T } | { failed: string }> {
  try {
    return { value: await ask() };
  } catch (error) {
    return {
      failed: error instanceof HttpProblem ? error.message : 'The kitchen’s database does not answer.',
    };
  }
}

/** Looks at the disk, the folder, the file and the database as they are now. */
export async function healthOf(
  { file, sequelize, reading, write, writes }: Database,
  about: {
    version: string;
    now: Date;
    demo: boolean;
    sandbox: boolean;
    backup: NightlyState | null;
    /** Whether a lead asks: paths, and what a program said of its failure, are told to nobody else. */
    toLead: boolean;
  },
): Promise<Health> {
  const [room, there, last] = await Promise.all([
    tried(() => statfs(dirname(file))),
    tried(() => stat(file)),
    tried(() =>
      reading.query<{ receivedAt: string }>('SELECT receivedAt FROM batch_events ORDER BY seq DESC LIMIT 1', {
        type: QueryTypes.SELECT,
      }),
    ),
  ]);
  // After trouble a write that changes nothing tells whether it is over.
  const probe = writes().problem
    ? await tried(() => write.alone(() => sequelize.query('UPDATE kitchen SET id = id')))
    : null;
  const freeBytes = 'value' in room ? room.value.bavail * room.value.bsize : null;
  const problems = [
    ...('failed' in there ? ['The kitchen’s file is not in its folder any more.'] : []),
    ...('failed' in last ? ['The kitchen’s database does not answer.'] : []),
    ...(probe && 'failed' in probe && 'value' in there ? [probe.failed] : []),
    // Where nothing can be saved any more, how much room is left is no news.
    ...(freeBytes !== null && freeBytes < LEAST_FREE_BYTES && !(probe && 'failed' in probe)
      ? [`The disk of the kitchen’s server is nearly full: ${Math.floor(freeBytes / MB)} MB left.`]
      : []),
  ];
  return {
    status: problems.length === 0 ? 'ok' : 'trouble',
    version: about.version,
    time: about.now.toISOString(),
    demo: about.demo,
    sandbox: about.sandbox,
    lastWriteAt:
      writes().lastAt?.toISOString() ?? ('value' in last ? (last.value[0]?.receivedAt ?? null) : null),
    freeBytes,
    problems,
    backup: about.backup && {
      lastAt: about.backup.lastAt,
      problem: about.backup.problem && (about.toLead ? about.backup.problem : BACKUP_FAILED),
    },
  };
}
