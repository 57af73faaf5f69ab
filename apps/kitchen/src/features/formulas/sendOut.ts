import { BOOK_FORMAT, BOOK_FORMAT_VERSION, type Book, type BookEntry } from '@kettle-scale/core/document';
import { bookToCsv, recipeOf } from '@kettle-scale/core/exchange';
import { type Formula, ingredientsOf } from '@kettle-scale/core/formula';
import { CATALOGUE, type Ingredient } from '@kettle-scale/core/ingredient';
import { saveText } from '../../shared/saveText';

export const FILE_KINDS = ['json', 'csv', 'jsonld'] as const;
export type FileKind = (typeof FILE_KINDS)[number];

const TYPES: Record<FileKind, string> = {
  json: 'application/json',
  csv: 'text/csv',
  jsonld: 'application/ld+json',
};

const inCatalogue: ReadonlySet<string> = new Set(CATALOGUE.map(({ id }) => id));

/** A formula that another kitchen can read: with the ingredients that only this one has. */
export function selfContained(formula: Formula, foods: readonly Ingredient[]): Formula {
  const used = ingredientsOf(formula);
  const own = foods.filter(({ id }) => used.has(id) && !inCatalogue.has(id));
  return own.length > 0 ? { ...formula, ingredients: [...(formula.ingredients ?? []), ...own] } : formula;
}

const pretty = (value: unknown): string => `${JSON.stringify(value, null, 2)}\n`;

/** The text of a formula's file. */
export function formulaFile(formula: Formula, foods: readonly Ingredient[], kind: FileKind): string {
  const whole = selfContained(formula, foods);
  if (kind === 'csv') return bookToCsv({ formulas: [whole], ingredients: [], archived: [] }, foods);
  return pretty(kind === 'jsonld' ? recipeOf(whole, foods) : whole);
}

/** The text of the whole book's file. */
export function bookFile(
  entries: readonly BookEntry[],
  own: Ingredient[],
  foods: readonly Ingredient[],
  kind: FileKind,
): string {
  const book: Book = {
    format: BOOK_FORMAT,
    formatVersion: BOOK_FORMAT_VERSION,
    formulas: entries.map(({ formula }) => formula),
    ingredients: own,
    archived: entries.filter(({ archived }) => archived).map(({ formula }) => formula.id),
  };
  if (kind === 'csv') return bookToCsv(book, foods);
  if (kind === 'json') return pretty(book);
  const recipes = book.formulas.map((formula) => recipeOf(selfContained(formula, foods), foods));
  return pretty({ '@context': 'https://schema.org', '@graph': recipes });
}

/** Hands a text to the browser as a file of a kind. */
export const download = (name: string, kind: FileKind, text: string): void =>
  saveText(`${name}.${kind}`, text, TYPES[kind]);
