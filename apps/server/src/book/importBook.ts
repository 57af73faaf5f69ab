import type { ImportReport, OnTaken } from '@kettle-scale/core/document';
import { type Formula, checkWorkable, freeId } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Database } from '../db/openDatabase';
import type { FormulaStore } from '../formulas/store';
import type { IngredientStore } from '../ingredients/store';

export interface BookImport {
  formulas: readonly Formula[];
  ingredients: readonly Ingredient[];
  archived: readonly string[];
  onTaken: OnTaken;
}

const REASON = 'From a file';
const sameBread = (a: Formula, b: Formula): boolean => {
  const bare = ({ version, formatVersion, ...rest }: Formula) => JSON.stringify(sorted(rest));
  return bare(a) === bare(b);
};

/** Keys in one order, so that two documents can be compared as text. */
function sorted(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sorted);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => a.localeCompare(b))
      .map(([key, entry]) => [key, sorted(entry)]),
  );
}

/**
 * Brings formulas and ingredients into the book as one write: all of them or none.
 * @throws InputError for a formula that names an ingredient which is neither here nor in the file
 */
export function importBook(
  { write }: Database,
  stores: { formulas: FormulaStore; ingredients: IngredientStore },
  book: BookImport,
  savedAt: string,
): Promise<ImportReport> {
  return write(async (transaction) => {
    const report: ImportReport = {
      added: [],
      versions: [],
      copies: [],
      unchanged: [],
      skipped: [],
      ingredientsAdded: [],
      ingredientsKept: [],
    };
    const known = new Set((await stores.ingredients.list(transaction)).map(({ id }) => id));
    for (const food of book.ingredients) {
      if (known.has(food.id)) report.ingredientsKept.push(food.id);
      else {
        await stores.ingredients.putIn(food, transaction);
        report.ingredientsAdded.push(food.id);
      }
    }
    checkWorkable(
      book.formulas.map((formula, index) => ({ formula, path: `book.formulas[${index}]` })),
      await stores.ingredients.list(transaction),
    );
    const entries = await stores.formulas.entries(transaction);
    const current = new Map(entries.map(({ formula }) => [formula.id, formula]));
    const taken = new Set(current.keys());
    for (const formula of book.formulas) {
      const before = current.get(formula.id);
      const add = (document: Formula, after: number) =>
        stores.formulas.append(document, REASON, savedAt, after, transaction);
      if (!before) {
        await add(formula, 0);
        if (book.archived.includes(formula.id))
          await stores.formulas.putAway(formula.id, savedAt, transaction);
        report.added.push(formula.id);
      } else if (sameBread(before, formula)) report.unchanged.push(formula.id);
      else if (book.onTaken === 'version') {
        await add(formula, before.version);
        report.versions.push(formula.id);
      } else if (book.onTaken === 'copy') {
        const id = freeId(formula.id, taken);
        await add({ ...formula, id, name: `${formula.name}, imported`.slice(0, 60) }, 0);
        taken.add(id);
        report.copies.push(id);
      } else report.skipped.push(formula.id);
      taken.add(formula.id);
    }
    return report;
  });
}
