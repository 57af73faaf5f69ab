import { GRIDDLE_WORK } from './griddleWork';
import type { FromWorker, ToWorker } from './griddle';

/** Computes in slices this long, so that a cancel or a more urgent question gets through between them. */
const SLICE_MS = 30;

const scope = self as unknown as {
  onmessage: ((message: MessageEvent<ToWorker>) => void) | null;
  postMessage: (message: FromWorker) => void;
};

const cancelled = new Set<number>();

function run(id: number, steps: Generator<number, unknown, void>): void {
  const until = performance.now() + SLICE_MS;
  try {
    for (;;) {
      if (cancelled.delete(id)) return;
      const { done, value } = steps.next();
      if (done) return scope.postMessage({ id, result: value });
      if (performance.now() < until) continue;
      scope.postMessage({ id, progress: value });
      setTimeout(() => run(id, steps));
      return;
    }
  } catch (error) {
    scope.postMessage({ id, problem: error instanceof Error ? error.message : String(error) });
  }
}

scope.onmessage = ({ data }) => {
  if ('cancel' in data) {
    cancelled.add(data.cancel);
    return;
  }
  const work = GRIDDLE_WORK[data.name] as (asks: unknown) => Generator<number, unknown, void>;
  run(data.id, work(data.asks));
};
