import { setImmediate, setTimeout } from 'node:timers/promises';

/** An act takes several turns of the loop, and each of them may wait for a slice. */
const SLICE_MS = 2;
/** A turn that takes longer than this had somebody else's work in it, who is then left alone for a while. */
const BUSY_MS = 0.5;
const LEFT_ALONE_MS = 6;

/**
 * Works through something long a little at a time, and answers whoever asks in between: quickly while nobody does, and mostly
 * waiting while many do.
 * @param work yields where it may be interrupted
 * @returns what the work comes to
 */
export async function inSlices<T>(work: Generator<unknown, T>): Promise<T> {
  for (let until = performance.now() + SLICE_MS; ;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    const from = performance.now();
    await setImmediate();
    if (performance.now() - from > BUSY_MS) await setTimeout(LEFT_ALONE_MS);
    until = performance.now() + SLICE_MS;
  }
}
