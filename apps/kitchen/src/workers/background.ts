import type { Work, WorkName } from './work';

export type ToWorker = { id: number; name: WorkName; asks: unknown } | { cancel: number };
export type FromWorker =
  { id: number; result: unknown } | { id: number; progress: number } | { id: number; problem: string };

interface Waiting {
  resolve: (result: unknown) => void;
  reject: (error: Error) => void;
  onProgress: ((share: number) => void) | undefined;
}

let worker: Worker | null = null;
let lastId = 0;
const waiting = new Map<number, Waiting>();

/** The worker did not load, or broke: whoever waits is told, and the next question opens another. */
function giveUp(): void {
  worker?.terminate();
  worker = null;
  const all = [...waiting.values()];
  waiting.clear();
  for (const { reject } of all) reject(new Error('This could not be worked out on this device.'));
}

function openWorker(): Worker {
  if (worker) return worker;
  worker = new Worker(new URL('./background.worker', window.location.href));
  worker.onerror = giveUp;
  worker.onmessageerror = giveUp;
  worker.onmessage = ({ data }: MessageEvent<FromWorker>) => {
    const one = waiting.get(data.id);
    if (!one) return;
    if ('progress' in data) return one.onProgress?.(data.progress);
    waiting.delete(data.id);
    if ('problem' in data) one.reject(new Error(data.problem));
    else one.resolve(data.result);
  };
  return worker;
}

interface AskOptions {
  signal?: AbortSignal;
  onProgress?: (share: number) => void;
}

/** Asks the worker in the background. Aborting the signal stops it. */
export function askWorker<N extends WorkName>(
  name: N,
  asks: Work[N]['asks'],
  { signal, onProgress }: AskOptions = {},
): Promise<Work[N]['gives']> {
  const id = (lastId += 1);
  const port = openWorker();
  return new Promise((resolve, reject) => {
    waiting.set(id, { resolve: resolve as (result: unknown) => void, reject, onProgress });
    signal?.addEventListener('abort', () => {
      if (!waiting.delete(id)) return;
      port.postMessage({ cancel: id } satisfies ToWorker);
      reject(new DOMException('This question is answered already.', 'AbortError'));
    });
    port.postMessage({ id, name, asks } satisfies ToWorker);
  });
}
