import { type MessageFormatElement, TYPE, parse } from '@formatjs/icu-messageformat-parser';
import type { Language } from '@kettle-scale/core/message';
import type { Sources } from './sources';

/** The holes of a text with what fills them: a plural of a number is as good as the number. */
function holesOf(elements: readonly MessageFormatElement[]): string[] {
  return elements.flatMap((element): string[] => {
    if (element.type === TYPE.literal || element.type === TYPE.pound) return [];
    if (element.type === TYPE.tag) return holesOf(element.children);
    if (element.type === TYPE.plural || element.type === TYPE.select)
      return [element.value, ...Object.values(element.options).flatMap((option) => holesOf(option.value))];
    return [element.value];
  });
}

/** The holes that a text has, in the order of the alphabet; null where it cannot be read. */
function holes(text: string): readonly string[] | null {
  try {
    return [...new Set(holesOf(parse(text, { ignoreTag: true })))].sort();
  } catch (error) {
    if (!(error instanceof Error)) throw error;
    return null;
  }
}

/** Texts with holes are messages; a brace elsewhere is a brace. */
const isMessage = (text: string): boolean => text.includes('{');
const edges = (text: string): string => `${/^\s*/.exec(text)?.[0] ?? ''}|${/\s*$/.exec(text)?.[0] ?? ''}`;

const wordOf = (word: string): RegExp => new RegExp(`(?<!\\p{L})${word}`, 'iu');

/** What of a text is said in words: names of holes and what is quoted as it stands in a file are not. */
const spokenPart = (text: string): string =>
  text.replace(/\{\w+(?:, number)?\}|\{\w+, plural,|“[^“”{}]*”/g, ' ');

/** A text against the glossary: each English term in it is said in one of its words, and never in one that is not for it. */
function wrongTerms(english: string, whole: string, { terms }: Language): string[] {
  const [wanted, said] = [spokenPart(english), spokenPart(whole)];
  return terms.flatMap(({ english: term, words, not = [] }) => {
    if (!new RegExp(`(?<!\\p{L})${term}(?!\\p{L})`, 'iu').test(wanted)) return [];
    const missing = words.some((word) => wordOf(word).test(said))
      ? []
      : [`“${term}” is ${words.join(' or ')}`];
    const never = not.filter((word) => wordOf(word).test(said)).map((word) => `“${term}” is never ${word}`);
    return [...missing, ...never];
  });
}

/**
 * What is wrong with a language, a sentence each: a text without an entry, an entry that nothing says, a hole that differs, a
 * term that is not in the glossary's words.
 */
export function troublesOf(language: Language, { needed, written }: Sources): string[] {
  const { language: tag, texts } = language;
  const missing = [...needed]
    .filter(([text]) => !(text in texts))
    .map(([text, at]) => `${tag}: no entry for ${JSON.stringify(text)} (${at})`);
  const found = Object.entries(texts).flatMap(([english, said]): string[] => {
    const name = `${tag}: ${JSON.stringify(english)}`;
    if (!written.has(english)) return [`${name} is said nowhere`];
    if (edges(english) !== edges(said)) return [`${name} begins or ends with other spaces`];
    if (isMessage(english) || isMessage(said)) {
      const [wanted, got] = [holes(english), holes(said)];
      if (!got || wanted?.join() !== got.join())
        return [`${name} has other holes in ${JSON.stringify(said)}`];
    }
    return wrongTerms(english, said, language).map(
      (wrong) => `${name}: ${wrong}, not ${JSON.stringify(said)}`,
    );
  });
  return [...missing, ...found];
}
