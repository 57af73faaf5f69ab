import { Worker } from 'node:worker_threads';
import { type Remote, wrap } from 'comlink';
import nodeEndpoint from 'comlink/dist/umd/node-adapter';
import type { AsideWork } from './work';

/** Room for five years of batches; a thread that may take gigabytes collects its garbage late. */
const MOST_MB = 768;

interface Thread {
  worker: Worker;
  work: Remote<AsideWork>;
  /** Fails when the thread is gone: it could not answer then. */
  gone: Promise<never>;
}

export interface AsideThread extends AsideWork {
  /** Starts it before it is asked: that takes a second or two. */
  warm: () => void;
  close: () => Promise<void>;
}

/**
 * The long work in a thread of its own, so that no cook waits for it. It is started when it is warmed or first asked, and again
 * after it was lost.
 * @param file the kitchen's file, up to date
 */
export function openAsideThread(file: string): AsideThread {
  let thread: Thread | null = null;

  function start(): Thread {
    const worker = new Worker(new URL('./boot.mjs', import.meta.url), {
      workerData: file,
      resourceLimits: { maxOldGenerationSizeMb: MOST_MB },
    });
    // A server that stops does not wait for it.
    worker.unref();
    const gone = new Promise<never>((_resolve, reject) => {
      worker.once('error', reject);
      worker.once('exit', () => {
        thread = null;
        reject(new Error('the thread of the long work ended'));
      });
    });
    // Nobody may be waiting for it.
    gone.catch(() => undefined);
    return { worker, gone, work: wrap<AsideWork>(nodeEndpoint(worker)) };
  }

  const ask = <T>(question: (work: Remote<AsideWork>) => Promise<T>): Promise<T> => {
    thread ??= start();
    return Promise.race([question(thread.work), thread.gone]);
  };

  return {
    lessons: (asked) => ask((work) => work.lessons(asked)),
    log: (asked) => ask((work) => work.log(asked)),
    warm: () => void (thread ??= start()),
    close: async () => void (await thread?.worker.terminate()),
  };
}
