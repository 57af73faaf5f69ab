import { type FileContents, readFormulaFile } from '@kettle-scale/core/exchange';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { InputError, type Problem } from '@kettle-scale/core/message';

export interface FileQuestion {
  text: string;
  foods: readonly Ingredient[];
}
export type FileAnswer = { contents: FileContents } | { problems: readonly Problem[] };

/** What a file holds, or what is wrong with it; anything else that is thrown is a mistake of the program. */
export function answerFile({ text, foods }: FileQuestion): FileAnswer {
  try {
    return { contents: readFormulaFile(text, foods) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { problems: error.problems };
  }
}
