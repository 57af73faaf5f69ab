import { createHash, randomBytes } from 'node:crypto';
import { EventEmitter } from 'node:events';
import { dirname, join } from 'node:path';
import type { Phone, PhoneChange } from '@kettle-scale/core/phone';
import { DataTypes } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import { openTakenKeys } from './takenKeys';

const KEY_BYTES = 32;
/** "Last seen" is written down this often; every request would be a write. */
const SEEN_EVERY_MS = 60_000;
/** A phone that was away for so long is paired again. */
const FORGOTTEN_AFTER_MS = 90 * 24 * 3_600_000;

/** Beside the kitchen's file. */
const TAKEN_KEYS = 'taken.keys';
const NO_ROOM = 503;

/** @throws the error, unless it says that the disk takes nothing now */
function unlessNoRoom(error: unknown): void {
  if (!(error instanceof HttpProblem) || error.status !== NO_ROOM) throw error;
}

/** Keys are as random as hashes are long, so a plain hash hides them. */
const hashOf = (key: string): string => createHash('sha256').update(key).digest('hex');

/** The phones of the kitchen. Every request asks, so they are held in memory beside the table. */
export async function openPhoneStore({ file, sequelize, write }: Database) {
  const rows = documentModel<Phone>(sequelize, 'phones', {
    id: { type: DataTypes.STRING, primaryKey: true },
    key_hash: { type: DataTypes.STRING, allowNull: false },
  });
  const taken = openTakenKeys(join(dirname(file), TAKEN_KEYS));
  const revoked = new EventEmitter();
  revoked.setMaxListeners(0);
  const byHash = new Map<string, Phone>();

  /** The database forgets a key, and with it the place where it was kept that it is to. */
  async function forget(hash: string): Promise<void> {
    await write((transaction) => rows.destroy({ where: { key_hash: hash }, transaction }));
    taken.drop(hash);
  }
  for (const row of await rows.findAll()) {
    const hash = String(row.get('key_hash'));
    if (!taken.has(hash)) byHash.set(hash, row.document);
    // While there is no room yet it stays listed as taken.
    else await forget(hash).catch(unlessNoRoom);
  }
  if (byHash.size > 0) taken.makeRoom();
  const hashOfPhone = (id: string) => [...byHash].find(([, phone]) => phone.id === id)?.[0];

  async function put(hash: string, document: Phone): Promise<Phone> {
    await write((transaction) => rows.update({ document }, { where: { id: document.id }, transaction }));
    // Not before it is on the disk: what a full disk refuses must not hold until the next start alone.
    byHash.set(hash, document);
    return document;
  }

  return {
    list: (): Phone[] => [...byHash.values()].sort((a, b) => a.pairedAt.localeCompare(b.pairedAt)),
    /** Adds a phone; its key is told once and never again. */
    add: async ({ name, role }: PhoneChange, now: Date): Promise<{ phone: Phone; key: string }> => {
      const key = randomBytes(KEY_BYTES).toString('base64url');
      const at = now.toISOString();
      const phone = { id: uuidv7(), name, role, pairedAt: at, lastSeenAt: at };
      const row = { id: phone.id, key_hash: hashOf(key), document: phone };
      await write((transaction) => rows.create(row, { transaction }));
      taken.makeRoom();
      byHash.set(row.key_hash, phone);
      return { phone, key };
    },
    /** The phone with this key, seen now; null where there is none, or it was away for long. */
    seen: async (key: string, now: Date): Promise<Phone | null> => {
      const hash = hashOf(key);
      const phone = byHash.get(hash);
      if (!phone) return null;
      const awayMs = now.getTime() - Date.parse(phone.lastSeenAt);
      if (awayMs > FORGOTTEN_AFTER_MS) return null;
      if (awayMs <= SEEN_EVERY_MS) return phone;
      const seen = { ...phone, lastSeenAt: now.toISOString() };
      try {
        return await put(hash, seen);
      } catch (error) {
        // A full disk is told by the health; it must not lock out who only reads.
        unlessNoRoom(error);
        byHash.set(hash, seen);
        return seen;
      }
    },
    change: async (id: string, change: PhoneChange): Promise<Phone | null> => {
      const hash = hashOfPhone(id);
      const phone = hash === undefined ? undefined : byHash.get(hash);
      if (hash === undefined || !phone) return null;
      const changed = await put(hash, { ...phone, ...change });
      // What is open was opened with the old role.
      if (changed.role !== phone.role) revoked.emit('key', id);
      return changed;
    },
    /** Takes the key away, also while the disk is full; false where there is no such phone. */
    remove: async (id: string): Promise<boolean> => {
      const hash = hashOfPhone(id);
      if (hash === undefined) return false;
      byHash.delete(hash);
      revoked.emit('key', id);
      const kept = taken.add(hash);
      await forget(hash).catch((error: unknown) => {
        if (!kept) throw error;
        unlessNoRoom(error);
      });
      return true;
    },
    /** Hears of keys that were taken away and roles that became others, wherever that was asked for, until it is called back. */
    onRevoked: (listener: (phoneId: string) => void): (() => void) => {
      revoked.on('key', listener);
      return () => revoked.off('key', listener);
    },
  };
}

export type PhoneStore = Awaited<ReturnType<typeof openPhoneStore>>;
