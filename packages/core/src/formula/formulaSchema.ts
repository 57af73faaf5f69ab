import { z } from 'zod';
import { countField, fractionField, slugField, textField } from '../fields';
import { type Ingredient, ingredientSchema } from '../ingredient/ingredientSchema';
import { bakeSchema, methodSchema, productSchema } from './methodSchema';

export const FORMULA_FORMAT = 'kettle-scale/formula';
/** Raised when a file of this version could not be read by an older program. */
export const FORMULA_FORMAT_VERSION = 1;

/** The `format` and `formatVersion` pair that opens every document of ours. */
export function formatFields<const F extends string, const V extends number>(format: F, version: V) {
  return {
    format: z.literal(format, { error: `This must be a document of the format “${format}”.` }),
    formatVersion: z.literal(version, {
      error: (issue) =>
        typeof issue.input === 'number' && issue.input > version
          ? `This file is of version ${issue.input}; this program reads version ${version}. Update the program.`
          : `The format version must be ${version}.`,
    }),
  };
}

const lineSchema = z.strictObject({
  id: slugField('Line id'),
  /** Id of an ingredient in the catalogue, or of one that the document brings along. */
  ingredient: slugField('Ingredient'),
  /** Share of the flour: 0.54 is 54 % in baker's percent. All flours together are 1. */
  fraction: fractionField('Share of flour', 0.00001, 5),
  note: textField('Note', { max: 120 }).optional(),
});

/**
 * A formula: ingredients as fractions of flour, the method, the bake program and the product standard.
 * Editing makes a new version; a batch keeps the version it was made with.
 */
export const formulaSchema = z
  .strictObject({
    ...formatFields(FORMULA_FORMAT, FORMULA_FORMAT_VERSION),
    id: slugField('Formula id'),
    version: countField('Version', { min: 1, max: 100_000 }),
    name: textField('Formula name', { min: 1, max: 60 }),
    summary: textField('Summary', { max: 300 }),
    lines: z
      .array(lineSchema)
      .min(1, 'A formula needs at least one line, and one of them must be flour.')
      .max(40, 'A formula has at most 40 lines.'),
    method: methodSchema,
    bake: bakeSchema,
    product: productSchema,
    /** Ingredients this document brings along because they are not in every catalogue. */
    ingredients: z.array(ingredientSchema).max(40).optional(),
  })
  .superRefine((formula, context) => {
    const seen = new Set<string>();
    formula.lines.forEach((line, index) => {
      if (seen.has(line.id)) {
        context.addIssue({
          code: 'custom',
          path: ['lines', index, 'id'],
          message: `Two lines share the id “${line.id}”.`,
        });
      }
      seen.add(line.id);
    });
  });

export type Formula = z.infer<typeof formulaSchema>;
export type FormulaLine = Formula['lines'][number];

/** A line of a formula together with its ingredient. */
export interface ResolvedLine extends FormulaLine {
  ingredient: string;
  food: Ingredient;
}
