import { type Words, message } from '../message/message';
import { onLine } from './readJson';
import Papa from 'papaparse';
import { type Book, BOOK_FORMAT, BOOK_FORMAT_VERSION } from '../document/bookSchema';
import type { Formula } from '../formula/formulaSchema';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError } from '../message/problem';
import { numberQuestion } from '../quantity/readNumber';
import { leavesOf, setLeaf } from './paths';

/** The columns, in order. A `line` row is an ingredient; a `field` row is any other field by its path. */
const CSV_COLUMNS = ['formula', 'row', 'key', 'value', 'ingredient', 'name', 'percent', 'note'] as const;
type Row = Record<(typeof CSV_COLUMNS)[number], string>;

/** Texts that a reader would take for something else: numbers, JSON, spreadsheet formulas, blanks at the edge. */
const NEEDS_QUOTES = /^$|^(?:true|false|null)$|^[\d"[{=+\-@'\t]|^\s|\s$|\r/;

const encode = (value: unknown): string =>
  typeof value === 'string' && !NEEDS_QUOTES.test(value) ? value : JSON.stringify(value);

/** A name for people, which nobody reads back; a spreadsheet must not run it. */
const inert = (name: string): string => (/^[=+\-@\t\r]/.test(name) ? `'${name}` : name);

function decode(cell: string): unknown {
  if (!/^(?:true|false|null)$|^["[{]|^-?\d/.test(cell)) return cell;
  try {
    return JSON.parse(cell);
  } catch (error) {
    if (error instanceof SyntaxError) return cell;
    throw error;
  }
}

/** Moves the decimal point of a written number, so that no digit is lost: 0.019 → 1.9. */
function shiftDecimal(written: string, places: number): string {
  const [whole = '', part = ''] = written.split('.');
  const digits = whole + part;
  const point = whole.length + places;
  const padded = point <= 0 ? '0'.repeat(1 - point) + digits : digits.padEnd(point, '0');
  const at = Math.max(point, 1);
  const moved = `${padded.slice(0, at)}.${padded.slice(at)}`;
  return moved
    .replace(/^0+(?=\d)/, '')
    .replace(/0+$/, '')
    .replace(/\.$/, '');
}

const row = (cells: Partial<Row>): Row => ({
  formula: '',
  row: 'field',
  key: '',
  value: '',
  ingredient: '',
  name: '',
  percent: '',
  note: '',
  ...cells,
});

function rowsOf(formula: Formula, names: ReadonlyMap<string, string>): Row[] {
  const { lines, ...rest } = formula;
  const head = leavesOf(rest).map(([key, value]) => row({ formula: formula.id, key, value: encode(value) }));
  const body = lines.flatMap(({ id, ingredient, fraction, note, ...more }, index) => [
    row({
      formula: formula.id,
      row: 'line',
      key: id,
      ingredient,
      name: inert(names.get(ingredient) ?? ''),
      percent: shiftDecimal(String(fraction), 2),
      note: note === undefined ? '' : encode(note),
    }),
    ...leavesOf(more)
      .filter(([path]) => path !== '')
      .map(([path, value]) =>
        row({ formula: formula.id, key: `lines[${index}].${path}`, value: encode(value) }),
      ),
  ]);
  return [...body, ...head];
}

/**
 * Writes formulas as CSV. What is in the file comes back from `bookFromCsv` unchanged.
 * @param book formulas and own ingredients
 * @param catalogue ingredients that ship with the product
 */
export function bookToCsv(
  { formulas, ingredients, archived }: Pick<Book, 'formulas' | 'ingredients' | 'archived'>,
  catalogue: readonly Ingredient[],
): string {
  const names = new Map([...catalogue, ...ingredients].map(({ id, name }) => [id, name]));
  const book = leavesOf({
    ...(ingredients.length > 0 ? { ingredients } : {}),
    ...(archived.length > 0 ? { archived } : {}),
  })
    .filter(([key]) => key !== '')
    .map(([key, value]) => row({ key, value: encode(value) }));
  const rows = [...formulas.flatMap((formula) => rowsOf(formula, names)), ...book];
  return `${Papa.unparse(rows, { columns: [...CSV_COLUMNS], newline: '\n' })}\n`;
}

/** A book as read from CSV, not yet checked, with the line of each field. */
export interface CsvBook {
  value: unknown;
  lineOf: (path: string) => number;
}

/** One row, and the line of the file that it begins on. */
export interface CsvRow {
  cells: string[];
  line: number;
}

/** The rows of a CSV text with the line each begins on; cells may hold line breaks. */
export function csvRows(text: string): CsvRow[] {
  const rows: CsvRow[] = [];
  let line = 1;
  let from = 0;
  Papa.parse<string[]>(text, {
    step: ({ data, errors, meta }) => {
      const [wrong] = errors;
      if (wrong && wrong.type === 'Quotes') {
        throw new InputError([{ path: '', line, message: onLine(line, 'a quotation mark is not closed.') }]);
      }
      if (data.some((cell) => cell.trim() !== '')) rows.push({ cells: data, line });
      line += text.slice(from, meta.cursor).split('\n').length - 1;
      from = meta.cursor;
    },
  });
  return rows;
}

/** Whether the first row names our columns. */
export const isOurCsv = ([head]: readonly CsvRow[]): boolean =>
  CSV_COLUMNS.every((column) => head?.cells.map((cell) => cell.trim()).includes(column));

/**
 * Reads rows of our columns, in any order of columns and rows, into a book document.
 * @throws InputError with the line of a row that is neither a line nor a field
 */
export function bookFromCsv(rows: readonly CsvRow[]): CsvBook {
  const [head, ...body] = rows;
  const columns = head?.cells.map((cell) => cell.trim()) ?? [];
  const formulas = new Map<string, { index: number; document: Record<string, unknown>; lines: unknown[] }>();
  const book: Record<string, unknown> = {};
  const lines = new Map<string, number>();
  for (const { cells, line } of body) {
    const cell = (column: keyof Row) => cells[columns.indexOf(column)] ?? '';
    const fail = (words: Words) =>
      new InputError([{ path: cell('key'), line, message: onLine(line, words) }]);
    const id = cell('formula').trim();
    const known = formulas.get(id);
    const entry = known ?? { index: formulas.size, document: {}, lines: [] };
    if (!known && id) {
      formulas.set(id, entry);
      entry.document.lines = entry.lines;
    }
    const stem = id ? `formulas[${entry.index}]` : '';
    const key = cell('key').trim();
    if (cell('row').trim() === 'line') {
      if (!id) throw fail('a line row must name its formula.');
      const written = cell('percent').trim();
      const question = numberQuestion(written);
      if (question) throw fail(question);
      // Its digits are kept as they are: our own files say a share to its last decimal.
      const percent = written.replace(',', '.');
      if (!/^\d+(\.\d+)?$/.test(percent))
        throw fail(message('“{percent}” is not a percentage.', { percent: { name: percent } }));
      const place = entry.lines.findIndex((line) => line === undefined || !(line as { id?: string }).id);
      const at = place < 0 ? entry.lines.length : place;
      const note = cell('note');
      entry.lines[at] = {
        id: key,
        ingredient: cell('ingredient').trim(),
        fraction: Number(shiftDecimal(percent, -2)),
        ...(note === '' ? {} : { note: decode(note) }),
        ...(entry.lines[at] as object | undefined),
      };
      lines.set(`${stem}.lines[${at}]`, line);
    } else if (cell('row').trim() === 'field') {
      try {
        setLeaf(id ? entry.document : book, key, decode(cell('value')));
      } catch (error) {
        throw error instanceof InputError ? fail(error.problems[0]?.message ?? '') : error;
      }
      lines.set(stem ? `${stem}.${key}` : key, line);
      if (!lines.has(stem)) lines.set(stem, line);
    } else
      throw fail(message('the row must be “line” or “field”, not “{row}”.', { row: { name: cell('row') } }));
  }
  return {
    value: {
      format: BOOK_FORMAT,
      formatVersion: BOOK_FORMAT_VERSION,
      ingredients: [],
      archived: [],
      ...book,
      formulas: [...formulas.values()].map(({ document }) => document),
    },
    lineOf: (path) => {
      for (let at = path; at !== ''; at = at.replace(/(?:\.[^.[]+|\[\d+\])$|^[^.[]+$/, '')) {
        const found = lines.get(at);
        if (found) return found;
      }
      return 1;
    },
  };
}
