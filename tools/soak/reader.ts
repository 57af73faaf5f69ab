// What screens look at while phones work, asked by a process of its own, so that nothing of the load it is measured in is its
// own: node tools/run.mjs soak/reader URL SECONDS; prints what each took, ms, as JSON.
import { openPhone } from './phone';
import { READS, type Took } from './reads';

const [, , url = '', seconds = '0'] = process.argv;
const MS_PER_S = 1000;
const startMs = performance.now();
const untilMs = startMs + Number(seconds) * MS_PER_S;
const phone = () =>
  openPhone({ url, rate: 1, formula: { id: '', ballG: 0 }, pieces: 1, told: () => undefined });

/** The batches that run, as the list last had them. */
let running: { id: string }[] = [];

/** Reads what a screen looks at, in its own time, over a connection of its own. */
async function look({ path, everyS }: (typeof READS)[number]): Promise<[string, number[]]> {
  const { read, close } = phone();
  const tookMs: number[] = [];
  for (let n = 1; ; n += 1) {
    const dueMs = startMs + n * everyS * MS_PER_S;
    if (dueMs > untilMs) break;
    if (performance.now() < dueMs)
      await new Promise((resolve) => setTimeout(resolve, dueMs - performance.now()));
    const from = performance.now();
    const text = await read(path.replace(':running', running[n % running.length]?.id ?? ''));
    tookMs.push(performance.now() - from);
    if (path === READS[0].path) running = JSON.parse(text) as { id: string }[];
  }
  close();
  return [path, tookMs];
}

const took: Took = Object.fromEntries(await Promise.all(READS.map(look)));
process.stdout.write(JSON.stringify(took));
