import { MEASURED, type Words } from './message';
import { ENGLISH, type Reader } from './reader';
import { writeWords } from './writeWords';

/** The same with every sentence in it written out. */
export type Written<T> = [T] extends [Words | null | undefined]
  ? string | Extract<T, null | undefined>
  : T extends readonly (infer One)[]
    ? Written<One>[]
    : T extends (...args: never[]) => unknown
      ? T
      : T extends object
        ? { [K in keyof T]: Written<T[K]> }
        : T;

const MESSAGE_KEYS = new Set(['text', 'values']);
const QUANTITY_KEYS = new Set<string>([
  ...MEASURED,
  ...['stepG', 'decimals', 'signed', 'measures', 'currency', 'most', 'zone', 'style', 'of'],
]);

const isPlain = (value: object): boolean => Object.getPrototypeOf(value) === Object.prototype;

function isWords(value: object): boolean {
  const keys = Object.keys(value);
  if (keys.length === 0 || !isPlain(value)) return false;
  if ('text' in value) return typeof value.text === 'string' && keys.every((key) => MESSAGE_KEYS.has(key));
  return keys.every((key) => QUANTITY_KEYS.has(key)) && MEASURED.some((key) => key in value);
}

/**
 * A result with every sentence in it written out, wherever it stands: for the command, and for tests.
 * @param value words, or something that holds them
 * @param reader who is told
 */
export function writeAll<T>(value: T, reader: Reader = ENGLISH): Written<T> {
  const write = (one: unknown): unknown => {
    if (typeof one === 'string') return writeWords(one, reader);
    if (typeof one !== 'object' || one === null) return one;
    if (Array.isArray(one)) return one.map(write);
    if (isWords(one)) return writeWords(one as Words, reader);
    return isPlain(one)
      ? Object.fromEntries(Object.entries(one).map(([key, part]) => [key, write(part)]))
      : one;
  };
  return write(value) as Written<T>;
}
