import { type ChildProcess, fork } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { type Remote, wrap } from 'comlink';
import { ONE_CLEARS_UP } from '../engine';
import { openEnd } from '../untilEnd';
import { pipeEndpoint } from './endpoint';
import type { AsideWork } from './work';

/** Room for five years of batches; who may take gigabytes collects its garbage late. */
const MOST_MB = 768;
const PROGRAM = fileURLToPath(new URL('./helper.mjs', import.meta.url));

interface Helper {
  child: ChildProcess;
  work: Remote<AsideWork>;
  /** An answer, unless the helper is gone: it cannot come then. */
  whileHere: <T>(answer: Promise<T>) => Promise<T>;
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
    const child = fork(PROGRAM, [file], {
      execArgv: [`--max-old-space-size=${MOST_MB}`, ONE_CLEARS_UP],
      serialization: 'advanced',
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    });
    // A server that stops does not wait for it.
    child.unref();
    child.channel?.unref();
    const { before, end } = openEnd();
    const lost = (why: Error): void => {
      if (helper?.child === child) helper = null;
      end(why);
    };
    child.once('error', lost);
    child.once('exit', () => lost(new Error('the helper of the long work ended')));
    return { child, whileHere: before, work: wrap<AsideWork>(pipeEndpoint(child)) };
  }

  function ask<T>(question: (work: Remote<AsideWork>) => Promise<T>): Promise<T> {
    const { work, whileHere } = (helper ??= start());
    return whileHere(question(work));
  }

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
