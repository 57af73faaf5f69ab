// Measures the bars of the product and prints them: npm run bench [-- --quick]
import { mkdirSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { benchApi } from './bench/api';
import { benchBook } from './bench/book';
import { runBundled } from './bench/bundled';
import { benchGriddlePage } from './bench/griddlePage';
import { benchBench } from './bench/liveBench';
import { benchFirstLoad } from './bench/firstLoad';
import { benchShiftPage } from './bench/shiftPage';
import { ROOT } from './install.mjs';

export interface Measured {
  what: string;
  value: string;
  bar: string;
  holds: boolean;
}

const quick = process.argv.includes('--quick');
mkdirSync(join(ROOT, '.cache'), { recursive: true });
process.stdout.write(
  `${cpus().length} × ${cpus()[0]?.model ?? 'unknown processor'}, Node.js ${process.version}\n`,
);
/** What is measured, part by part. */
const PARTS: readonly (() => Measured[] | Promise<Measured[]>)[] = [
  () => runBundled('core.ts'),
  () => runBundled('shift.ts'),
  () => runBundled('griddleRun.ts'),
  benchGriddlePage,
  benchShiftPage,
  benchFirstLoad,
  benchBook,
  benchBench,
  () => benchApi(quick),
];
const WIDTH = 100;
let missed = 0;
for (const part of PARTS)
  for (const { what, value, bar, holds } of await part()) {
    missed += holds ? 0 : 1;
    process.stdout.write(
      `${what.padEnd(WIDTH)}  ${value.padStart(12)}  bar ${bar.padEnd(10)} ${holds ? 'holds' : 'MISSED'}\n`,
    );
  }
process.exitCode = missed === 0 ? 0 : 1;
