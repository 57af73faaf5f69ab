import { createHash, randomBytes } from 'node:crypto';
import type { Phone, PhoneChange } from '@kettle-scale/core/phone';
import { DataTypes } from 'sequelize';
import { v7 as uuidv7 } from 'uuid';
import { documentModel } from '../db/documentModel';
import type { Database } from '../db/openDatabase';

const KEY_BYTES = 32;
/** "Last seen" is written down this often; every request would be a write. */
const SEEN_EVERY_MS = 60_000;
/** A phone that was away for so long is paired again. */
const FORGOTTEN_AFTER_MS = 90 * 24 * 3_600_000;

/** Keys are as random as hashes are long, so a plain hash hides them. */
const hashOf = (key: string): string => createHash('sha256').update(key).digest('hex');

/** The phones of the kitchen. Every request asks, so they are held in memory beside the table. */
export async function openPhoneStore({ sequelize, write }: Database) {
  const rows = documentModel<Phone>(sequelize, 'phones', {
    id: { type: DataTypes.STRING, primaryKey: true },
    key_hash: { type: DataTypes.STRING, allowNull: false },
  });
  const byHash = new Map<string, Phone>();
  for (const row of await rows.findAll()) byHash.set(String(row.get('key_hash')), row.document);
  const hashOfPhone = (id: string) => [...byHash].find(([, phone]) => phone.id === id)?.[0];

  async function put(hash: string, document: Phone): Promise<Phone> {
    byHash.set(hash, document);
    await write((transaction) => rows.update({ document }, { where: { id: document.id }, transaction }));
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
      } catch {
        // A full disk is told by the health; it must not lock out who only reads.
        return seen;
      }
    },
    change: async (id: string, change: PhoneChange): Promise<Phone | null> => {
      const hash = hashOfPhone(id);
      const phone = hash === undefined ? undefined : byHash.get(hash);
      return hash === undefined || !phone ? null : put(hash, { ...phone, ...change });
    },
    /** Takes the key away; false where there is no such phone. */
    remove: async (id: string): Promise<boolean> => {
      const hash = hashOfPhone(id);
      if (hash === undefined) return false;
      byHash.delete(hash);
      await write((transaction) => rows.destroy({ where: { id }, transaction }));
      return true;
    },
  };
}

export type PhoneStore = Awaited<ReturnType<typeof openPhoneStore>>;
