import { closeSync, existsSync, fsyncSync, openSync, readFileSync, writeFileSync, writeSync } from 'node:fs';
import { OWNER_ONLY } from '../db/ownerOnly';

/** Keys that can be taken away while the disk is full, before room is made and the database knows of it. */
const SLOTS = 256;
const HASH_BYTES = 32;
const EMPTY = Buffer.alloc(HASH_BYTES);

/**
 * Hashes of keys that were taken away and that the database may still have, in a file whose room was taken beforehand: writing
 * over it needs none, so that a key taken away on a full disk stays taken away over a restart.
 * @param file where they are
 */
export function openTakenKeys(file: string) {
  const slots = existsSync(file) ? readFileSync(file) : Buffer.alloc(SLOTS * HASH_BYTES);
  const slotOf = (hash: Buffer): number => {
    for (let at = 0; at < slots.length; at += HASH_BYTES) {
      if (slots.subarray(at, at + HASH_BYTES).equals(hash)) return at;
    }
    return -1;
  };
  /** Writes over one place, and returns when that is on the disk. */
  const put = (at: number, hash: Buffer): void => {
    const opened = openSync(file, 'r+');
    try {
      writeSync(opened, hash, 0, HASH_BYTES, at);
      fsyncSync(opened);
    } finally {
      closeSync(opened);
    }
    hash.copy(slots, at);
  };
  return {
    /** Takes the room, as soon as there is a key that could be taken away. */
    makeRoom: (): void => {
      if (!existsSync(file)) writeFileSync(file, slots, { mode: OWNER_ONLY.file, flush: true });
    },
    has: (hash: string): boolean => slotOf(Buffer.from(hash, 'hex')) >= 0,
    /** Returns whether it is on the disk: all places may be taken. */
    add: (hash: string): boolean => {
      const at = slotOf(EMPTY);
      if (at < 0) return false;
      put(at, Buffer.from(hash, 'hex'));
      return true;
    },
    /** The database no longer has it. */
    drop: (hash: string): void => {
      const at = slotOf(Buffer.from(hash, 'hex'));
      if (at >= 0) put(at, EMPTY);
    },
  };
}
