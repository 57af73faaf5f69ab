import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { ensureStrace } from '../chromium';

/** A call of a program to the system, as strace wrote it down. */
interface SystemCall {
  /** By the clock on the wall, ms. */
  atMs: number;
  kind: 'sync' | 'rename';
  /** What was synced, or what a rename took; and where a rename put it. */
  path: string;
  to: string | null;
}

const MS_PER_S = 1000;
const CALLS = 'fsync,fdatasync,rename,renameat,renameat2';
const SYNC = /^\d+ +(\d+\.\d+) f(?:data)?sync\(\d+<([^>]+)>\) += 0/;
const RENAME = /^\d+ +(\d+\.\d+) rename\w*\(.*?"([^"]+)".*?"([^"]+)".*\) += 0/;

function callOf(line: string): SystemCall[] {
  const sync = SYNC.exec(line);
  if (sync) return [{ kind: 'sync', atMs: Number(sync[1]) * MS_PER_S, path: sync[2] ?? '', to: null }];
  const move = RENAME.exec(line);
  if (!move) return [];
  return [{ kind: 'rename', atMs: Number(move[1]) * MS_PER_S, path: move[2] ?? '', to: move[3] ?? '' }];
}

/** Watches every sync and rename of a program; `-D` leaves the program the child of who started it, so that signals reach it. */
export function openTrace() {
  const file = join(mkdtempSync(join(tmpdir(), 'kettle-trace-')), 'calls');
  return {
    /** To stand before the program's own words. */
    under: [ensureStrace(), '-D', '-f', '-y', '-ttt', '-s', '4096', '-e', `trace=${CALLS}`, '-o', file],
    /** What was called so far, in order. Calls that another thread interrupted stand in two lines and are joined here. */
    calls: (): SystemCall[] => {
      const begun = new Map<string, string>();
      return readFileSync(file, 'utf8')
        .split('\n')
        .flatMap((line) => {
          const [thread = ''] = line.split(' ', 1);
          if (line.endsWith('<unfinished ...>')) {
            begun.set(thread, line.slice(0, -'<unfinished ...>'.length).trimEnd());
            return [];
          }
          const rest = /<\.\.\. \w+ resumed>(.*)$/.exec(line)?.[1];
          return callOf(rest === undefined ? line : `${begun.get(thread) ?? ''}${rest}`);
        });
    },
  };
}

/** Whether a file was synced in a stretch of time, both ends within the width of a clock's tick. */
export const syncedWithin = (
  calls: readonly SystemCall[],
  path: RegExp,
  fromMs: number,
  toMs: number,
): boolean =>
  calls.some(
    (call) =>
      call.kind === 'sync' && path.test(call.path) && call.atMs >= fromMs - 1 && call.atMs <= toMs + 1,
  );

/** Renames that put a file in its place before it was on the disk, or whose folder was not synced after it. */
export const unsafeRenames = (calls: readonly SystemCall[]): string[] =>
  calls.flatMap(({ kind, path, to }, index) => {
    if (kind !== 'rename' || to === null) return [];
    const before = calls.slice(0, index).some((call) => call.kind === 'sync' && call.path === path);
    const after = calls.slice(index).some((call) => call.kind === 'sync' && call.path === dirname(to));
    return [
      ...(before ? [] : [`${path} was not on the disk`]),
      ...(after ? [] : [`${dirname(to)} was not synced`]),
    ];
  });
