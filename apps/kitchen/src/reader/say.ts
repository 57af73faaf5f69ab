import {
  type Quantity,
  type Reader,
  type Value,
  type Words,
  message,
  writeWords,
} from '@kettle-scale/core/message';
import { type ReactNode, isValidElement } from 'react';
import { language } from './language';
import { usePreferences } from './preferences';

/** Who reads this screen: measures and language of the person at this device. */
export const reader = (): Reader => ({
  units: usePreferences.getState().units,
  locale: language().language,
  texts: language().texts,
});

/**
 * What is said to the reader, in the reader's units and language: the app's edge, where sentences become text.
 * @param words a text of the catalogue, or a sentence from core
 * @param values what fills the holes of a text
 * @example say('{count, plural, one {# piece} other {# pieces}} left', { count: 3 }) // '3 pieces left'
 */
export const say = (words: Words, values?: Readonly<Record<string, Value>>): string =>
  writeWords(values && typeof words === 'string' ? message(words, values) : words, reader());

/**
 * Words side by side that are no sentence: a name and what is added to it. Each is said by itself; empty ones are left out.
 * @param parts words, or nothing
 * @param glue stands between them
 */
export const sayAll = (parts: readonly (Words | false | undefined)[], glue = ', '): string =>
  parts.flatMap((part) => (part ? say(part) || [] : [])).join(glue);

/** What may stand inside a text: whatever React draws, or words. */
export type Said = ReactNode | Words;

const isWords = (said: Said): said is Exclude<Words, string> =>
  typeof said === 'object' &&
  said !== null &&
  !isValidElement(said) &&
  !(Symbol.iterator in said) &&
  Object.getPrototypeOf(said) === Object.prototype;

/** Parts of a text with every word of them said; what is no word stays as it is. */
export function shown(said: Said): ReactNode {
  if (typeof said === 'string') return say(said);
  if (isWords(said)) return say(said as Quantity);
  return Array.isArray(said) ? said.map((part: Said) => shown(part)) : (said as ReactNode);
}
