import crc32 from 'crc-32';
import stableStringify from 'fast-json-stable-stringify';

/** Engines differ in the last digits of a power or a root; a cook does not see beyond these. */
const SIGNIFICANT_DIGITS = 9;
const HEX = 16;
const HASH_LENGTH = 8;

const rounded = (_key: string, value: unknown): unknown =>
  typeof value === 'number' && !Number.isInteger(value)
    ? Number(value.toPrecision(SIGNIFICANT_DIGITS))
    : value;

/** A value as JSON with sorted keys, figures at nine significant digits. */
export const stableText = (value: object): string =>
  stableStringify(JSON.parse(JSON.stringify(value, rounded)));

/** CRC-32 of a text: eight hexadecimal digits. */
export const checksum = (text: string): string =>
  (crc32.str(text) >>> 0).toString(HEX).padStart(HASH_LENGTH, '0');
