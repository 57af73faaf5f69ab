import { IntlMessageFormat } from 'intl-messageformat';
import { type Message, type Quantity, type Value, type Words, fromText } from './message';
import { forReader } from '../quantity/readerUnit';
import { ENGLISH, type Reader } from './reader';
import { writeQuantity } from './writeQuantity';

const formats = new Map<string, IntlMessageFormat | null>();

/** A text made ready for its values; null for one that is no message, as a document from elsewhere may hold. */
function formatOf(text: string, locale: string): IntlMessageFormat | null {
  const key = `${locale} ${text}`;
  let format = formats.get(key);
  if (format === undefined) {
    try {
      format = new IntlMessageFormat(text, locale, undefined, { ignoreTag: true });
    } catch (error) {
      if (!(error instanceof Error)) throw error;
      format = null;
    }
    formats.set(key, format);
  }
  return format;
}

const lists = new Map<string, Intl.ListFormat>();
const LIST_STYLES = {
  and: { type: 'conjunction' },
  or: { type: 'disjunction' },
} as const;

function joined(parts: readonly string[], as: keyof typeof LIST_STYLES, locale: string): string {
  const key = `${locale} ${as}`;
  const format = lists.get(key) ?? new Intl.ListFormat(locale === 'en' ? 'en-GB' : locale, LIST_STYLES[as]);
  lists.set(key, format);
  return format.format(parts);
}

const withCapital = (text: string, locale: string): string =>
  text.slice(0, 1).toLocaleUpperCase(locale) + text.slice(1);

/** What fills a hole; numbers stay numbers, for plurals. */
function fill(value: Value, reader: Reader): string | number {
  if (typeof value === 'number') return value;
  if (typeof value === 'string') return writeWords(value, reader);
  if ('name' in value) return value.name;
  if ('list' in value) {
    const parts = value.list.map((one) => String(fill(one, reader)));
    const glue = value.glue ?? ', ';
    return value.as ? joined(parts, value.as, reader.locale) : parts.join(reader.texts[glue] ?? glue);
  }
  if ('lower' in value) return String(fill(value.lower, reader)).toLocaleLowerCase(reader.locale);
  if ('capital' in value) return withCapital(String(fill(value.capital, reader)), reader.locale);
  return writeWords(value, reader);
}

function writeMessage({ text, values = {} }: Message, reader: Reader): string {
  const format = formatOf(reader.texts[text] ?? text, reader.locale);
  if (!format) return text;
  try {
    const filled = Object.entries(values).map(([hole, value]) => [hole, fill(value, reader)] as const);
    return String(format.format(Object.fromEntries(filled)));
  } catch (error) {
    // A document from elsewhere may leave a hole open, or fill it with what is no value.
    if (!(error instanceof Error)) throw error;
    return text;
  }
}

const isMessage = (words: Message | Quantity): words is Message => 'text' in words;

/**
 * Words as a reader reads them: the one place where core's sentences become text.
 * @param words a text of the catalogue, a message or a measured value; a plain sentence of an older document
 * @param reader who is told
 * @example writeWords(message('Plate {off} hotter.', { off: { kelvin: 10 } }), ENGLISH_US) // 'Plate 18 °F hotter.'
 */
export function writeWords(words: Words, reader: Reader): string {
  if (typeof words === 'string') {
    const unpacked = fromText(words);
    return unpacked === words
      ? (reader.texts[words] ?? forReader(words, reader))
      : writeWords(unpacked, reader);
  }
  if (isMessage(words)) return writeMessage(words, reader);
  return writeQuantity(words, reader, (english) => reader.texts[english] ?? english);
}

/** Whether two read alike, as figures that differ less than they are written. */
export const readsAlike = (a: Words, b: Words): boolean => writeWords(a, ENGLISH) === writeWords(b, ENGLISH);
