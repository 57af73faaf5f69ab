import crc32 from 'crc-32';
import stableStringify from 'fast-json-stable-stringify';
import type { Plan } from './planSchema';

/** Engines differ in the last digits of a power or a root; a cook does not see beyond these. */
const SIGNIFICANT_DIGITS = 9;
const HEX = 16;
const HASH_LENGTH = 8;

const rounded = (_key: string, value: unknown): unknown =>
  typeof value === 'number' && !Number.isInteger(value)
    ? Number(value.toPrecision(SIGNIFICANT_DIGITS))
    : value;

/**
 * Tells whether two plans are the same to a cook: CRC-32 of the plan as JSON with sorted keys, figures at nine significant
 * digits.
 * @param plan the plan
 * @returns eight hexadecimal digits
 */
export function planHash(plan: Plan): string {
  const text = stableStringify(JSON.parse(JSON.stringify(plan, rounded)));
  return (crc32.str(text) >>> 0).toString(HEX).padStart(HASH_LENGTH, '0');
}
