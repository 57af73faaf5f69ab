import { type Stats, chmodSync, existsSync, mkdirSync, statSync } from 'node:fs';

/** Only the owner of a kitchen's files reads them; a folder also needs the right to be entered. */
export const OWNER_ONLY = { file: 0o600, folder: 0o700 } as const;

/** Makes a folder that only its owner enters, or makes one that is there so. */
export function privateFolder(path: string): void {
  mkdirSync(path, { recursive: true, mode: OWNER_ONLY.folder });
  if (statSync(path).uid === process.geteuid?.()) chmodSync(path, OWNER_ONLY.folder);
}

const OTHERS = 0o077;

/** Takes a file of this user, if it is there, from everybody else. */
export function privateFile(path: string): void {
  if (!existsSync(path)) return;
  const { uid, mode } = statSync(path);
  if ((mode & OTHERS) !== 0 && uid === process.geteuid?.()) chmodSync(path, OWNER_ONLY.file);
}

/** Who runs a program, as the system knows it. */
export interface User {
  id: number;
  groups: readonly number[];
}
export const ROOT_USER = 0;
const WRITE = { owner: 0o200, group: 0o020, others: 0o002 } as const;

/** The user of this process; null where the system has none, as on Windows. */
export const thisUser = (): User | null =>
  process.geteuid && process.getgroups && process.getegid
    ? { id: process.geteuid(), groups: [process.getegid(), ...process.getgroups()] }
    : null;

/** Whether a user may write a file or into a folder, by its rights. */
export function mayWrite(
  { uid, gid, mode }: Pick<Stats, 'uid' | 'gid' | 'mode'>,
  user: User | null,
): boolean {
  if (user === null || user.id === ROOT_USER) return true;
  if (uid === user.id) return (mode & WRITE.owner) !== 0;
  return (mode & (user.groups.includes(gid) ? WRITE.group : WRITE.others)) !== 0;
}
