import { METRIC, type Reads } from '../quantity/formatQuantity';

/** Texts in a reader's language by their English. */
export type Texts = Readonly<Record<string, string>>;

/** Who is told something: measures, language, and its texts. English needs none: it is the source. */
export interface Reader extends Reads {
  texts: Texts;
}

export const ENGLISH: Reader = { ...METRIC, texts: {} };
export const ENGLISH_US: Reader = { ...ENGLISH, units: 'us' };
