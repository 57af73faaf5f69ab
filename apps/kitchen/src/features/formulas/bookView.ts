import { wordsOfFood } from '../../shared/wordsOfFood';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { doughTotals, resolveLines } from '@kettle-scale/core/formula';
import { create } from 'zustand';
import type { BookEntry } from '@kettle-scale/core/document';

export const SORTS = [
  ['name', 'Name'],
  ['newest', 'Newest'],
  ['wettest', 'Wettest'],
] as const;
export type Sort = (typeof SORTS)[number][0];

/** How the book is looked at; kept while the app is open. */
export const useBookView = create<{ find: string; sort: Sort; archived: boolean }>(() => ({
  find: '',
  sort: 'name',
  archived: false,
}));

/** An entry with what it is found and sorted by. */
export interface IndexedEntry {
  entry: BookEntry;
  words: string;
  hydration: number;
}

/** Prepares the book once, so that finding and sorting it is quick at every letter typed. */
export function indexBook(entries: readonly BookEntry[], foods: readonly Ingredient[]): IndexedEntry[] {
  return entries.map((entry) => {
    const lines = resolveLines(entry.formula, foods);
    const { name, summary } = entry.formula;
    return {
      entry,
      words: [name, summary, ...lines.map(({ food }) => wordsOfFood(food))].join(' ').toLowerCase(),
      hydration: doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food }))).hydration,
    };
  });
}

/** One collator for all names: `localeCompare` would look the language up at every comparison. */
const byName = new Intl.Collator('en').compare;

const COMPARE: Record<Sort, (a: IndexedEntry, b: IndexedEntry) => number> = {
  name: (a, b) => byName(a.entry.formula.name, b.entry.formula.name),
  newest: (a, b) => (a.entry.savedAt < b.entry.savedAt ? 1 : -1),
  wettest: (a, b) => b.hydration - a.hydration,
};

/** The book in the order asked for; finding in it keeps the order. */
export const orderBook = (index: readonly IndexedEntry[], sort: Sort): IndexedEntry[] =>
  [...index].sort(COMPARE[sort]);

/** The entries that every word is found in, in the order of the index. */
export function viewBook(
  index: readonly IndexedEntry[],
  { find, archived }: { find: string; archived: boolean },
): BookEntry[] {
  const words = find.toLowerCase().split(/\s+/).filter(Boolean);
  return index
    .filter(
      ({ entry, words: text }) => entry.archived === archived && words.every((word) => text.includes(word)),
    )
    .map(({ entry }) => entry);
}
