import { ON_TAKEN, bookEntrySchema, bookSchema, importReportSchema } from '@kettle-scale/core/document';
import { ingredientSchema } from '@kettle-scale/core/ingredient';
import { choiceField } from '@kettle-scale/core/message';
import { z } from 'zod';
import type { Database } from '../db/openDatabase';
import type { FormulaStore } from '../formulas/store';
import { route, type Route } from '../http/route';
import type { IngredientStore } from '../ingredients/store';
import type { Around } from '../live/hub';
import { importBook } from './importBook';

const importSchema = z.strictObject({
  book: bookSchema,
  onTaken: choiceField('What to do with formulas that are here already', ON_TAKEN),
});

interface Stores {
  formulas: FormulaStore;
  ingredients: IngredientStore;
}

export const bookRoutes = (database: Database, stores: Stores, { hub, now }: Around): Route[] => [
  route({
    method: 'get',
    path: '/book',
    summary: 'The formula book: every formula with when and why it was last saved, also those put away',
    response: z.array(bookEntrySchema),
    run: () => stores.formulas.entries(),
  }),
  route({
    method: 'get',
    path: '/book/own-ingredients',
    summary: 'The ingredients that are the kitchen’s own or changed, as a book file carries them',
    response: z.array(ingredientSchema),
    run: () => stores.ingredients.own(),
  }),
  route({
    method: 'post',
    path: '/book',
    summary: 'Bring formulas and ingredients in from a file: all of them or none',
    for: 'lead',
    body: importSchema,
    response: importReportSchema,
    run: async ({ body }) => {
      const { formulas, ingredients, archived } = body.book;
      const { onTaken } = body;
      const book = { formulas, ingredients, archived, onTaken };
      const report = await importBook(database, stores, book, now().toISOString());
      hub.publish({ type: 'book' });
      hub.publish({ type: 'ingredients' });
      return report;
    },
  }),
];
