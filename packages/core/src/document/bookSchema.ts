import { asText, message } from '../message/message';
import { z } from 'zod';
import { slugField } from '../message/fields';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { ingredientSchema } from '../ingredient/ingredientSchema';

export const BOOK_FORMAT = 'kettle-scale/book';
export const BOOK_FORMAT_VERSION = 1;
/** A book larger than this is read in parts. */
const MOST_FORMULAS = 2000;

/** The whole formula book in one file: every formula, and the ingredients that are the kitchen's own or changed. */
export const bookSchema = z
  .strictObject({
    ...formatFields(BOOK_FORMAT, BOOK_FORMAT_VERSION),
    formulas: z
      .array(formulaSchema)
      .max(
        MOST_FORMULAS,
        asText(
          message('A book has at most {mostFormulas, number} formulas.', { mostFormulas: MOST_FORMULAS }),
        ),
      ),
    ingredients: z.array(ingredientSchema).max(500),
    /** Ids of formulas that are put away. */
    archived: z.array(slugField('Archived formula')).max(MOST_FORMULAS),
  })
  .superRefine((book, context) => {
    const seen = new Set<string>();
    book.formulas.forEach(({ id }, index) => {
      if (seen.has(id)) {
        context.addIssue({
          code: 'custom',
          path: ['formulas', index, 'id'],
          message: asText(message('Two formulas share the id “{id}”.', { id })),
        });
      }
      seen.add(id);
    });
  });

export type Book = z.infer<typeof bookSchema>;
