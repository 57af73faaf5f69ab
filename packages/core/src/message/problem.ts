import type { z } from 'zod';

const KIND_WORDS: Record<string, string> = { object: 'an object', array: 'a list', boolean: 'true or false' };

/** Sentences for the mistakes that no field has words of its own for: a part that is missing or of the wrong kind. */
const plainError: z.core.$ZodErrorMap = (issue) => {
  if (issue.code !== 'invalid_type') return undefined;
  const name = issue.path?.at(-1);
  const subject =
    name === undefined
      ? 'The document'
      : typeof name === 'number'
        ? `Entry ${name + 1}`
        : `“${String(name)}”`;
  const words = KIND_WORDS[issue.expected] ?? `a ${issue.expected}`;
  return issue.input === undefined ? `${subject} is missing.` : `${subject} must be ${words}.`;
};

/** One thing wrong with an input: where it is, and a sentence a cook understands. */
export interface Problem {
  /** Path to the field, as in `lines[2].fraction`; empty for the whole document. */
  path: string;
  message: string;
  /** Line of the file, from 1, where the input is a file. */
  line?: number;
}

/** Thrown by core when an input cannot be used. Nothing has been changed. */
export class InputError extends Error {
  constructor(readonly problems: readonly Problem[]) {
    super(problems.map((p) => (p.path ? `${p.path}: ${p.message}` : p.message)).join(' '));
    this.name = 'InputError';
  }

  /** The error for a single field. */
  static at(path: string, message: string): InputError {
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
        message: `The field “${key}” is not known here; remove it or check its spelling.`,
      }));
    }
    return [{ path: pathText(issue.path), message: issue.message }];
  });
}

/** Zod asks an object that stands for a text for its length, whatever that is: one made for it trips the comparison. */
function safely<T>(schema: z.ZodType<T>, value: unknown, prefix: string): z.ZodSafeParseResult<T> {
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
