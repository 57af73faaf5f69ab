import { existsSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { type User, mayWrite, thisUser } from '../db/ownerOnly';
import { backupFolder } from './backups';

/** What a kitchen writes in its folder itself. */
const WRITTEN = [
  '',
  'kitchen.sqlite',
  'kitchen.sqlite-wal',
  'kitchen.sqlite-shm',
  'kitchen.lock',
  'server.json',
];
const ROOT_USER = 0;

/**
 * The first file or folder of a kitchen that this user may not write, as it comes about when another user, root most often,
 * has started a server or made a backup there.
 * @param data the kitchen's folder
 * @returns a sentence that says which and what to do; null where all is well
 */
export function strangersFile(data: string, user: User | null = thisUser()): string | null {
  const backups = backupFolder(data);
  const inBackups = existsSync(backups) ? readdirSync(backups).map((name) => join(backups, name)) : [];
  const paths = [...WRITTEN.map((name) => join(data, name)), backups, ...inBackups];
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
