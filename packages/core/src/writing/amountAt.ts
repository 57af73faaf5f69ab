import { numericQuantity } from 'numeric-quantity';
import { readNumber } from '../quantity/readNumber';
import type { Measures } from '../quantity/units';
import { type SaidUnit, unitAt } from './amountUnits';
import { type Interval, exactly, scaled, times } from '../quantity/interval';

/** How much a line says. `high` above `low` is a range, as in "1 to 1 1/2 cups". */
export interface SaidAmount {
  of: SaidUnit['of'];
  /** Grams, millilitres, pieces or percent of flour; the interval is what the words leave open (a pinch, a heap). */
  low: Interval;
  high: Interval;
  /** Name of the piece counted; empty when only a number stands there ("2 eggs"). */
  piece?: string;
  /** Weight ounces: of a liquid people may mean fluid ones. */
  ounce?: boolean;
  /** The amount as written. */
  words: string;
  /** A number like 1.000, which is one or a thousand by country: the other reading's factor. */
  orTimes?: number;
}

export interface Token {
  kind: 'number' | 'word' | 'mark';
  text: string;
  value: number;
  start: number;
  end: number;
}

const THOUSAND = 1000;
const NUMBER = /\d+(?:[.,]\d+)*\s+\d+\/\d+|\d+\/\d+|\d+(?:[.,]\d+)*|[.,]\d+/;
const TOKEN = new RegExp(`(${NUMBER.source})|([A-Za-zÀ-ž][A-Za-zÀ-ž']*\\.?)|(#|%|[^\\s\\w])`, 'gu');

/** Spoons that are not level. */
const HEAPS: Record<string, Interval> = {
  heaped: { low: 1.3, typical: 1.6, high: 2 },
  heaping: { low: 1.3, typical: 1.6, high: 2 },
  rounded: { low: 1.2, typical: 1.4, high: 1.6 },
  generous: { low: 1.03, typical: 1.08, high: 1.15 },
  scant: { low: 0.85, typical: 0.92, high: 0.98 },
  level: exactly(1),
  levelled: exactly(1),
  leveled: exactly(1),
  full: exactly(1),
  big: { low: 1.1, typical: 1.3, high: 1.6 },
  good: { low: 1, typical: 1.1, high: 1.3 },
  small: { low: 0.7, typical: 0.85, high: 1 },
};
export const ABOUT = new Set(
  'about approx approximately around roughly ca circa ~ up at least maybe perhaps say nearly almost just over under only use'.split(
    ' ',
  ),
);
const TO = new Set(['to', '-', 'or']);
/** `plus` and its like add whatever follows; "and" adds only what is smaller. */
export const PLUS = new Set(['plus', '+', 'then']);
const AND = new Set(['&', 'and']);
export const MORE = new Set(['another', 'more', 'extra']);

/** A list comes from anywhere: "1.000" may be one or a thousand, and so may "1,000". */
const THOUSAND_OR_ONE = /^[1-9]\d{0,2}[.,]\d{3}$/;

interface WrittenNumber {
  /** With the sign as a decimal one, where it can be read two ways. */
  value: number;
  orTimes?: number;
  /** Written with a comma, which in grams and millilitres can only group. */
  comma?: boolean;
}

function numberOf(text: string): WrittenNumber {
  const read = readNumber(text);
  const value =
    read.as === 'number'
      ? read.value
      : read.as === 'either'
        ? read.readings[1]
        : numericQuantity(text.replace(/,(?=\d)/, '.'), { round: false });
  return THOUSAND_OR_ONE.test(text) ? { value, orTimes: THOUSAND, comma: text.includes(',') } : { value };
}

/** The number once its unit is known: nobody writes thousandths of a gram, of a millilitre or of a piece with a comma. */
const inUnit = ({ value, orTimes, comma }: WrittenNumber, isSmall: boolean): WrittenNumber =>
  comma && isSmall ? { value: value * THOUSAND } : { value, ...(orTimes ? { orTimes } : {}) };

export function tokensOf(text: string): Token[] {
  return [...text.matchAll(TOKEN)].map((match) => ({
    kind: match[1] ? 'number' : match[2] ? 'word' : 'mark',
    text: match[0],
    value: match[1] ? numberOf(match[1]).value : NaN,
    start: match.index,
    end: match.index + match[0].length,
  }));
}

export interface Found {
  amount: SaidAmount;
  next: number;
}

/** The tokens of a line with a place to read on from. */
interface Reader {
  tokens: readonly Token[];
  measures: Measures;
  at: number;
}

const wordAt = ({ tokens }: Reader, index: number): string =>
  tokens[index]?.text.toLowerCase().replace(/(?<=.)\.$/, '') ?? '';

function skip(reader: Reader, words: ReadonlySet<string>): void {
  const from = reader.at;
  while (words.has(wordAt(reader, reader.at)) || (reader.at > from && wordAt(reader, reader.at) === '.')) {
    reader.at += 1;
  }
}

/** Whether a number stands there that can be an amount: "1/0" cannot. */
const isNumber = ({ tokens }: Reader, index: number): boolean => Number.isFinite(tokens[index]?.value);
const numberAt = ({ tokens }: Reader, index: number): WrittenNumber => numberOf(tokens[index]?.text ?? '');

/** "A pinch of salt", "pinch of salt", "a heaped spoon": one, when a unit follows. */
function oneOfUnit(reader: Reader): WrittenNumber | null {
  const { tokens, measures } = reader;
  const article = ['a', 'an'].includes(wordAt(reader, reader.at));
  if (article) reader.at += 1;
  const heaped = HEAPS[wordAt(reader, reader.at)] ? 1 : 0;
  const unit = unitAt([tokens[reader.at + heaped]?.text ?? ''], measures);
  // "Pound cake flour" is a name; "a pound of flour" is an amount.
  const counts =
    unit && (unit.unit.of === 'volume' || unit.unit.of === 'piece' || (article && unit.unit.of === 'mass'));
  if (!unit || !counts) return null;
  if (unit.taken === 1 && (tokens[reader.at]?.text.length ?? 0) < 2) return null;
  return { value: 1 };
}

/** "A scant two cups": how full stands before the number. */
function heapInFront(reader: Reader): Interval | undefined {
  const { at } = reader;
  if (!['a', 'an'].includes(wordAt(reader, at)) || !isNumber(reader, at + 2)) return undefined;
  const heap = HEAPS[wordAt(reader, at + 1)];
  if (heap) reader.at += 2;
  return heap;
}

/** The number, or the two of a range: "2", "1 to 2", "between 1 and 2", "2 x 250". */
function numbersAt(
  reader: Reader,
): { low: WrittenNumber; high: WrittenNumber | null; between: boolean } | null {
  const between = wordAt(reader, reader.at) === 'between';
  if (between) reader.at += 1;
  let low: WrittenNumber | null;
  if (isNumber(reader, reader.at)) {
    low = numberAt(reader, reader.at);
    reader.at += 1;
  } else low = oneOfUnit(reader);
  if (!low) return null;
  let high: WrittenNumber | null = null;
  const to = wordAt(reader, reader.at);
  if ((TO.has(to) || (between && to === 'and')) && isNumber(reader, reader.at + 1)) {
    high = numberAt(reader, reader.at + 1);
    reader.at += 2;
  }
  // "2 x 250 g" is both together.
  if (['x', '×'].includes(wordAt(reader, reader.at)) && isNumber(reader, reader.at + 1)) {
    const times = numberAt(reader, reader.at + 1);
    low = { ...times, value: low.value * times.value };
    reader.at += 2;
  }
  return Number.isFinite(low.value) ? { low, high, between } : null;
}

const sum = (a: Interval, b: Interval): Interval => ({
  low: a.low + b.low,
  typical: a.typical + b.typical,
  high: a.high + b.high,
});

/** More of the same. */
export const plus = (amount: SaidAmount, more: SaidAmount): SaidAmount => ({
  ...amount,
  low: sum(amount.low, more.low),
  high: sum(amount.high, more.high),
});

/** Whether thousandths of a unit are never written: grams, millilitres, pieces. */
const isSmallUnit = (unit: SaidUnit | undefined): boolean =>
  !unit ||
  unit.of === 'piece' ||
  (unit.of === 'mass' && unit.g === 1) ||
  (unit.of === 'volume' && unit.ml.typical === 1);

/** Reads one amount that begins at a token, or null. */
export function amountAt(tokens: readonly Token[], from: number, measures: Measures): Found | null {
  const reader: Reader = { tokens, measures, at: from };
  skip(reader, ABOUT);
  const before = heapInFront(reader);
  const bare = isNumber(reader, reader.at) || wordAt(reader, reader.at) === 'between';
  const numbers = numbersAt(reader);
  if (!numbers) return null;
  const behind = HEAPS[wordAt(reader, reader.at)];
  if (behind) reader.at += 1;
  const heap = behind ?? before;
  const unit = unitAt([tokens[reader.at]?.text ?? '', tokens[reader.at + 1]?.text ?? ''], measures);
  const { value, orTimes } = inUnit(numbers.low, isSmallUnit(unit?.unit));
  const second = numbers.high && inUnit(numbers.high, isSmallUnit(unit?.unit)).value;
  if (!unit) {
    if (!bare) return null;
    const amount: SaidAmount = {
      ...{ of: 'piece', piece: '', words: '' },
      ...{ low: exactly(value), high: exactly(second ?? value) },
    };
    return { amount, next: behind ? reader.at - 1 : reader.at };
  }
  reader.at += unit.taken;
  if (wordAt(reader, reader.at) === '.') reader.at += 1;
  // "Two spoons heaped of honey": other languages say it last.
  const last = wordAt(reader, reader.at + 1) === 'of' ? HEAPS[wordAt(reader, reader.at)] : undefined;
  if (last) reader.at += 1;
  const said = saidOf(unit.unit, heap ?? last ?? exactly(1), value, second ?? value, orTimes);
  return joined(reader, said, unit.unit, { ranged: second !== null, between: numbers.between });
}

function saidOf(unit: SaidUnit, heap: Interval, low: number, high: number, orTimes?: number): SaidAmount {
  const each = unit.of === 'mass' ? exactly(unit.g) : unit.of === 'volume' ? unit.ml : exactly(1);
  const sizeOf = (count: number) => scaled(times(each, heap), count);
  return {
    ...{ of: unit.of, low: sizeOf(low), high: sizeOf(high), words: '' },
    ...(unit.of === 'piece' ? { piece: unit.piece } : {}),
    ...(unit.of === 'mass' && unit.ounce ? { ounce: true } : {}),
    ...(orTimes && unit.of !== 'percent' ? { orTimes } : {}),
  };
}

/** "A cup and a quarter": a part of the unit that was just said, with no unit of its own. */
function partOfUnit(reader: Reader): number | null {
  const { tokens, measures, at } = reader;
  if (!AND.has(wordAt(reader, at)) || !isNumber(reader, at + 1)) return null;
  const { value } = numberAt(reader, at + 1);
  if (!(value < 1) || unitAt([tokens[at + 2]?.text ?? '', tokens[at + 3]?.text ?? ''], measures)) return null;
  return value;
}

/** "One cup or two": the end of a range with no unit of its own. */
function endOfRange(reader: Reader): number | null {
  const { tokens, measures, at } = reader;
  if (!TO.has(wordAt(reader, at)) || !isNumber(reader, at + 1)) return null;
  if (unitAt([tokens[at + 2]?.text ?? '', tokens[at + 3]?.text ?? ''], measures)) return null;
  return ['of', ''].includes(wordAt(reader, at + 2)) ? numberAt(reader, at + 1).value : null;
}

/** What follows an amount and belongs to it: the end of a range, a part of its unit, more of the same. */
function joined(
  reader: Reader,
  amount: SaidAmount,
  unit: SaidUnit,
  { ranged, between }: { ranged: boolean; between: boolean },
): Found {
  const afterOf = (at: number) => (wordAt(reader, at) === 'of' ? at + 1 : at);
  const part = partOfUnit(reader);
  if (part !== null)
    return { amount: plus(amount, saidOf(unit, exactly(1), part, part)), next: afterOf(reader.at + 2) };
  const last = ranged ? null : endOfRange(reader);
  if (last !== null) {
    const { high } = saidOf(unit, exactly(1), last, last);
    return { amount: { ...amount, high }, next: afterOf(reader.at + 2) };
  }
  const end = afterOf(reader.at);
  const here = wordAt(reader, reader.at);
  const isRange = TO.has(here) || (between && here === 'and');
  const adds = PLUS.has(here) || AND.has(here);
  const start = isRange || adds ? reader.at + 1 : reader.at;
  const another = adds && MORE.has(wordAt(reader, start));
  const follows = amountAt(reader.tokens, another ? start + 1 : start, reader.measures);
  if (!follows || follows.amount.of !== amount.of || follows.amount.piece !== amount.piece) {
    return { amount, next: end };
  }
  if (isRange && !ranged) return { amount: { ...amount, high: follows.amount.high }, next: follows.next };
  // "1 lb 4 oz" and "1 cup plus 2 tbsp" add up; without a plus the second must be the smaller.
  const smaller = follows.amount.low.typical < amount.low.typical;
  const isMore = another || PLUS.has(here) || (smaller && (adds || isNumber(reader, reader.at)));
  if (!isMore || amount.of === 'piece') return { amount, next: end };
  return { amount: plus(amount, follows.amount), next: follows.next };
}
