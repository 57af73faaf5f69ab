/** A number as somebody wrote it. */
export type ReadNumber =
  | { as: 'number'; value: number }
  /** "1,500" is fifteen hundred where commas group and one and a half where they are decimal: both, the first as this locale writes. */
  | { as: 'either'; readings: readonly [number, number] }
  | { as: 'none' };

/** The sign that a locale puts before decimals. */
export type DecimalSign = '.' | ',';

const NONE: ReadNumber = { as: 'none' };
/** Blanks and apostrophes only ever group: "1 500", "1’500". */
const GROUPING = /(?<=\d)[\s\u00a0\u202f'’](?=\d{3}(?!\d))/g;
const SIGNED = /^([-−+]?)(\d*(?:[.,]\d+)*)$/;
const GROUPED = /^[1-9]\d{0,2}(?:[.,]\d{3})+$/;

const finite = (value: number): ReadNumber => (Number.isFinite(value) ? { as: 'number', value } : NONE);

/**
 * Reads a number, whatever sign it uses for decimals and thousands: the one reader of fields, keypads, files, lists and
 * commands. "1,5" is one and a half and "0,125" an eighth; never 15, never 125.
 * @param decimal what the reader's own locale writes; decides which reading of "1,500" comes first
 * @returns the number; both numbers where it can be either; nothing where it is none
 * @example readNumber('1.500,5') // { as: 'number', value: 1500.5 }
 */
export function readNumber(text: string, decimal: DecimalSign = '.'): ReadNumber {
  const [, sign = '', digits = ''] = SIGNED.exec(text.trim().replace(GROUPING, '')) ?? [];
  if (digits === '') return NONE;
  const factor = sign === '-' || sign === '−' ? -1 : 1;
  const valueOf = (plain: string) => factor * Number(plain);
  const marks = digits.replace(/\d/g, '');
  const last = marks.at(-1);
  if (last === undefined) return finite(valueOf(digits));

  const isMixed = marks.includes('.') && marks.includes(',');
  if (isMixed) {
    // The sign that stands last and once is the decimal one; the other must group.
    const at = digits.lastIndexOf(last);
    const whole = digits.slice(0, at);
    if (whole.includes(last) || !GROUPED.test(whole)) return NONE;
    return finite(valueOf(`${whole.replace(/[.,]/g, '')}.${digits.slice(at + 1)}`));
  }
  const groups = GROUPED.test(digits);
  if (marks.length > 1) return groups ? finite(valueOf(digits.replace(/[.,]/g, ''))) : NONE;
  const asDecimal = valueOf(digits.replace(',', '.'));
  // In the locale's own decimal sign three decimals are three decimals; in the other it may be thousands.
  if (!groups || last === decimal) return finite(asDecimal);
  return { as: 'either', readings: [valueOf(digits.replace(/[.,]/, '')), asDecimal] };
}

/** A sentence as the rooms after this one have it: a text with holes, and what fills them. */
export interface Told {
  text: string;
  values: Readonly<Record<string, number | { name: string }>>;
}

/**
 * The question that a number with two readings asks; null when there is none.
 * @param text as typed
 * @param decimal the reader's decimal sign
 */
export function numberQuestion(text: string, decimal: DecimalSign = '.'): Told | null {
  const read = readNumber(text, decimal);
  if (read.as !== 'either') return null;
  const [many, few] = read.readings;
  return {
    text: '“{typed}” can be {many, number} or {few, number}: write it one of these ways.',
    values: { typed: { name: text.trim() }, many, few },
  };
}

/**
 * A number that has one reading; NaN for any other text.
 * @param text as typed
 * @param decimal the reader's decimal sign
 */
export function numberOrNaN(text: string, decimal: DecimalSign = '.'): number {
  const read = readNumber(text, decimal);
  return read.as === 'number' ? read.value : NaN;
}
