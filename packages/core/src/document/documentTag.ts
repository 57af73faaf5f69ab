import crc32 from 'crc-32';
import crc32c from 'crc-32/crc32c';
import stableStringify from 'fast-json-stable-stringify';

const HEX = 16;
const DIGITS = 8;
const hex = (sum: number): string => (sum >>> 0).toString(HEX).padStart(DIGITS, '0');

/**
 * Tells one state of a document from another: two check sums (CRC-32 and CRC-32C) of it as JSON with sorted keys. It is what
 * a save says it was made from; whoever wants to deceive it gains nothing but their own overwritten work.
 * @param document anything that is JSON; what is undefined counts as missing
 * @returns sixteen hexadecimal digits
 */
export function documentTag(document: unknown): string {
  const text = stableStringify(JSON.parse(JSON.stringify(document)));
  return hex(crc32.str(text)) + hex(crc32c.str(text));
}
