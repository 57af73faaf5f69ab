import type { Ingredient } from '@kettle-scale/core/ingredient';
import { language } from '../reader/language';
import { say } from '../reader/say';

/** All that a person may call an ingredient, in small letters, to search in: in English and in the language that is spoken. */
export const wordsOfFood = ({ id, name, kind, aliases = [] }: Ingredient): string =>
  [name, say(name), say(kind), ...aliases, language().foods[id] ?? ''].join(' ').toLowerCase();
