import { z } from 'zod';

/** The field builders below give every schema the same sentences when a value is missing or out of range. */

interface NumberRange {
  min: number;
  max: number;
  /** Unit shown in the sentence, as in "g" or "mm". */
  unit?: string;
}

/** Writes a number with thousands separators and no trailing zeros. */
function plain(value: number): string {
  return value.toLocaleString('en-US', { maximumFractionDigits: 6 });
}

/**
 * A number with a name: says "Ball weight must be between 5 and 2,000 g" when it is not.
 * @param label name of the field
 * @param range least, most and unit
 */
export function numberField(label: string, { min, max, unit }: NumberRange): z.ZodNumber {
  const range = `${label} must be between ${plain(min)} and ${plain(max)}${unit ? ` ${unit}` : ''}.`;
  return z
    .number({
      error: (issue) => (issue.input === undefined ? `${label} is missing.` : `${label} must be a number.`),
    })
    .min(min, range)
    .max(max, range);
}

/**
 * A whole number with a name.
 * @param label name of the field
 * @param range least and most
 */
export function countField(label: string, range: NumberRange): z.ZodNumber {
  return numberField(label, range).int(`${label} must be a whole number.`);
}

/** A share between two fractions (0.54 is 54 %); the sentence says both forms. */
export function fractionField(label: string, min: number, max: number): z.ZodNumber {
  const range = `${label} must be a fraction between ${plain(min)} and ${plain(max)} (${plain(min * 100)} to ${plain(max * 100)} %).`;
  return z
    .number({
      error: (issue) => (issue.input === undefined ? `${label} is missing.` : `${label} must be a number.`),
    })
    .min(min, range)
    .max(max, range);
}

/** Control characters have no place in a name and can hide text; line breaks and tabs are kept. */
const CONTROL = /[^\P{Cc}\t\n\r]/u;

/**
 * A text of limited length without control characters.
 * @param label name of the field
 * @param range characters, least and most
 */
export function textField(label: string, { min = 0, max }: { min?: number; max: number }): z.ZodString {
  return z
    .string({
      error: (issue) => (issue.input === undefined ? `${label} is missing.` : `${label} must be text.`),
    })
    .trim()
    .min(min, `${label} is empty.`)
    .max(max, `${label} is longer than ${max} characters.`)
    .refine((text) => !CONTROL.test(text), `${label} contains characters that cannot be printed.`);
}

/**
 * A short name used in addresses and files: small letters, digits and hyphens.
 * @param label name of the field
 */
export function slugField(label: string): z.ZodString {
  return z
    .string({
      error: (issue) => (issue.input === undefined ? `${label} is missing.` : `${label} must be text.`),
    })
    .max(60, `${label} is longer than 60 characters.`)
    .regex(/^[a-z0-9]+(-[a-z0-9]+)*$/, `${label} may hold only small letters, digits and single hyphens.`);
}

/**
 * One of a fixed list; the sentence names the list.
 * @param label name of the field
 * @param values what may be chosen
 */
export function choiceField<const T extends readonly [string, ...string[]]>(label: string, values: T) {
  return z.enum(values, {
    error: (issue) =>
      issue.input === undefined ? `${label} is missing.` : `${label} must be one of: ${values.join(', ')}.`,
  });
}

/** The id of a record that a client made: a UUID of version 7, so that ids sort by time. */
export function uuidField(label: string) {
  return z.uuidv7({
    error: (issue) =>
      issue.input === undefined ? `${label} is missing.` : `${label} must be a UUID of version 7.`,
  });
}

/** An instant in UTC, as in 2026-03-04T10:45:00.000Z. */
export function instantField(label: string) {
  return z.iso.datetime({
    error: (issue) =>
      issue.input === undefined
        ? `${label} is missing.`
        : `${label} must be a time in UTC, like 2026-03-04T10:45:00.000Z.`,
  });
}
