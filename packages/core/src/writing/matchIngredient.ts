import { type Words, message } from '../message/message';
import { distance } from 'fastest-levenshtein';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { GENERICS, type GenericName } from './generics';

/** Words around a name that do not change what it is. */
const PLAIN_WORDS = new Set(
  'a an the of some little bit few good quality best fresh freshly fine finely organic unbleached bleached enriched white local pure natural raw or and more less about your own favorite favourite extra large medium small whole clean cold-pressed filtered dried ground chopped minced crushed toasted sliced peeled beaten beat lightly well enough just roughly house regular normal ordinary kitchen total each bottled mineral spring still boiled cooled kettle softened another level bag bowl box tin can jar tub carton packet scoop ladle mug glass lump slice bottle then at least maybe new old into with piece pieces tsp g cut softened refined unrefined virgin neutral light'.split(
    ' ',
  ),
);

/** Words that make another thing of the name before them: garlic powder is not garlic. */
const MAKES_ANOTHER = new Set(
  'powder extract paste juice syrup flavour flavor essence seed starch drink spread sauce mix substitute replacer broth stock oil flour butter milk cream cheese sugar salt vinegar bread cracker puree'.split(
    ' ',
  ),
);

/** Salt is salt in any colour. */
const SALT_COLOURS = new Set('pink black grey gray red blue himalayan rose brown'.split(' '));

/** Furthest spelling, as a share of its letters, that is still offered. */
const SPELLING_SLACK = 0.4;
/** A word in common makes two names this much nearer. */
const SHARED_WORD = 0.15;
const MOST_OFFERED = 3;

export type Match =
  | { found: 'one'; food: Ingredient; left: string[] }
  /** More than one ingredient goes by this name, or the name is only like one: to be asked. */
  | {
      found: 'some';
      ask: Words;
      foods: Ingredient[];
      byWeight: Ingredient | null;
      left?: string[];
      /** Nothing goes by this name: these are only like it. */
      guess?: boolean;
    }
  | { found: 'none' };

interface Entry {
  words: string[];
  ids: readonly string[];
  generic: GenericName | null;
}

/** Small letters, no marks, plural s taken off: "Eggs" and "egg" are one word. */
function wordsOf(text: string): string[] {
  return text
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/(\d+(?:\.\d+)?)\s*%\s*(?:fat\s+)?/g, '$1% ')
    .replace(/\ba\.p\./g, 'ap')
    .replace(/'s\b/g, '')
    .replace(/-/g, ' ')
    .replace(/[^a-z0-9% ]+/g, ' ')
    .split(' ')
    .filter(Boolean)
    .map((word) =>
      word.length > 3 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word,
    );
}

/** The names of a kitchen's ingredients, prepared once for all the lines that are read with them. */
interface Names {
  entries: Entry[];
  /** Names by their first word: only these can begin at a word of a line. */
  byFirst: Map<string, Entry[]>;
  byId: Map<string, Ingredient>;
}

const tables = new WeakMap<readonly Ingredient[], Names>();

/** Hidden ingredients go by no name. */
function namesOf(foods: readonly Ingredient[]): Names {
  const known = tables.get(foods);
  if (known) return known;
  const byName = new Map<string, Entry>();
  const shown = foods.filter(({ hidden }) => !hidden);
  const add = (name: string, id: string) => {
    const words = wordsOf(name);
    if (words.length === 0) return;
    const entry = byName.get(words.join(' '));
    if (!entry) byName.set(words.join(' '), { words, ids: [id], generic: null });
    else if (!entry.ids.includes(id)) entry.ids = [...entry.ids, id];
  };
  for (const food of shown) {
    for (const name of [food.name, food.name.split(',')[0] ?? food.name, ...(food.aliases ?? [])])
      add(name, food.id);
  }
  for (const [name, generic] of Object.entries(GENERICS)) {
    const words = wordsOf(name);
    byName.set(words.join(' '), { words, ids: generic.ids, generic });
  }
  const entries = [...byName.values()];
  const byFirst = new Map<string, Entry[]>();
  for (const entry of entries) {
    const [first = ''] = entry.words;
    byFirst.set(first, [...(byFirst.get(first) ?? []), entry]);
  }
  const names = { entries, byFirst, byId: new Map(shown.map((food) => [food.id, food])) };
  tables.set(foods, names);
  return names;
}

/** The longest name among the words, and of two as long the one further back. */
function longestName(words: readonly string[], { byFirst }: Names): { entry: Entry; at: number } | null {
  let best: { entry: Entry; at: number } | null = null;
  words.forEach((word, at) => {
    for (const entry of byFirst.get(word) ?? []) {
      const fits = entry.words.every((part, index) => words[at + index] === part);
      if (fits && entry.words.length >= (best?.entry.words.length ?? 0)) best = { entry, at };
    }
  });
  return best;
}

/** Ingredients whose names are spelled most like the words, nearest first. */
function nearest(text: string, foods: readonly Ingredient[]): Ingredient[] {
  const words = wordsOf(text);
  const asked = words.join(' ');
  const far = ({ words: said }: Entry) => {
    const name = said.join(' ');
    const shared = said.filter((word) => words.includes(word)).length;
    return distance(asked, name) / Math.max(asked.length, name.length, 1) - SHARED_WORD * shared;
  };
  const { entries, byId } = namesOf(foods);
  const near = entries
    .map((entry) => ({ entry, far: far(entry) }))
    .filter((candidate) => candidate.far <= SPELLING_SLACK)
    .sort((a, b) => a.far - b.far)
    .flatMap(({ entry }) => entry.ids.flatMap((id) => byId.get(id) ?? []));
  return [...new Set(near)].slice(0, MOST_OFFERED);
}

/**
 * Finds the ingredient that a name means among the kitchen's.
 * The longest known name wins, and of two as long the one further back: "olive oil" is an oil.
 */
export function matchIngredient(text: string, foods: readonly Ingredient[]): Match {
  const words = wordsOf(text);
  const names = namesOf(foods);
  const { byId } = names;
  const best = longestName(words, names);
  if (!best) {
    const foodsLike = nearest(text, foods);
    return foodsLike.length > 0
      ? {
          found: 'some',
          ask: message('There is no “{text}” here. Is it one of these?', { text: { name: text } }),
          guess: true,
          foods: foodsLike,
          byWeight: null,
        }
      : { found: 'none' };
  }
  const { entry, at } = best;
  const before = words.slice(0, at);
  const after = words.slice(at + entry.words.length);
  const ofSalt = entry.words.includes('salt');
  const strange = (word: string) =>
    !PLAIN_WORDS.has(word) && !entry.words.includes(word) && !(ofSalt && SALT_COLOURS.has(word));
  const changes =
    after.some((word) => MAKES_ANOTHER.has(word)) ||
    before.some((word) => MAKES_ANOTHER.has(word) && !entry.words.includes(word)) ||
    (entry.words.length === 1 && before.some(strange));
  const listed = (ids: readonly string[]) => ids.flatMap((id) => byId.get(id) ?? []);
  if (changes) {
    // An unknown sort of a thing is likely that thing; what is made of it is likely not.
    const another = after.some((word) => MAKES_ANOTHER.has(word));
    const near = nearest(text, foods);
    const likely = another ? [...near, ...listed(entry.ids)] : [...listed(entry.ids), ...near];
    const offered = [...new Set(likely)].slice(0, MOST_OFFERED);
    return {
      found: 'some',
      ask: message('There is no “{text}” here. Is it one of these?', { text: { name: text.trim() } }),
      guess: true,
      foods: offered,
      byWeight: null,
    };
  }
  const candidates = listed(entry.ids);
  const [only] = candidates;
  if (only && candidates.length === 1) {
    return { found: 'one', food: only, left: [...before, ...after].filter(strange) };
  }
  return {
    found: 'some',
    ask: entry.generic?.ask ?? 'Which one is it?',
    foods: candidates.slice(0, MOST_OFFERED),
    byWeight: entry.generic?.byWeight ? (byId.get(entry.generic.byWeight) ?? null) : null,
    left: [...before, ...after].filter(strange),
  };
}
