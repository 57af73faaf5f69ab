/**
 * A measured value as it is stored. Whoever shows it writes it in the reader's units and language; the key says what it is:
 * g mass as fine as the scale's step, bulkG sacks and bowls, mm length, thicknessMm as a calliper reads it, tempC a
 * temperature, kelvin a difference of temperatures, kelvinPerMin how fast one changes, s a span, clockS a running clock,
 * share a fraction as percent, points hundredths of the flour, ml spoons and cups, gPerMl a density, money in a currency,
 * figure a plain number, bound a figure in a stored unit without it, unitOf that unit, ms an instant, day a day.
 */
export type Quantity =
  | { g: number; stepG?: number | undefined }
  | { bulkG: number }
  | { mm: number; decimals?: number | undefined }
  | { thicknessMm: number }
  | { tempC: number }
  | { kelvin: number; decimals?: number | undefined }
  | { kelvinPerMin: number; decimals?: number | undefined }
  | { s: number }
  | { clockS: number }
  | { share: number; decimals?: number | undefined; signed?: boolean | undefined }
  | { points: number; decimals?: number | undefined; signed?: boolean | undefined }
  | { ml: number; measures?: 'us' | 'metric' | undefined }
  | { gPerMl: number }
  | { money: number; currency?: string | undefined; decimals?: number | undefined }
  | { figure: number; decimals?: number | undefined; most?: number | undefined; signed?: boolean | undefined }
  /** A bound of a field in its stored unit, as a bare figure; and that unit. */
  | { bound: number; of: string }
  | { unitOf: string }
  | { ms: number; zone: string; style: string }
  | { day: string; style: string };

/** What fills a hole. Words may be in the catalogue; a name is said as it was given. */
export type Value =
  | Words
  | number
  | { name: string }
  /** Joined by the language's own "and" or "or", else by `glue`, a comma where none is given. */
  | { list: readonly Value[]; as?: 'and' | 'or' | undefined; glue?: string | undefined }
  /** Within a sentence, or at its beginning. */
  | { lower: Value }
  | { capital: Value };

/** A sentence with named holes, in ICU MessageFormat, and what fills them. */
export interface Message {
  text: string;
  values?: Readonly<Record<string, Value>> | undefined;
}

/** What is said to a reader: a text of the catalogue, a message, or a bare measured value. */
export type Words = string | Message | Quantity;

/**
 * A sentence as data.
 * @param text English, with a hole in braces for every value; plurals and selects as ICU MessageFormat has them
 * @param values what fills the holes
 * @example message('Plate {difference} hotter.', { difference: { kelvin: 12 } })
 */
export const message = (text: string, values: Readonly<Record<string, Value>>): Message => ({ text, values });

/** Whether two say the same. */
export const sameWords = (a: Words | undefined, b: Words | undefined): boolean =>
  a === b || JSON.stringify(a) === JSON.stringify(b);

/** The key of each quantity that says what it is. */
export const MEASURED = [
  ...([
    'g',
    'bulkG',
    'mm',
    'thicknessMm',
    'tempC',
    'kelvin',
    'kelvinPerMin',
    's',
    'clockS',
    'share',
  ] as const),
  ...(['points', 'ml', 'gPerMl', 'money', 'figure', 'bound', 'unitOf', 'ms', 'day'] as const),
] as const;
export type Measured = (typeof MEASURED)[number];

/**
 * Words on their way through what carries nothing but text, as Zod does: see `fromText`.
 * @param words a sentence as data
 */
export const asText = (words: Words): string =>
  typeof words === 'string' ? words : `${PACKED}${JSON.stringify(words)}`;
const PACKED = '\u0002';

/** Words as they were before `asText`; a text that only looks packed stays as it is. */
export function fromText(text: string): Words {
  if (!text.startsWith(PACKED)) return text;
  try {
    return JSON.parse(text.slice(PACKED.length)) as Words;
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error;
    return text;
  }
}
