import { finish } from '@kettle-scale/core/bake';
import { type FileQuestion, answerFile } from '../workers/fileWork';
import type { FromWorker, ToWorker } from '../workers/background';
import { WORK as BACKGROUND } from '../workers/work';

type Answer = (question: unknown) => unknown;

const background: Answer = (question) => {
  const asked = question as ToWorker;
  if ('cancel' in asked) return undefined;
  const work = BACKGROUND[asked.name] as (asks: unknown) => Generator<number, unknown, void>;
  return { id: asked.id, result: finish(work(asked.asks)) } satisfies FromWorker;
};

const WORK: Record<string, Answer> = {
  'readFile.worker': (question) => answerFile(question as FileQuestion),
  'background.worker': background,
};

/** The test browser has no workers: the same work, done in the page. */
export function workInPage(): void {
  class InPage {
    onmessage: ((message: { data: unknown }) => void) | null = null;
    private readonly answer: Answer | undefined;
    constructor(url: URL) {
      this.answer = WORK[url.pathname.split('/').at(-1) ?? ''];
    }
    postMessage = (question: unknown): void => {
      const data = this.answer?.(question);
      if (data !== undefined) void Promise.resolve().then(() => this.onmessage?.({ data }));
    };
    terminate = (): void => undefined;
  }
  Object.assign(globalThis, { Worker: InPage });
}
