import { asText, message } from '../message/message';
import { z } from 'zod';
import {
  choiceField,
  countField,
  fractionField,
  numberField,
  slugField,
  textField,
  nameField,
} from '../message/fields';
import { FILL_METHODS, type Ingredient, ingredientSchema } from '../ingredient/ingredientSchema';
import { KINDS_OF_BREAD } from './kindsOfBread';
import { bakeSchema, methodSchema, productSchema } from './methodSchema';
import { onBreadSchema } from './onBreadSchema';

export const FORMULA_FORMAT = 'kettle-scale/formula';
/** Raised when a file of this version could not be read by an older program. Older files are files of this version. */
export const FORMULA_FORMAT_VERSION = 6;
const READABLE_VERSIONS = [1, 2, 3, 4, 5, 6] as const;
const MOST_ON_BREAD = 12;

/** The `format` and `formatVersion` pair that opens every document of ours. */
export function formatFields<const F extends string, const V extends number>(
  format: F,
  ...versions: readonly [V, ...V[]]
) {
  const newest = Math.max(...versions);
  return {
    format: z.literal(format, {
      error: asText(message('This must be a document of the format “{format}”.', { format })),
    }),
    formatVersion: z.literal([...versions], {
      error: (issue) =>
        typeof issue.input === 'number' && issue.input > newest
          ? asText(
              message(
                'This file is of version {input, number}; this program reads version {newest, number}. Update the program.',
                { input: issue.input, newest },
              ),
            )
          : asText(message('The format version must be {versions}.', { versions: versions.join(' or ') })),
    }),
  };
}

const looseField = (label: string) => numberField(label, { min: 0.1, max: 10 });

/** How a line was measured before it was weighed: what the spread of its mass is worked out from. */
export const measureSchema = z.strictObject({
  /** As written: "2 3/4 cups, scooped". */
  text: textField('Measure', { min: 1, max: 80 }),
  fill: choiceField('Fill', FILL_METHODS).optional(),
  /** Density that turned the volume into this line's mass. */
  gMl: numberField('Density', { min: 0.02, max: 3, unit: 'g/ml' }).optional(),
  /** Name and weight of the piece that was counted. */
  piece: nameField('Piece', { min: 1, max: 30 }).optional(),
  gEach: numberField('Weight of a piece', { min: 0.05, max: 2000, unit: 'g' }).optional(),
  /** What the measure itself leaves open (a pinch, a heap), as shares of the typical. */
  loose: z.strictObject({ low: looseField('Least'), high: looseField('Most') }).optional(),
});

export type Measure = z.infer<typeof measureSchema>;

const lineSchema = z.strictObject({
  id: slugField('Line id'),
  /** Id of an ingredient in the catalogue, or of one that the document brings along. */
  ingredient: slugField('Ingredient'),
  /** Share of the flour: 0.54 is 54 % in baker's percent. All flours together are 1. */
  fraction: fractionField('Share of flour', 0.00001, 5),
  note: textField('Note', { max: 120 }).optional(),
  measure: measureSchema.optional(),
  /** Not into the mix: it is worked in when the dough is kneaded again. */
  late: z.boolean('Say whether it goes in late.').optional(),
});

/**
 * A formula: ingredients as fractions of flour, the method, the bake program and the product standard.
 * Editing makes a new version; a batch keeps the version it was made with.
 */
export const formulaSchema = z
  .strictObject({
    ...formatFields(FORMULA_FORMAT, ...READABLE_VERSIONS),
    id: slugField('Formula id'),
    version: countField('Version', { min: 1, max: 100_000 }),
    name: nameField('Formula name', { min: 1, max: 60 }),
    /** As its cook says; where it is not said, its figures let one guess. */
    kind: choiceField('Kind of bread', KINDS_OF_BREAD).optional(),
    summary: textField('Summary', { max: 300 }),
    /** Longer words: how it was told, where it comes from. */
    notes: textField('Notes', { max: 4000 }).optional(),
    /** Flour of the batch that the cook has in mind; only the figures on the page follow it. */
    flourG: numberField('Flour', { min: 1, max: 1_000_000, unit: 'g' }).optional(),
    lines: z
      .array(lineSchema)
      .min(1, 'A formula needs at least one line, and one of them must be flour.')
      .max(40, 'A formula has at most 40 lines.'),
    /** What goes on the bread and not into the dough, by the piece. */
    onBread: z
      .array(onBreadSchema)
      .max(
        MOST_ON_BREAD,
        asText(
          message('At most {mostOnBread, number} ingredients go on the bread.', {
            mostOnBread: MOST_ON_BREAD,
          }),
        ),
      )
      .optional(),
    method: methodSchema,
    bake: bakeSchema,
    product: productSchema,
    /** Ingredients this document brings along because they are not in every catalogue. */
    ingredients: z.array(ingredientSchema).max(40).optional(),
  })
  .superRefine((formula, context) => {
    const firstLate = formula.lines.findIndex(({ late }) => late);
    if (firstLate >= 0 && !formula.method.knead.again?.length) {
      context.addIssue({
        code: 'custom',
        path: ['lines', firstLate, 'late'],
        message: 'What goes in late is worked in when the dough is kneaded again: add that to the method.',
      });
    }
    const seen = new Set<string>();
    for (const part of ['lines', 'onBread'] as const) {
      formula[part]?.forEach(({ id }, index) => {
        if (seen.has(id)) {
          context.addIssue({
            code: 'custom',
            path: [part, index, 'id'],
            message: asText(message('Two lines share the id “{id}”.', { id })),
          });
        }
        seen.add(id);
      });
    }
  });

export type Formula = z.infer<typeof formulaSchema>;
export type FormulaLine = Formula['lines'][number];

/** A line of a formula together with its ingredient. */
export interface ResolvedLine extends FormulaLine {
  ingredient: string;
  food: Ingredient;
}
