import { readdirSync } from 'node:fs';

/** Why a folder has nothing to say: it is not there, or it is another user's, which `strangersFile` tells. */
const NOTHING_TO_SAY: ReadonlySet<string | undefined> = new Set(['ENOENT', 'EACCES', 'EPERM']);

/** Names in a folder; none where it is not there or this user may not look. */
export function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder);
  } catch (error) {
    if (!NOTHING_TO_SAY.has((error as NodeJS.ErrnoException).code)) throw error;
    return [];
  }
}
