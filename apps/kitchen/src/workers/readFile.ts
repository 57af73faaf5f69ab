import { say } from '../reader/say';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { InputError } from '@kettle-scale/core/message';
import type { FileContents } from '@kettle-scale/core/exchange';
import type { FileAnswer, FileQuestion } from './fileWork';

/** A file that takes longer than this is not one that a kitchen wrote. */
const LONGEST_MS = 30_000;

const problem = (message: string) => new InputError([{ path: '', line: 1, message }]);

/**
 * Reads a file of formulas in a worker.
 * @throws InputError with what is wrong, line by line; also when the worker does not load or does not end
 */
export async function readFile(text: string, foods: readonly Ingredient[]): Promise<FileContents> {
  const worker = new Worker(new URL('./readFile.worker', window.location.href));
  let timer: ReturnType<typeof setTimeout> | undefined;
  try {
    const answer = await new Promise<FileAnswer>((resolve, reject) => {
      worker.onmessage = ({ data }: MessageEvent<FileAnswer>) => resolve(data);
      worker.onerror = () => reject(problem('This file could not be read on this device.'));
      timer = setTimeout(
        () =>
          reject(
            problem(
              say('This file takes longer than {longest, number} s to read and was given up.', {
                longest: LONGEST_MS / 1000,
              }),
            ),
          ),
        LONGEST_MS,
      );
      worker.postMessage({ text, foods } satisfies FileQuestion);
    });
    if ('problems' in answer) throw new InputError(answer.problems);
    return answer.contents;
  } finally {
    clearTimeout(timer);
    worker.terminate();
  }
}
