import { existsSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT_USER, type User, mayWrite, thisUser } from '../db/ownerOnly';
import { backupFolder } from './backups';
import { namesIn } from './namesIn';

/** What a kitchen cannot work without. */
const ITS_OWN = ['', 'kitchen.sqlite', 'kitchen.sqlite-wal', 'kitchen.sqlite-shm', 'kitchen.lock'];

/** The first of some files and folders that a user may not write, as a sentence that says what to do; null where all is well. */
function strangerOf(paths: readonly string[], data: string, user: User | null): string | null {
  for (const path of paths) {
    if (!existsSync(path)) continue;
    const found = statSync(path);
    if (mayWrite(found, user)) continue;
    const whose = found.uid === ROOT_USER ? 'root' : `another user (${found.uid})`;
    return `${path} belongs to ${whose}, and the server’s user cannot write it: give the folder to that user, as in “sudo chown -R kettle ${data}”.`;
  }
  return null;
}

/**
 * The first file of a kitchen itself that this user may not write, as it comes about when another user, root most often, has
 * started a server there: with such a one nothing can be stored.
 * @param data the kitchen's folder
 * @returns a sentence that says which and what to do; null where all is well
 */
export const strangersKitchen = (data: string, user: User | null = thisUser()): string | null =>
  strangerOf(
    ITS_OWN.map((name) => join(data, name)),
    data,
    user,
  );

/** The same, of its backups too: with such a one the next night fails, or the next upgrade. */
export function strangersFile(data: string, user: User | null = thisUser()): string | null {
  const backups = backupFolder(data);
  const inside = namesIn(backups).map((name) => join(backups, name));
  return strangersKitchen(data, user) ?? strangerOf([backups, ...inside], data, user);
}

/**
 * Goes on as the owner of a kitchen's folder where root asked for something in it: what root makes there the server could
 * neither replace nor throw away.
 * @param data the kitchen's folder
 */
export function actAsOwnerOf(data: string): void {
  if (process.geteuid?.() !== ROOT_USER || !existsSync(data)) return;
  const { uid, gid } = statSync(data);
  if (uid === ROOT_USER) return;
  process.setgroups?.([gid]);
  process.setgid?.(gid);
  process.setuid?.(uid);
}
