import { setImmediate } from 'node:timers/promises';

/** Phones that act meanwhile wait for no longer than this. */
const SLICE_MS = 8;

/**
 * Works through something long a little at a time, and answers whoever asks in between.
 * @param work yields where it may be interrupted
 * @returns what the work comes to
 */
export async function inSlices<T>(work: Generator<unknown, T>): Promise<T> {
  for (let until = performance.now() + SLICE_MS; ;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() < until) continue;
    await setImmediate();
    until = performance.now() + SLICE_MS;
  }
}
