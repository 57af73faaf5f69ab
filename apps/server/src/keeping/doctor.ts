import { type Words, message } from '@kettle-scale/core/message';
import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, statfsSync } from 'node:fs';
import { join } from 'node:path';
import { execFile } from 'node:child_process';
import { promisify } from 'node:util';
import { connect } from '../db/connection';
import { lockFolder } from '../db/lockFolder';
import { migrations } from '../db/migrations';
import { StartProblem, sqliteCode } from '../db/startProblem';
import { KITCHEN_FILE } from '../openKitchen';
import { OWN, certificateFolder } from '../lan/keptCertificate';
import { backupFolder, backupsIn } from './backups';
import { strangersFile } from './strangersFiles';

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const GB = 1e9;
/** Under this much room a year's backups may not fit. */
const LEAST_FREE_BYTES = 1e9;
/** A night and the day after it. */
const OLDEST_BACKUP_MS = 2 * DAY_MS;
/** A certificate renews itself 60 days before its end: later than this something keeps it from it. */
const LEAST_CERTIFICATE_MS = 30 * DAY_MS;
/** Acts are dated by phones, which may be a little ahead. */
const CLOCK_SLACK_MS = HOUR_MS;

/** One thing that was looked at. */
export interface Finding {
  what: Words;
  /** Well, to be looked at soon, or broken. */
  state: 'well' | 'look' | 'broken';
  /** What was found and, where it is not well, what to do. */
  says: Words;
}
const well = (what: Words, says: Words): Finding => ({ what, state: 'well', says });
const look = (what: Words, says: Words): Finding => ({ what, state: 'look', says });
const broken = (what: Words, says: Words): Finding => ({ what, state: 'broken', says });

async function running(data: string): Promise<Finding> {
  try {
    await (
      await lockFolder(data)
    )();
    return look('Server', 'not running with this folder.');
  } catch (error) {
    if (!(error instanceof StartProblem)) throw error;
    return /already working/.test(error.message)
      ? well('Server', 'running.')
      : broken('Folder', error.message);
  }
}

/** What the database says of itself: whether it is whole, how far its tables are, when something was stored last. */
async function database(file: string, now: Date): Promise<Finding[]> {
  const connection = await connect(file);
  try {
    const { integrity_check: integrity } = await connection.row('PRAGMA integrity_check(1)');
    if (integrity !== 'ok') {
      return [
        broken(
          'Database',
          message('damaged ({integrity}). Stop the server and restore the newest backup.', {
            integrity: { name: String(integrity) },
          }),
        ),
      ];
    }
    const { newest } = await connection.row('SELECT MAX(name) AS newest FROM migrations');
    const { last } = await connection.row('SELECT MAX(receivedAt) AS last FROM batch_events');
    const aheadMs = Date.parse(String(last)) - now.getTime();
    const ours = migrations.at(-1)?.name ?? '';
    return [
      well('Database', 'whole.'),
      newest === ours
        ? well('Version', message('tables and program are at {ours}.', { ours: { name: ours } }))
        : look(
            'Version',
            message('tables at {newest}, program at {ours}: the next start upgrades, with a copy first.', {
              newest: { name: String(newest) },
              ours: { name: ours },
            }),
          ),
      aheadMs > CLOCK_SLACK_MS
        ? broken(
            'Clock',
            message('set back: the last act was stored at {last}, after the time now. Set the clock.', {
              last: { name: String(last) },
            }),
          )
        : well('Clock', 'after the last act.'),
    ];
  } finally {
    await connection.close();
  }
}

const asked = promisify(execFile);
/** Whether the machine sets its clock by the network; nothing is said where it cannot be asked. */
async function timeServer(): Promise<Finding[]> {
  try {
    const { stdout } = await asked('timedatectl', ['show', '-p', 'NTPSynchronized', '--value']);
    return stdout.trim() === 'yes'
      ? [well('Time', 'set by the network.')]
      : [look('Time', 'not set by the network: “timedatectl set-ntp true” sees to it.')];
  } catch {
    return [];
  }
}

function room(data: string): Finding {
  const { bavail, bsize } = statfsSync(data);
  const free = bavail * bsize;
  const gigabytes = Number((free / GB).toFixed(1));
  return free < LEAST_FREE_BYTES
    ? look('Disk', message('{gigabytes, number} GB free. Make room.', { gigabytes }))
    : well('Disk', message('{gigabytes, number} GB free.', { gigabytes }));
}

/** Whether the server's user may write what lies in the folder: what another user made there breaks nights and upgrades. */
function owner(data: string): Finding {
  const strangers = strangersFile(data);
  return strangers
    ? broken('Owner', { text: '{sentence}', values: { sentence: { name: strangers } } })
    : well('Owner', 'one user’s.');
}

function backups(data: string, now: Date): Finding {
  const [newest, ...more] = backupsIn(backupFolder(data));
  if (!newest) return look('Backups', 'none yet: the first is made tonight, or by “kettle backup”.');
  const found = { kept: more.length + 1, day: { name: newest.day } };
  return now.getTime() - newest.madeAt.getTime() > OLDEST_BACKUP_MS
    ? broken(
        'Backups',
        message(
          '{kept, number}, the newest of {day}, which is too old: make one with “kettle backup” and look at the server’s log.',
          found,
        ),
      )
    : well('Backups', message('{kept, number}, the newest of {day}, read back when it was made.', found));
}

function certificate(data: string, now: Date): Finding[] {
  const file = join(certificateFolder(data), `${OWN}.pem`);
  if (!existsSync(file)) return [];
  const { validTo } = new X509Certificate(readFileSync(file));
  const end = new Date(validTo).toISOString().slice(0, 10);
  return [
    Date.parse(validTo) - now.getTime() < LEAST_CERTIFICATE_MS
      ? broken(
          'Certificate',
          message('ends on {end}. It should have renewed itself: restart the server, and look at its log.', {
            end: { name: end },
          }),
        )
      : well('Certificate', message('good until {end}, and renews itself.', { end: { name: end } })),
  ];
}

/**
 * Looks at a kitchen's folder and says how it is; changes nothing.
 * @param data the folder
 */
export async function examine(data: string, now: Date): Promise<Finding[]> {
  const file = join(data, KITCHEN_FILE);
  if (!existsSync(file))
    return [
      broken(
        'Folder',
        message('there is no kitchen in {data}. Name its folder with --data.', { data: { name: data } }),
      ),
    ];
  const inside = await database(file, now).catch((error: unknown) => {
    if (sqliteCode(error) === undefined) throw error;
    return [
      broken(
        'Database',
        message('cannot be read ({code}). Stop the server and restore the newest backup.', {
          code: { name: sqliteCode(error) ?? '' },
        }),
      ),
    ];
  });
  return [
    await running(data),
    ...inside,
    ...(await timeServer()),
    owner(data),
    room(data),
    backups(data, now),
    ...certificate(data, now),
  ];
}
