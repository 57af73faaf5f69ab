import type { Measures } from '../quantity/units';
import {
  ABOUT,
  type Found,
  MORE,
  PLUS,
  type SaidAmount,
  type Token,
  amountAt,
  plus,
  tokensOf,
} from './amountAt';

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
  const found: (Found & { from: number; adds?: boolean })[] = [];
  for (let index = 0; index < tokens.length && found.length < 2; index += 1) {
    const amount = amountAt(tokens, index, measures);
    const token = tokens[index];
    const bare = amount?.amount.of === 'piece' && amount.amount.piece === '';
    // A bare number counts only in front: "flour type 55" is a name.
    if (!amount || !token || (bare && (index > 1 || /^0\d/.test(token.text)))) continue;
    // A word like "stick" counts behind a name only with a number before it.
    const opens = ['a', 'an'].includes(word(token)) || ABOUT.has(word(token));
    if (
      token.kind === 'word' &&
      !opens &&
      index > 0 &&
      found.length === 0 &&
      word(tokens[index - 1]) !== ','
    ) {
      continue;
    }
    const [before] = found;
    const more = before && isMoreOf(tokens, index, before.amount, amount.amount);
    if (before && !more && !isBeside(tokens, before.next, index)) continue;
    const last = tokens[amount.next - 1];
    found.push({
      ...amount,
      amount: {
        ...amount.amount,
        words: text.slice(token.start, last?.end ?? token.end).replace(/ of$/, ''),
      },
      from: more ? index - more : index,
      ...(more ? { adds: true } : {}),
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
  const both = second?.adds
    ? { ...plus(first.amount, second.amount), words: `${first.amount.words} + ${second.amount.words}` }
    : null;
  return {
    amount: both ?? (exact ? second.amount : first.amount),
    other: second && !both ? (exact ? first.amount : second.amount) : null,
    rest: rest
      .replace(/\(\s*(?:about|approx\.?|or|=|~)?\s*\)/gi, ' ')
      .replace(/\s+/g, ' ')
      .trim(),
  };
}

const word = (token: Token | undefined): string => token?.text.toLowerCase().replace(/\.$/, '') ?? '';

/**
 * "2 cups of flour, scooped, plus another cup": more of the same behind its name.
 * @returns how many words stand before the second amount; 0 where it is no more of it
 */
function isMoreOf(tokens: readonly Token[], index: number, before: SaidAmount, amount: SaidAmount): number {
  if (before.of !== amount.of || before.of === 'piece') return 0;
  const another = MORE.has(word(tokens[index - 1])) ? 1 : 0;
  const plus = tokens[index - 1 - another];
  return plus && PLUS.has(word(plus)) ? 1 + another : 0;
}

const BESIDE = new Set(['(', '/', '=', '[', ',', 'or', 'about', '~', 'approx']);

/** Whether only brackets, a slash or an equals sign stand between two amounts, so that they say one thing twice. */
function isBeside(tokens: readonly Token[], from: number, to: number): boolean {
  const last = tokens[to - 1];
  if (to <= from || !last) return false;
  return word(last) === '(' || tokens.slice(from, to).every((token) => BESIDE.has(word(token)));
}
