import { type Words } from '../message/message';
import { wordsSchema } from '../message/wordsSchema';
import { z } from 'zod';
import { hydrationSpread } from '../formula/hydrationSpread';
import { formatFields, formulaSchema } from '../formula/formulaSchema';
import { InputError } from '../message/problem';
import { listFormula, type ListNaming } from './listFormula';
import type { ReadList } from './readListTypes';

const READING_FORMAT = 'kettle-scale/reading';

const intervalSchema = z.strictObject({ low: z.number(), typical: z.number(), high: z.number() });

/** A list as it was read: the formula so far, every line with its grams, and what is still to be asked. */
export const listReadingSchema = z.strictObject({
  ...formatFields(READING_FORMAT, 1),
  /** With the first answer to every open question; null while there is no flour with an amount. */
  formula: formulaSchema.nullable(),
  /** Why there is no formula yet. */
  problem: wordsSchema.nullable(),
  lines: z.array(
    z.strictObject({
      /** Entry of the list, from 1. */
      line: z.number().int(),
      text: z.string(),
      ingredient: z.string(),
      name: z.string(),
      massG: intervalSchema.nullable(),
      /** Share of flour, from the typical mass. */
      fraction: z.number().nullable(),
      fill: z.string().nullable(),
      tempC: z.number().nullable(),
      /** Share of the line that is kept back. */
      holdBack: z.number(),
      note: z.string(),
    }),
  ),
  questions: z.array(
    z.strictObject({
      line: z.number().int(),
      /** Name of the question in a file of answers: a JSON object of keys to answer ids. */
      key: z.string(),
      kind: z.string(),
      ask: wordsSchema,
      answers: z.array(z.strictObject({ id: z.string(), words: wordsSchema })),
    }),
  ),
  /** Lines that are no ingredients. */
  remarks: z.array(z.strictObject({ line: z.number().int(), text: z.string(), kind: z.string() })),
  /** Effective hydration with what the cups leave open, and which lines cause it, as shares of the squared spread. */
  hydration: z
    .strictObject({
      ...intervalSchema.shape,
      worst: z.strictObject({ low: z.number(), high: z.number() }),
      causes: z.array(z.strictObject({ ingredient: z.string(), share: z.number() })),
    })
    .nullable(),
});

export type ReadingDocument = z.infer<typeof listReadingSchema>;

/**
 * Writes a reading down as a document.
 * @param list the list as it was read
 * @param naming its id and name
 */
export function readingDocument(list: ReadList, naming: ListNaming = {}): ReadingDocument {
  const { flourG } = list;
  let formula: ReadingDocument['formula'] = null;
  let problem: Words | null = null;
  try {
    formula = listFormula({ ...list, unknown: [] }, naming);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    problem = error.problems[0]?.message ?? null;
  }
  const weighed = list.lines.flatMap(({ index, food, mass }) =>
    mass && mass.typical > 0 ? [{ id: String(index), food, mass }] : [],
  );
  const spread = (flourG ?? 0) > 0 ? hydrationSpread(weighed) : null;
  return {
    format: READING_FORMAT,
    formatVersion: 1,
    formula,
    problem,
    lines: list.lines.map((line) => ({
      line: line.index + 1,
      text: line.text,
      ingredient: line.food.id,
      name: line.food.name,
      massG: line.mass,
      fraction: line.mass && flourG ? line.mass.typical / flourG : line.fraction,
      fill: line.fill,
      tempC: line.tempC,
      holdBack: line.holdBack,
      note: line.note,
    })),
    questions: [
      ...list.lines.flatMap(({ index, questions }) =>
        questions.map((question) => ({ line: index + 1, ...question })),
      ),
      ...list.unknown.map(({ index, key, ask }) => ({
        line: index + 1,
        key,
        kind: 'ingredient',
        ask,
        answers: [{ id: 'leave-out', words: 'leave it out' }],
      })),
    ],
    remarks: list.remarks.map(({ index, ...remark }) => ({ line: index + 1, ...remark })),
    hydration: spread && {
      ...spread.hydration,
      worst: spread.worst,
      causes: spread.causes.map(({ food, share }) => ({ ingredient: food.id, share })),
    },
  };
}
