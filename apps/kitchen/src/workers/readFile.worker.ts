import type { Ingredient } from '@kettle-scale/core/ingredient';
import { InputError, type Problem } from '@kettle-scale/core/message';
import { type FileContents, readFormulaFile } from '@kettle-scale/core/exchange';

/** Reads a file away from the page, so that a large or hostile one never holds it. */
export interface FileQuestion {
  text: string;
  foods: readonly Ingredient[];
}
export type FileAnswer = { contents: FileContents } | { problems: readonly Problem[] };

const answer = (message: FileAnswer): void => postMessage(message);

onmessage = ({ data: { text, foods } }: MessageEvent<FileQuestion>) => {
  try {
    answer({ contents: readFormulaFile(text, foods) });
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    answer({ problems: error.problems });
  }
};
