import type { Words } from '@kettle-scale/core/message';
import type { ListWords } from '@kettle-scale/core/writing';

/** What a command reads from and writes to. */
export interface Io {
  /** Writes text as it is. */
  out: (text: string) => void;
  /** Writes a document as JSON. */
  print: (value: unknown) => void;
  /** Writes a result as JSON, its sentences in the language and measures that were asked for. */
  tell: (value: unknown) => void;
  /** Words in that language, for a line of text. */
  say: (words: Words) => string;
  /** How lists are written in that language; none for English. */
  listWords: () => ListWords | undefined;
  /** Text of a file; “-” is standard input. */
  read: (file: string) => string;
  readJson: (file: string) => unknown;
}
