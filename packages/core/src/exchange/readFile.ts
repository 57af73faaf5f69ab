import { BOOK_FORMAT, type Book, bookSchema } from '../document/bookSchema';
import { FORMULA_FORMAT, type Formula, formulaSchema } from '../formula/formulaSchema';
import { checkWorkable } from '../formula/checkWorkable';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { type Words, message } from '../message/message';
import { InputError, parseInput } from '../message/problem';
import { type CsvRow, bookFromCsv, csvRows, isOurCsv } from './csv';
import { type JsonFile, onLine, readJson, withLines } from './readJson';
import { type Recipe, type RecipeList, ingredientTexts, recipesIn, scriptsIn, textsOf } from './recipe';

/** What a file holds: formulas ready to be brought in, or lists of words that have to be read and asked about. */
export interface FileContents {
  formulas: Formula[];
  ingredients: Ingredient[];
  archived: string[];
  lists: RecipeList[];
}

const of = (contents: Partial<FileContents>): FileContents => ({
  formulas: [],
  ingredients: [],
  archived: [],
  lists: [],
  ...contents,
});

/** What is wrong with a file as a whole, said of its first line. */
const wrongFile = (words: Words): InputError =>
  new InputError([{ path: '', line: 1, message: onLine(1, words) }]);

/** Characters; what the server takes of a book in one go. */
const LARGEST_FILE = 20_000_000;

/**
 * Reads a file of any of our formats, or a recipe, or a plain list. The contents decide, not the file's name.
 * Whole or not at all.
 * @param foods the kitchen's ingredients
 * @returns formulas with what could not be read
 * @throws InputError whose problems name the line and say what is wrong there
 */
export function readFormulaFile(text: string, foods: readonly Ingredient[]): FileContents {
  if (text.length > LARGEST_FILE) {
    throw wrongFile(
      message('the file is larger than {most, number} MB; import it in parts.', {
        most: LARGEST_FILE / 1_000_000,
      }),
    );
  }
  const content = text.replace(/^\ufeff/, '').trim();
  if (content === '') throw wrongFile('the file is empty.');
  if (/^<(?:!doctype|html|\?xml)/i.test(content)) return fromPage(content, foods);
  if (/^[[{]/.test(content)) return fromJson(readJson(text.replace(/^\ufeff/, '')), foods);
  const rows = csvRows(text.replace(/^\ufeff/, ''));
  if (isOurCsv(rows) || isTable(rows)) return fromTable(rows, foods);
  return of({ lists: [{ name: '', text: content, notes: '' }] });
}

/** Checks that every formula can be worked with the kitchen's ingredients and those the file brings. */
function checked(book: Book, foods: readonly Ingredient[]): FileContents {
  checkWorkable(
    book.formulas.map((formula, index) => ({ formula, path: `formulas[${index}]` })),
    [...foods, ...book.ingredients],
  );
  const { formulas, ingredients, archived } = book;
  return of({ formulas, ingredients, archived });
}

function fromJson(file: JsonFile, foods: readonly Ingredient[]): FileContents {
  const { value, lineOf } = file;
  const format = typeof value === 'object' && value !== null && 'format' in value ? value.format : undefined;
  if (format === BOOK_FORMAT) {
    return withLines(lineOf, () => checked(parseInput(bookSchema, value), foods));
  }
  if (format === FORMULA_FORMAT) {
    return withLines(lineOf, () => {
      const formula = parseInput(formulaSchema, value);
      checkWorkable([{ formula, path: '' }], foods);
      return of({ formulas: [formula] });
    });
  }
  const recipes = recipesIn(value);
  if (recipes.length > 0) return fromRecipes(recipes, foods, () => 1);
  const words =
    typeof format === 'string'
      ? message('“{format}” is not a format this program reads.', { format: { name: format } })
      : message(
          'this is neither a formula, nor a book, nor a recipe; a formula begins with "format": "{format}".',
          { format: { name: FORMULA_FORMAT } },
        );
  const line = lineOf('format');
  throw new InputError([{ path: 'format', line, message: onLine(line, words) }]);
}

/** Our own formula is used when the lines beside it are still those that it wrote; else the lines are read. */
function fromRecipes(
  recipes: readonly Recipe[],
  foods: readonly Ingredient[],
  lineOf: (path: string) => number,
): FileContents {
  const contents = of({});
  for (const { own, list, ingredientLines, path } of recipes) {
    const formula =
      own === undefined
        ? null
        : withLines(
            () => lineOf(path),
            () => parseInput(formulaSchema, own),
          );
    const untouched =
      formula !== null &&
      JSON.stringify(textsOf(ingredientTexts(formula, [...foods, ...(formula.ingredients ?? [])]))) ===
        JSON.stringify(ingredientLines);
    if (formula && untouched) {
      withLines(
        () => lineOf(path),
        () => checkWorkable([{ formula, path: '' }], foods),
      );
      contents.formulas.push(formula);
    } else if (list.text) contents.lists.push(list);
  }
  if (contents.formulas.length + contents.lists.length === 0) {
    throw wrongFile('the recipe has no ingredients.');
  }
  return contents;
}

function fromPage(html: string, foods: readonly Ingredient[]): FileContents {
  const recipes = scriptsIn(html).flatMap((script) => recipesIn(readJson(script).value));
  if (recipes.length === 0) {
    throw wrongFile('this page holds no recipe that a program can read.');
  }
  return fromRecipes(recipes, foods, () => 1);
}

/** Fewer columns than this are a list with commas in it, which the reader of lists understands better. */
const LEAST_COLUMNS = 3;

const isTable = (rows: readonly CsvRow[]): boolean => {
  const widths = new Set(rows.map(({ cells }) => cells.length));
  return rows.length > 1 && widths.size === 1 && [...widths].every((width) => width >= LEAST_COLUMNS);
};

/** Our CSV, or a foreign table whose rows are read as words: "500,g,flour". */
function fromTable(rows: readonly CsvRow[], foods: readonly Ingredient[]): FileContents {
  if (isOurCsv(rows)) {
    const { value, lineOf } = bookFromCsv(rows);
    return withLines(lineOf, () => checked(parseInput(bookSchema, value), foods));
  }
  const isHead = rows[0]?.cells.every((cell) => !/\d/.test(cell)) ?? false;
  const words = rows.slice(isHead ? 1 : 0).map(({ cells }) =>
    cells
      .map((cell) => cell.trim())
      .filter(Boolean)
      .join(' '),
  );
  return of({ lists: [{ name: '', text: words.join('\n'), notes: '' }] });
}
