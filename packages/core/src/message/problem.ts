import type { z } from 'zod';
import { type Words, asText, fromText, message } from './message';
import { ENGLISH } from './reader';
import { writeWords } from './writeWords';

const KIND_WORDS: Record<string, string> = {
  object: 'an object',
  array: 'a list',
  boolean: 'true or false',
  string: 'a text',
  number: 'a number',
};

/** Sentences for the mistakes that no field has words of its own for: a part that is missing or of the wrong kind. */
const plainError: z.core.$ZodErrorMap = (issue) => {
  if (issue.code !== 'invalid_type') return undefined;
  const name = issue.path?.at(-1);
  const subject: Words =
    name === undefined
      ? 'The document'
      : typeof name === 'number'
        ? message('Entry {number, number}', { number: name + 1 })
        : message('“{name}”', { name: { name: String(name) } });
  return asText(
    issue.input === undefined
      ? message('{label} is missing.', { label: subject })
      : message('{label} must be {kind}.', {
          label: subject,
          kind: KIND_WORDS[issue.expected] ?? { name: issue.expected },
        }),
  );
};

/** One thing wrong with an input: where it is, and a sentence a cook understands. */
export interface Problem {
  /** Path to the field, as in `lines[2].fraction`; empty for the whole document. */
  path: string;
  message: Words;
  /** Line of the file, from 1, where the input is a file. */
  line?: number;
}

/** Thrown by core when an input cannot be used. Nothing has been changed. */
export class InputError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(
      problems
        .map(({ path, message: words }) => `${path ? `${path}: ` : ''}${writeWords(words, ENGLISH)}`)
        .join(' '),
    );
    this.name = 'InputError';
  }

  /** The error for a single field. */
  static at(path: string, message: Words): InputError {
    return new InputError([{ path, message }]);
  }
}

/** Writes a key path the way people read it: `lines[2].fraction`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>(
    (text, key) =>
      typeof key === 'number' ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key),
    '',
  );
}

/**
 * Turns what Zod found into problems with one sentence each.
 * @param error what Zod found
 * @returns path and sentence of each
 */
export function problemsOf(error: z.ZodError): Problem[] {
  return error.issues.flatMap((issue): Problem[] => {
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map((key) => ({
        path: pathText([...issue.path, key]),
        message: message('The field “{key}” is not known here; remove it or check its spelling.', {
          key: { name: key },
        }),
      }));
    }
    return [{ path: pathText(issue.path), message: fromText(issue.message) }];
  });
}

/** Zod asks an object that stands for a text for its length, whatever that is: one made for it trips the comparison. */
export function safely<T>(schema: z.ZodType<T>, value: unknown, prefix: string): z.ZodSafeParseResult<T> {
  try {
    return schema.safeParse(value, { error: plainError });
  } catch (error) {
    if (!(error instanceof TypeError)) throw error;
    throw InputError.at(prefix, 'An object stands where a text or a list belongs.');
  }
}

/**
 * Validates an unknown value at the edge.
 * @param schema what is expected
 * @param value anything
 * @param prefix path of the value in its document
 * @returns the value as the schema gives it
 * @throws InputError naming every field that is wrong.
 */
export function parseInput<T>(schema: z.ZodType<T>, value: unknown, prefix = ''): T {
  const result = safely(schema, value, prefix);
  if (result.success) return result.data;
  const problems = problemsOf(result.error);
  throw new InputError(
    prefix ? problems.map((p) => ({ ...p, path: p.path ? `${prefix}.${p.path}` : prefix })) : problems,
  );
}
