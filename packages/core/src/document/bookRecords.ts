import { z } from 'zod';
import { formulaSchema } from '../formula/formulaSchema';

/** One saved version of a formula, with the reason for it. */
export const formulaVersionSchema = z.strictObject({
  formula: formulaSchema,
  reason: z.string(),
  savedAt: z.string(),
});

/** A formula as it stands in the book: its newest version, and whether it is put away. */
export const bookEntrySchema = formulaVersionSchema.extend({ archived: z.boolean() });

/** What to do with a formula from a file whose id is in the book with other contents. */
export const ON_TAKEN = ['version', 'copy', 'skip'] as const;

const ids = z.array(z.string());

/** Ids by what an import did with them. */
export const importReportSchema = z.strictObject({
  added: ids,
  versions: ids,
  copies: ids,
  unchanged: ids,
  skipped: ids,
  ingredientsAdded: ids,
  /** The kitchen has its own of these and keeps it: a file never overwrites a weighed cup or a price. */
  ingredientsKept: ids,
});

export type FormulaVersion = z.infer<typeof formulaVersionSchema>;
export type BookEntry = z.infer<typeof bookEntrySchema>;
export type OnTaken = (typeof ON_TAKEN)[number];
export type ImportReport = z.infer<typeof importReportSchema>;
