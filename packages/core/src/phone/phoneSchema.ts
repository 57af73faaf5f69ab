import { z } from 'zod';
import { choiceField, instantField, nameField, textField, uuidField } from '../message/fields';

/**
 * What somebody may do: a cook works batches and reads everything; a lead also changes formulas, settings, stock and phones,
 * and restores backups; a device only tells its readings.
 */
export const ROLES = ['cook', 'lead', 'device'] as const;
export type Role = (typeof ROLES)[number];

const LONGEST_NAME = 40;
const roleField = choiceField('Role', ROLES);
const phoneName = nameField('Name', { min: 1, max: LONGEST_NAME });

/** A phone, tablet or device bridge that was paired with the kitchen; its key is not in here. */
export const phoneSchema = z.strictObject({
  id: uuidField('Phone'),
  name: phoneName,
  role: roleField,
  pairedAt: instantField('Time of pairing'),
  lastSeenAt: instantField('Last seen'),
});
export type Phone = z.infer<typeof phoneSchema>;

/** What a lead may change of a phone. */
export const phoneChangeSchema = phoneSchema.pick({ name: true, role: true });
export type PhoneChange = z.infer<typeof phoneChangeSchema>;

/** Asks for a code that pairs one phone. */
export const codeRequestSchema = z.strictObject({ role: roleField });

/** Squares of a code to scan, row by row: `1` is dark. */
const squaresSchema = z.array(z.string());

/** A code that pairs one phone, for a few minutes. */
export const pairingCodeSchema = z.strictObject({
  code: z.string(),
  role: roleField,
  expiresAt: instantField('End of the code'),
  /** Where the phone goes with it, and the same to scan; null where the kitchen is not on a network. */
  address: z.string().nullable(),
  squares: squaresSchema.nullable(),
});
export type PairingCode = z.infer<typeof pairingCodeSchema>;

const LONGEST_CODE = 40;
/** What a phone says to be paired. */
export const pairRequestSchema = z.strictObject({
  code: textField('Code', { min: 1, max: LONGEST_CODE }),
  name: phoneName,
});

/** Who asks, as the server sees it, and how the kitchen is reached. */
export const accessSchema = z.strictObject({
  role: roleField,
  /** Null on the server's own screen, which needs no key. */
  phone: phoneSchema.pick({ id: true, name: true }).nullable(),
  /** How phones reach the kitchen; null where it listens on its own machine alone. */
  network: z
    .strictObject({
      addresses: z.array(z.string()),
      /** Where a phone learns to trust the kitchen, and the fingerprint to compare; null with a certificate of elsewhere. */
      trust: z.strictObject({ address: z.string(), fingerprint: z.string() }).nullable(),
    })
    .nullable(),
});
export type KitchenAccess = z.infer<typeof accessSchema>;
