import { message } from '../message/message';
import { z } from 'zod';
import { planRequestSchema } from '../plan/planRequestSchema';
import { planSchema } from '../plan/planSchema';
import { formulaSchema } from '../formula/formulaSchema';
import { griddleSchema } from '../kitchen/griddleSchema';
import { bakeRequestSchema } from '../bake/plate/requestSchema';
import { serviceDaySchema } from '../shift/day/serviceDaySchema';
import { shiftDocumentSchema } from '../shift/shiftSchema';
import { InputError } from '../message/problem';
import { listReadingSchema } from '../writing/readingDocument';
import { backupLineSchema } from './backupSchema';
import { logSchema } from '../log/logSchema';
import { bookSchema } from './bookSchema';

/** The documents with a published JSON Schema, by the name a command uses. */
export const DOCUMENT_SCHEMAS = {
  formula: formulaSchema,
  book: bookSchema,
  reading: listReadingSchema,
  'plan-request': planRequestSchema,
  plan: planSchema,
  log: logSchema,
  'backup-line': backupLineSchema,
  'bake-request': bakeRequestSchema,
  griddle: griddleSchema,
  shift: shiftDocumentSchema,
  'service-day': serviceDaySchema,
} as const;

export type DocumentName = keyof typeof DOCUMENT_SCHEMAS;

export const DOCUMENT_NAMES = Object.keys(DOCUMENT_SCHEMAS) as DocumentName[];

/**
 * The JSON Schema (draft 2020-12) of a document.
 * @param name name of the format
 */
export const jsonSchemaOf = (name: DocumentName): object => ({
  title: `Kettle Scale ${name}`,
  ...z.toJSONSchema(DOCUMENT_SCHEMAS[name], { io: 'input' }),
});

/**
 * Reads JSON text.
 * @param text as typed
 * @returns the value, not yet validated
 * @throws InputError with one sentence and, where the engine tells it, the line of the mistake
 */
export function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch (error) {
    const position = /position (\d+)/.exec(String(error))?.[1];
    const line = position ? text.slice(0, Number(position)).split('\n').length : null;
    throw InputError.at(
      '',
      message('This is not JSON{line}.', {
        line: line ? message(': look at line {line, number}', { line }) : '',
      }),
    );
  }
}

export * from './backupSchema';
export * from './nesting';
