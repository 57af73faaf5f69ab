// Runs in a worker of the browser, bundled: tells the median time of one bake there, ms.
import { BASE_CASE } from '@kettle-scale/simulation';
import { bake } from '@kettle-scale/core/bake';

const RUNS = 1500;
/** The clock of a browser is too coarse for one. */
const AT_ONCE = 5;

const eachMs = (): number => {
  const start = performance.now();
  for (let i = 0; i < AT_ONCE; i += 1) bake(BASE_CASE);
  return (performance.now() - start) / AT_ONCE;
};
// Once more before it counts, so that the engine has compiled it.
for (let i = 0; i < RUNS / 5; i += 1) eachMs();
const all = Array.from({ length: RUNS }, eachMs).sort((a, b) => a - b);
(globalThis as unknown as { postMessage: (ms: number | undefined) => void }).postMessage(all[RUNS / 2]);
