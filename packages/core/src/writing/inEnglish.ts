import type { Ingredient } from '../ingredient/ingredientSchema';

/** How lists are written in another language: its words and names, parted by commas, by what they are in English. */
export interface ListWords {
  /** Words, and the English that says the same; empty for what says nothing. What is "to" in English stands between figures. */
  lists: Readonly<Record<string, string>>;
  /** Names of ingredients by id. */
  foods: Readonly<Record<string, string>>;
}

/** A line in English, and the way back for what is kept of its words. */
export interface InEnglish {
  english: string;
  /** Words of the English line as they were written. */
  back: (words: string) => string;
}

const FIGURE = String.raw`[\d¼½¾⅐-⅞]`;
const BETWEEN = 'to';
const escaped = (text: string): string => text.replace(/[.*+?^${}()|[\]\\]/g, String.raw`\$&`);
/** Without accents, as they are left out on a phone; fractions stay. */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').normalize('NFC');
const keyOf = (text: string): string => plain(text).toLowerCase();

interface Phrase {
  said: string;
  english: string;
}

const phrasesOf = (said: string, english: string): Phrase[] =>
  said.split(',').flatMap((one) => (one.trim() === '' ? [] : [{ said: keyOf(one.trim()), english }]));

/** Names of the kitchen itself are not taken apart; those of the catalogue are said in the language. */
function phrases({ lists, foods }: ListWords, known: readonly Ingredient[]): Phrase[] {
  const own = known.flatMap(({ id, name, aliases = [] }) =>
    foods[id] === undefined ? [name, ...aliases].map((one) => ({ said: keyOf(one), english: one })) : [],
  );
  // A comma would begin a remark.
  const named = known.flatMap(({ id, name }) => phrasesOf(foods[id] ?? '', name.replaceAll(',', '')));
  const words = Object.entries(lists).flatMap(([said, english]) => phrasesOf(said, english));
  return [...own, ...named, ...words].sort((a, b) => b.said.length - a.said.length);
}

const tables = new WeakMap<readonly Ingredient[], { words: ListWords; read: (line: string) => InEnglish }>();

function reading(words: ListWords, known: readonly Ingredient[]): (line: string) => InEnglish {
  const all = phrases(words, known);
  const english = new Map(all.map((phrase) => [phrase.said, phrase.english]));
  const patternOf = ({ said, english: means }: Phrase) =>
    means === BETWEEN ? String.raw`(?<=${FIGURE}\s*)${escaped(said)}(?=\s*${FIGURE})` : escaped(said);
  const pattern = new RegExp(String.raw`(?<![\p{L}'])(?:${all.map(patternOf).join('|')})(?![\p{L}'])`, 'giu');
  return (line) => {
    const pairs: Phrase[] = [];
    const text = plain(line).replace(pattern, (said) => {
      const means = english.get(keyOf(said)) ?? said;
      if (means !== '') pairs.push({ said, english: means });
      return means;
    });
    const back = (part: string) =>
      pairs.reduce(
        (rest, pair) => rest.replace(new RegExp(String.raw`\b${escaped(pair.english)}\b`, 'i'), pair.said),
        part,
      );
    return { english: text, back };
  };
}

/**
 * Reads lines of lists that are written in another language.
 * @param words of the language
 * @param known ingredients of the kitchen
 * @returns what puts a line into English
 */
export function inEnglish(words: ListWords, known: readonly Ingredient[]): (line: string) => InEnglish {
  const kept = tables.get(known);
  if (kept?.words === words) return kept.read;
  const read = reading(words, known);
  tables.set(known, { words, read });
  return read;
}
