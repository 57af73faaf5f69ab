import { createHash, randomBytes, timingSafeEqual } from 'node:crypto';
import { rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { OWNER_ONLY } from '../db/ownerOnly';

const KEY_BYTES = 32;

/** Where a kitchen behind a proxy leaves the key of its own machine: whoever may read the folder is its owner. */
export const ownKeyFile = (data: string): string => join(data, 'own.key');

/**
 * Makes the key by which the machine itself asks a kitchen that is behind a proxy, where an address proves nothing. It holds as
 * long as the server runs.
 * @param data the kitchen's folder
 */
export function makeOwnKey(data: string): string {
  const key = randomBytes(KEY_BYTES).toString('base64url');
  dropOwnKey(data);
  writeFileSync(ownKeyFile(data), key, { mode: OWNER_ONLY.file });
  return key;
}

export const dropOwnKey = (data: string): void => rmSync(ownKeyFile(data), { force: true });

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

/** Whether a key is that one; how long the look takes tells nothing. */
export const isKey = (key: string | null, given: string | undefined): boolean =>
  key !== null && given !== undefined && timingSafeEqual(digest(key), digest(given));
