import { z } from 'zod';
import { type Message, type Words, asText, message } from './message';

/** The field builders below give every schema the same sentences when a value is missing or out of range. */

interface NumberRange {
  min: number;
  max: number;
  /** Unit shown in the sentence, as in "g" or "mm". */
  unit?: string;
}

/** What is wrong with a field, with its name. */
const told = (text: string, label: Words, values: Message['values'] = {}): string =>
  asText(message(text, { label, ...values }));
const missing = (label: Words): string => told('{label} is missing.', label);
/** The words for a value that is missing, or is of the wrong kind. */
const wrongKind = (label: Words, wrong: string) => (issue: { input?: unknown }) =>
  issue.input === undefined ? missing(label) : told(wrong, label);
const LONGER = '{label} is longer than {max, number} characters.';

/**
 * A number with a name: says "Ball weight must be between 5 and 2,000 g" when it is not.
 * @param label name of the field
 * @param range least, most and unit
 */
export function numberField(label: Words, { min, max, unit }: NumberRange): z.ZodNumber {
  const bounds = { low: { bound: min, of: unit ?? '' }, high: { bound: max, of: unit ?? '' } };
  const range = unit
    ? told('{label} must be between {low} and {high} {unit}.', label, { ...bounds, unit: { unitOf: unit } })
    : told('{label} must be between {low} and {high}.', label, bounds);
  return z
    .number({ error: wrongKind(label, '{label} must be a number.') })
    .min(min, range)
    .max(max, range);
}

/**
 * A whole number with a name.
 * @param label name of the field
 * @param range least and most
 */
export function countField(label: Words, range: NumberRange): z.ZodNumber {
  return numberField(label, range).int(told('{label} must be a whole number.', label));
}

/** A share between two fractions (0.54 is 54 %); the sentence says both forms. */
export function fractionField(label: Words, min: number, max: number): z.ZodNumber {
  const figure = (value: number) => ({ figure: value, most: 6 });
  const range = told(
    '{label} must be a fraction between {low} and {high} ({lowPercent} to {highPercent} %).',
    label,
    {
      ...{ low: figure(min), high: figure(max) },
      ...{ lowPercent: figure(min * 100), highPercent: figure(max * 100) },
    },
  );
  return z
    .number({ error: wrongKind(label, '{label} must be a number.') })
    .min(min, range)
    .max(max, range);
}

/** Control characters and halves of characters hide text and break files; line breaks and tabs are kept. */
const UNPRINTABLE = /[^\P{Cc}\t\n\r]|\p{Cs}/u;
/** What makes one line two, or turns the direction of what follows: a name would hide what stands beside it. */
const NOT_IN_NAMES = /[\p{Cc}\p{Cs}\u2028\u2029\u061C\u200E\u200F\u202A-\u202E\u2066-\u2069]/u;
const EACH_NOT_IN_NAMES = new RegExp(NOT_IN_NAMES, 'gu');

interface TextRange {
  min?: number;
  max: number;
}

const limitedText = (label: Words, { min = 0, max }: TextRange): z.ZodString =>
  z
    .string({ error: wrongKind(label, '{label} must be text.') })
    .trim()
    .min(min, told('{label} is empty.', label))
    .max(max, told(LONGER, label, { max }));

/**
 * A text of limited length without control characters.
 * @param label name of the field
 * @param range characters, least and most
 */
export const textField = (label: Words, range: TextRange): z.ZodString =>
  limitedText(label, range).refine(
    (text) => !UNPRINTABLE.test(text),
    told('{label} contains characters that cannot be printed.', label),
  );

/** Marks what is wrong with a name that `printableName` puts right. */
export const REPAIRABLE_NAME = 'name';

/**
 * A name: one line of limited length, read in the direction in which it is written.
 * @param label name of the field
 * @param range characters, least and most
 */
export const nameField = (label: Words, range: TextRange): z.ZodString =>
  limitedText(label, range).refine((text) => !NOT_IN_NAMES.test(text), {
    error: told('{label} must be one line, without control characters or marks of direction.', label),
    params: { repair: REPAIRABLE_NAME },
  });

/**
 * Returns a name as one line, without what no name may have; a dash where nothing is left.
 * @param name as an older program took it
 */
export const printableName = (name: string): string =>
  name.replace(EACH_NOT_IN_NAMES, ' ').replace(/ +/g, ' ').trim() || '–';

const LONGEST_SLUG = 60;

/**
 * A short name used in addresses and files: small letters, digits and hyphens.
 * @param label name of the field
 */
export function slugField(label: Words): z.ZodString {
  return z
    .string({ error: wrongKind(label, '{label} must be text.') })
    .max(LONGEST_SLUG, told(LONGER, label, { max: LONGEST_SLUG }))
    .regex(
      /^[a-z0-9]+(-[a-z0-9]+)*$/,
      told('{label} may hold only small letters, digits and single hyphens.', label),
    );
}

/**
 * One of a fixed list; the sentence names the list.
 * @param label name of the field
 * @param values what may be chosen
 */
export function choiceField<const T extends readonly [string, ...string[]]>(
  label: Words,
  values: T,
): z.ZodEnum<z.core.util.ToEnum<T[number]>> {
  return z.enum(values, {
    error: (issue) =>
      issue.input === undefined
        ? missing(label)
        : told('{label} must be one of: {values}.', label, { values: { name: values.join(', ') } }),
  });
}

/** The id of a record that a client made: a UUID of version 7, so that ids sort by time. */
export const uuidField = (label: Words) =>
  z.uuidv7({ error: wrongKind(label, '{label} must be a UUID of version 7.') });

/** An instant in UTC, as in 2026-03-04T10:45:00.000Z. */
export const instantField = (label: Words) =>
  z.iso.datetime({
    error: wrongKind(label, '{label} must be a time in UTC, like 2026-03-04T10:45:00.000Z.'),
  });
