import type { Request } from 'express';
import { create } from 'qrcode';

/** How phones reach the kitchen. */
export interface Network {
  /** Addresses to open, the best first. */
  addresses: string[];
  /** Where a phone learns to trust the kitchen's own authority; null with a certificate of elsewhere. */
  trust: { address: string; fingerprint: string; der: Buffer } | null;
}

/** A text as squares to scan, row by row: `1` is dark. */
export function squaresOf(text: string): string[] {
  const { size, data } = create(text, { errorCorrectionLevel: 'M' }).modules;
  return Array.from({ length: size }, (_, row) =>
    Array.from(data.subarray(row * size, (row + 1) * size), (dark) => (dark ? '1' : '0')).join(''),
  );
}

/** Where a phone goes with a code. */
export const pairAddress = (base: string, code: string): string => `${base}/pair?code=${code}`;

/** The page by the name that the phone already uses. */
export const secureBase = (request: Request): string => `https://${request.get('host') ?? ''}`;
