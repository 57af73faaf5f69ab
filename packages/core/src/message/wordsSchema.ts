import { z } from 'zod';
import { MEASURED, type Quantity, type Value, type Words } from './message';

const LONGEST_TEXT = 2000;
const scalar = z.union([z.string().max(LONGEST_TEXT), z.number(), z.boolean()]);
const valueSchema: z.ZodType<Value> = z.lazy(() =>
  z.union([
    z.string().max(LONGEST_TEXT),
    z.number(),
    z.strictObject({ name: z.string().max(LONGEST_TEXT) }),
    z.strictObject({
      list: z.array(valueSchema).max(100),
      as: z.enum(['and', 'or']).optional(),
      glue: z.string().max(20).optional(),
    }),
    z.strictObject({ lower: valueSchema }),
    z.strictObject({ capital: valueSchema }),
    messageSchema,
    quantitySchema,
  ]),
);
const messageSchema = z.strictObject({
  text: z.string().max(LONGEST_TEXT),
  values: z.record(z.string().max(40), valueSchema).optional(),
});
const quantitySchema = z
  .record(z.string().max(20), scalar)
  .refine((one) => MEASURED.some((key) => key in one)) as unknown as z.ZodType<Quantity>;

/** Words as a document keeps them: a plain sentence in documents of older versions. */
export const wordsSchema: z.ZodType<Words> = z.union([
  z.string().max(LONGEST_TEXT),
  messageSchema,
  quantitySchema,
]);
