import { asText, numberField } from '@kettle-scale/core/message';
import { numberOrNaN, numberQuestion } from '@kettle-scale/core/quantity';
import { z } from 'zod';

/** Text of an option as a number with a name and a range; the sentence is the schema's. */
export const option = (label: string, range: Parameters<typeof numberField>[1]) =>
  z
    .string()
    .transform((text, context) => {
      const question = numberQuestion(text);
      if (question) context.addIssue({ code: 'custom', message: asText(question) });
      return question ? z.NEVER : numberOrNaN(text);
    })
    .pipe(numberField(label, range));
export const mass = (label: string) => option(label, { min: 0.1, max: 1_000_000, unit: 'g' });

/** Options say percent, core takes fractions. */
export const PERCENT = 100;
