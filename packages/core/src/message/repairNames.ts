import type { z } from 'zod';
import { REPAIRABLE_NAME, printableName } from './fields';
import { fromText, message } from './message';
import { type Problem, pathText, safely } from './problem';

/**
 * Makes names one line that have line breaks or marks of direction, as older programs took them: what they name is worth more
 * than how it was written.
 * @param schema what is expected
 * @param value what was read; its names are put right in place
 * @returns what was wrong with each, and what it is called now
 */
export function repairNames<T>(schema: z.ZodType<T>, value: unknown): Problem[] {
  const { error } = safely(schema, value, '');
  return (error?.issues ?? []).flatMap(({ path, message: sentence, ...issue }): Problem[] => {
    if (issue.code !== 'custom' || issue.params?.repair !== REPAIRABLE_NAME) return [];
    const key = path.at(-1) ?? '';
    const inside = (one: unknown, step: PropertyKey) => (one as Record<PropertyKey, unknown>)[step];
    const owner = path.slice(0, -1).reduce(inside, value) as Record<PropertyKey, string>;
    const name = printableName(owner[key] ?? '');
    owner[key] = name;
    return [
      {
        path: pathText(path),
        message: message('{problem} Without that it is called “{name}”.', {
          problem: fromText(sentence),
          name: { name },
        }),
      },
    ];
  });
}
