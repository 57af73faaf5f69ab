import { WORK } from './work';
import type { FromWorker, ToWorker } from './background';

/** Computes in slices this long, so that a cancel or a more urgent question gets through between them. */
const SLICE_MS = 8;
/** The share done is told no more often than this: whoever shows it is drawn each time. */
const PROGRESS_MS = 100;

const scope = self as unknown as {
  onmessage: ((message: MessageEvent<ToWorker>) => void) | null;
  postMessage: (message: FromWorker) => void;
};

const cancelled = new Set<number>();

/**
 * What begins, or goes on, after messages that came meanwhile, the newest question first: it is what the cook looks at. A message to
 * oneself is not held back the way a timer is. One at a time is under way, so that a question waits for one slice, not for
 * one of each that is worked on.
 */
const goOn: (() => void)[] = [];
const { port1, port2 } = new MessageChannel();
let underWay = false;
function goOnSoon(): void {
  if (underWay || goOn.length === 0) return;
  underWay = true;
  port2.postMessage(null);
}
port1.onmessage = () => {
  underWay = false;
  goOn.pop()?.();
  goOnSoon();
};

function run(id: number, steps: Generator<number, unknown, void>, toldMs: number): void {
  const startMs = performance.now();
  const until = startMs + SLICE_MS;
  try {
    for (;;) {
      if (cancelled.delete(id)) return;
      const { done, value } = steps.next();
      if (done) return scope.postMessage({ id, result: value });
      if (performance.now() < until) continue;
      const tells = startMs - toldMs >= PROGRESS_MS;
      if (tells) scope.postMessage({ id, progress: value });
      goOn.push(() => run(id, steps, tells ? startMs : toldMs));
      goOnSoon();
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
  const work = WORK[data.name] as (asks: unknown) => Generator<number, unknown, void>;
  // Several questions are asked at once, and a newer one may follow before the first of them has had its turn.
  goOn.push(() => run(data.id, work(data.asks), performance.now()));
  goOnSoon();
};
