import { z } from 'zod';

const MOST_CHARACTERS = 4000;
const words = z.string().min(1).max(MOST_CHARACTERS);

/** One word for one thing: how the language says an English term of the trade, and what it never says for it. */
const termSchema = z.strictObject({
  english: words,
  words: z.array(words).min(1),
  not: z.array(words).optional(),
});

/** A language of the product: everything that it needs is in one file. */
export const languageSchema = z.strictObject({
  /** BCP 47, as "es". */
  language: z.string().regex(/^[a-z]{2,3}(?:-[A-Za-z0-9]{2,8})*$/),
  /** Its own name, as "Español". */
  name: words,
  /** Texts of the product by their English. */
  texts: z.record(z.string(), words),
  /** What people call the ingredients of the catalogue, by id, parted by commas. */
  foods: z.record(z.string(), words),
  /** Words of lists, parted by commas, and the English that says the same; empty for what says nothing. */
  lists: z.record(words, z.string()),
  terms: z.array(termSchema),
});

export type Language = z.infer<typeof languageSchema>;
