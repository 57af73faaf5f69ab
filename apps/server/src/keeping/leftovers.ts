import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { backupFolder } from './backups';
import { namesIn } from './namesIn';

/** What is made beside its place and moved there when it is whole; a kill leaves it, and so do a drill and a demo kitchen. */
const LEFT_BY_A_KILL = {
  data: /^kitchen\.sqlite\.(?:making|restoring)|^(?:(\d+)-)?[^/]*-drill\.sqlite|^sandbox-/,
  backups: /^making-(?:(\d+)-)?|^(?:(\d+)-)?[^/]*-drill\.sqlite|\.making(?:-journal)?$/,
};

/** Whether a process is there still: a backup that somebody makes beside the server goes on. */
function runs(pid: string | undefined): boolean {
  if (pid === undefined) return false;
  try {
    process.kill(Number(pid), 0);
    return true;
  } catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM';
  }
}

/**
 * Throws away what a kill has left half made in a kitchen's folder. Its server holds the folder alone when it asks for this.
 * @param data the kitchen's folder
 */
export function throwAwayLeftovers(data: string): void {
  const folders = [
    [data, LEFT_BY_A_KILL.data],
    [backupFolder(data), LEFT_BY_A_KILL.backups],
  ] as const;
  for (const [folder, left] of folders) {
    for (const name of namesIn(folder)) {
      const [found, ...pids] = left.exec(name) ?? [];
      if (found === undefined || pids.some(runs)) continue;
      rmSync(join(folder, name), { recursive: true });
    }
  }
}
