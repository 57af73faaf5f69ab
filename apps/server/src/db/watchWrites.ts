import type { Words } from '@kettle-scale/core/message';
import { statSync } from 'node:fs';
import { stat } from 'node:fs/promises';
import { HttpProblem } from '../http/problem';
import { sqliteCode } from './startProblem';

/** What is known of writing: when it last succeeded, and what stands in its way since. */
export interface WriteState {
  /** Null before the first since the start. */
  lastAt: Date | null;
  problem: string | null;
}

/** SQLite's codes that speak of the disk and not of the statement. */
const DISK: Record<string, string> = {
  SQLITE_FULL: 'The disk of the kitchen’s server is full: nothing can be saved until room is made.',
  SQLITE_IOERR: 'The disk of the kitchen’s server does not write: nothing can be saved.',
  SQLITE_READONLY: 'The kitchen’s folder cannot be written any more: nothing can be saved.',
  SQLITE_CANTOPEN: 'The kitchen’s folder cannot be opened any more: nothing can be saved.',
} satisfies Record<string, Words>;
const GONE =
  'The kitchen’s file is gone from the server’s folder: nothing can be saved. Start the server again.' satisfies Words;

const cannotSave = (words: Words) => new HttpProblem(503, words);

/** Watches writes to a file: one that cannot reach the disk is refused in words and remembered. */
export function watchWrites(file: string) {
  const opened = statSync(file);
  let state: WriteState = { lastAt: null, problem: null };

  /** A file that was removed or replaced would take writes that nobody ever reads again. */
  async function isGone(): Promise<boolean> {
    try {
      const now = await stat(file);
      return now.ino !== opened.ino || now.dev !== opened.dev;
    } catch (error) {
      if (
        (error as NodeJS.ErrnoException).code === 'ENOENT' ||
        (error as NodeJS.ErrnoException).code === 'ENOTDIR'
      )
        return true;
      throw error;
    }
  }

  return {
    state: () => state,
    /** Runs a write; what it throws comes through unless the disk is to blame. */
    during: async <T>(work: () => Promise<T>): Promise<T> => {
      if (await isGone()) {
        state = { ...state, problem: GONE };
        throw cannotSave(GONE);
      }
      try {
        const result = await work();
        state = { lastAt: new Date(), problem: null };
        return result;
      } catch (error) {
        const problem = DISK[sqliteCode(error) ?? ''];
        if (!problem) throw error;
        state = { ...state, problem };
        throw cannotSave(problem);
      }
    },
  };
}
