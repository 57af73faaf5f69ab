import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { type Remote, wrap } from 'comlink';
import { pipeEndpoint } from './endpoint';
import type { AsideWork } from './work';

/** Room for five years of batches; who may take gigabytes collects its garbage late. */
const MOST_MB = 768;
const BOOT = fileURLToPath(new URL('./boot.mjs', import.meta.url));

interface Helper {
  child: ChildProcess;
  work: Remote<AsideWork>;
  /** Fails when the helper is gone: it could not answer then. */
  gone: Promise<never>;
}

export interface AsideHelper extends AsideWork {
  /** Starts it before it is asked: that takes a second or two. */
  warm: () => void;
  close: () => Promise<void>;
}

/**
 * The long work in a process of its own, so that no cook waits for it, and none loses the server when it is short of memory or
 * ended in the middle: a thread that ends while SQLite reads for it takes the whole process along. It is started when it is
 * warmed or first asked, and again after it was lost.
 * @param file the kitchen's file, up to date
 */
export function openAsideHelper(file: string): AsideHelper {
  let helper: Helper | null = null;

  function start(): Helper {
    const child = fork(BOOT, [file], {
      execArgv: [`--max-old-space-size=${MOST_MB}`],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    // A server that stops does not wait for it.
    child.unref();
    child.channel?.unref();
    const gone = new Promise<never>((_resolve, reject) => {
      child.on('error', reject);
      child.once('exit', () => {
        if (helper?.child === child) helper = null;
        reject(new Error('the helper of the long work ended'));
      });
    });
    // Nobody may be waiting for it.
    gone.catch(() => undefined);
    return { child, gone, work: wrap<AsideWork>(pipeEndpoint(child)) };
  }

  const ask = <T>(question: (work: Remote<AsideWork>) => Promise<T>): Promise<T> => {
    helper ??= start();
    return Promise.race([question(helper.work), helper.gone]);
  };

  return {
    lessons: (asked) => ask((work) => work.lessons(asked)),
    log: (asked) => ask((work) => work.log(asked)),
    warm: () => void (helper ??= start()),
    close: async () => {
      if (!helper) return;
      const ended = once(helper.child, 'exit');
      helper.child.kill('SIGKILL');
      await ended;
    },
  };
}
