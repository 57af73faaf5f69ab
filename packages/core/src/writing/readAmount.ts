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

interface Token {
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
const ABOUT = new Set(['about', 'approx', 'approximately', 'around', 'roughly', 'ca', 'circa', '~', 'up']);
const TO = new Set(['to', '-', 'or']);
const PLUS = new Set(['plus', '+', '&', 'and']);

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

function tokensOf(text: string): Token[] {
  return [...text.matchAll(TOKEN)].map((match) => ({
    kind: match[1] ? 'number' : match[2] ? 'word' : 'mark',
    text: match[0],
    value: match[1] ? numberOf(match[1]).value : NaN,
    start: match.index,
    end: match.index + match[0].length,
  }));
}

interface Found {
  amount: SaidAmount;
  next: number;
}

/** Reads one amount that begins at a token, or null. */
function amountAt(tokens: readonly Token[], from: number, measures: Measures): Found | null {
  const word = (index: number) => tokens[index]?.text.toLowerCase().replace(/(?<=.)\.$/, '') ?? '';
  const skip = (index: number, words: ReadonlySet<string>) => {
    let at = index;
    while (words.has(word(at)) || (at > index && word(at) === '.')) at += 1;
    return at;
  };
  const heapAt = (index: number): Interval | null => HEAPS[word(index)] ?? null;

  let at = skip(from, ABOUT);
  const between = word(at) === 'between';
  if (between) at += 1;
  let heap = exactly(1);
  let number = tokens[at];
  let written: WrittenNumber;
  if (number?.kind === 'number') {
    written = numberOf(number.text);
    at += 1;
  } else {
    // "a pinch of salt", "pinch of salt", "a heaped spoon": one, when a unit follows.
    if (word(at) === 'a' || word(at) === 'an') at += 1;
    const before = heapAt(at);
    const unit = unitAt([tokens[at + (before ? 1 : 0)]?.text ?? ''], measures);
    if (!unit || (unit.unit.of !== 'volume' && unit.unit.of !== 'piece')) return null;
    if (unit.taken === 1 && (tokens[at]?.text.length ?? 0) < 2) return null;
    number = undefined;
    written = { value: 1 };
  }
  if (!Number.isFinite(written.value)) return null;

  let writtenSecond: WrittenNumber | null = null;
  if ((TO.has(word(at)) || (between && word(at) === 'and')) && tokens[at + 1]?.kind === 'number') {
    writtenSecond = numberOf(tokens[at + 1]?.text ?? '');
    at += 2;
  }
  // "2 x 250 g" is both together.
  if ((word(at) === 'x' || word(at) === '×') && tokens[at + 1]?.kind === 'number') {
    const times = numberOf(tokens[at + 1]?.text ?? '');
    written = { ...times, value: written.value * times.value };
    at += 2;
  }
  const found = heapAt(at);
  if (found) {
    heap = found;
    at += 1;
  }
  const unit = unitAt([tokens[at]?.text ?? '', tokens[at + 1]?.text ?? ''], measures);
  const isSmall =
    !unit ||
    unit.unit.of === 'piece' ||
    (unit.unit.of === 'mass' && unit.unit.g === 1) ||
    (unit.unit.of === 'volume' && unit.unit.ml.typical === 1);
  const { value, orTimes } = inUnit(written, isSmall);
  const second = writtenSecond && inUnit(writtenSecond, isSmall).value;
  if (!unit) {
    if (!number) return null;
    const amount: SaidAmount = {
      of: 'piece',
      low: exactly(value),
      high: exactly(second ?? value),
      piece: '',
      words: '',
    };
    return { amount, next: found ? at - 1 : at };
  }
  at += unit.taken;
  if (word(at) === '.') at += 1;
  if (word(at) === 'of') at += 1;
  const each =
    unit.unit.of === 'mass' ? exactly(unit.unit.g) : unit.unit.of === 'volume' ? unit.unit.ml : exactly(1);
  const sizeOf = (count: number) => scaled(times(each, heap), count);
  const amount: SaidAmount = {
    of: unit.unit.of,
    low: sizeOf(value),
    high: sizeOf(second ?? value),
    words: '',
    ...(unit.unit.of === 'piece' ? { piece: unit.unit.piece } : {}),
    ...(unit.unit.of === 'mass' && unit.unit.ounce ? { ounce: true } : {}),
    ...(orTimes && unit.unit.of !== 'percent' ? { orTimes } : {}),
  };

  const isRange = TO.has(word(at)) || (between && word(at) === 'and');
  const adds = PLUS.has(word(at));
  const follows = amountAt(tokens, isRange || adds ? at + 1 : at, measures);
  const same = follows && follows.amount.of === amount.of && follows.amount.piece === amount.piece;
  if (same && isRange && second === null) {
    return { amount: { ...amount, high: follows.amount.high }, next: follows.next };
  }
  // "1 lb 4 oz" and "1 cup plus 2 tbsp" add up; the second must be the smaller.
  const smaller = same && follows.amount.low.typical < amount.low.typical;
  if (smaller && (adds || tokens[at]?.kind === 'number') && amount.of !== 'piece') {
    const sum = (a: Interval, b: Interval): Interval => ({
      low: a.low + b.low,
      typical: a.typical + b.typical,
      high: a.high + b.high,
    });
    return {
      amount: {
        ...amount,
        low: sum(amount.low, follows.amount.low),
        high: sum(amount.high, follows.amount.high),
      },
      next: follows.next,
    };
  }
  return { amount, next: at };
}

/** What a line says of how much, and the words that are left. */
export interface ReadAmount {
  amount: SaidAmount | null;
  /** A second amount for the same thing, as in "2 cups (250 g)". */
  other: SaidAmount | null;
  rest: string;
}

/**
 * Finds the amount of a tidied line, in front ("350ml warm water") or behind ("Flour: 500 g").
 * A weight beside a volume wins, because it is exact; the other is given too.
 */
export function readAmount(text: string, measures: Measures): ReadAmount {
  const tokens = tokensOf(text);
  const found: (Found & { from: number })[] = [];
  for (let index = 0; index < tokens.length && found.length < 2; index += 1) {
    const amount = amountAt(tokens, index, measures);
    const token = tokens[index];
    const bare = amount?.amount.of === 'piece' && amount.amount.piece === '';
    // A bare number counts only in front: "flour type 55" is a name.
    if (!amount || !token || (bare && (index > 1 || /^0\d/.test(token.text)))) continue;
    // A word like "stick" counts behind a name only with a number before it.
    if (token.kind === 'word' && index > 0 && found.length === 0 && word(tokens[index - 1]) !== ',') continue;
    if (found.length === 1 && !isBeside(tokens, found[0]?.next ?? 0, index)) continue;
    const last = tokens[amount.next - 1];
    found.push({
      ...amount,
      amount: {
        ...amount.amount,
        words: text.slice(token.start, last?.end ?? token.end).replace(/ of$/, ''),
      },
      from: index,
    });
    index = amount.next - 1;
  }
  const [first, second] = found;
  if (!first) return { amount: null, other: null, rest: text };
  const cut = (start: number, end: number, from: string) => `${from.slice(0, start)} ${from.slice(end)}`;
  const spans = [first, ...(second ? [second] : [])].map(({ from, next }) => ({
    start: tokens[from]?.start ?? 0,
    end: tokens[next - 1]?.end ?? text.length,
  }));
  const rest = spans.reverse().reduce((left, { start, end }) => cut(start, end, left), text);
  const exact = second && second.amount.of === 'mass' && first.amount.of !== 'mass';
  return {
    amount: exact ? second.amount : first.amount,
    other: second ? (exact ? first.amount : second.amount) : null,
    rest: rest
      .replace(/\(\s*(?:about|approx\.?|or|=|~)?\s*\)/gi, ' ')
      .replace(/\s+/g, ' ')
      .trim(),
  };
}

const word = (token: Token | undefined): string => token?.text.toLowerCase().replace(/\.$/, '') ?? '';

/** Whether only brackets, a slash or an equals sign stand between two amounts, so that they say one thing twice. */
function isBeside(tokens: readonly Token[], from: number, to: number): boolean {
  const marks = new Set(['(', '/', '=', '[', ',', 'or', 'about', '~', 'approx']);
  const between = tokens.slice(from, to).map(word);
  return between.length > 0 && (between.every((text) => marks.has(text)) || between.at(-1) === '(');
}
