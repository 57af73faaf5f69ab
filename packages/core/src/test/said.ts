import type { z } from 'zod';
import type { Words } from '../message/message';
import { problemsOf } from '../message/problem';

export { writeAll as said } from '../message/writeAll';

/** What is wrong with a value, as words. */
export function problemsIn(schema: z.ZodType, value: unknown): Words[] {
  const { error } = schema.safeParse(value);
  return error ? problemsOf(error).map(({ message }) => message) : [];
}
