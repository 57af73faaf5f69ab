import type { Words } from '@kettle-scale/core/message';
import { randomInt } from 'node:crypto';
import type { Role } from '@kettle-scale/core/phone';
import { HttpProblem } from '../http/problem';

/** Letters and digits that nobody takes for each other. */
const LETTERS = 'ABCDEFGHJKMNPQRSTUVWXYZ23456789';
/** Some 8·10¹¹ codes. */
const LENGTH = 8;
const HALF = LENGTH / 2;
export const CODE_MS = 5 * 60_000;

interface Offer {
  role: Role;
  expiresMs: number;
}

/** A code as it was typed: in capitals or not, with or without the dash. */
const asCode = (typed: string): string => typed.toUpperCase().replace(/[^A-Z0-9]/g, '');
const newCode = (): string =>
  Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');

/** Codes that pair one phone each; they live as long as the server, and at most five minutes. */
export function createPairing(now: () => Date) {
  const offers = new Map<string, Offer>();
  return {
    offer: (role: Role): { code: string; expiresAt: Date } => {
      const expiresMs = now().getTime() + CODE_MS;
      const code = newCode();
      for (const [old, offer] of offers) if (offer.expiresMs <= now().getTime()) offers.delete(old);
      offers.set(code, { role, expiresMs });
      return { code: `${code.slice(0, HALF)}-${code.slice(HALF)}`, expiresAt: new Date(expiresMs) };
    },
    /**
     * Uses a code up.
     * @returns the role that it gives
     * @throws HttpProblem for a wrong code or an old one; who guesses is slowed before this is asked
     */
    take: (typed: string): Role => {
      const code = asCode(typed);
      const offer = offers.get(code);
      offers.delete(code);
      if (offer && offer.expiresMs > now().getTime()) return offer.role;
      const message: Words = 'This code is wrong or too old: ask for a new one at the server.';
      throw new HttpProblem(403, message, [{ path: 'code', message }]);
    },
  };
}

export type Pairing = ReturnType<typeof createPairing>;
