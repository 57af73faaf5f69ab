// Measures the bars of the product and prints them: npm run bench [-- --quick]
import { mkdirSync } from 'node:fs';
import { cpus } from 'node:os';
import { join } from 'node:path';
import { benchApi } from './bench/api';
import { benchBook } from './bench/book';
import { benchCore } from './bench/core';
import { benchGriddle } from './bench/griddle';
import { benchGriddlePage } from './bench/griddlePage';
import { benchBench } from './bench/liveBench';
import { benchFirstLoad } from './bench/firstLoad';
import { benchShift } from './bench/shift';
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
const rows: Measured[] = [
  ...benchCore(),
  ...benchShift(),
  ...(await benchGriddle()),
  ...(await benchGriddlePage()),
  ...(await benchShiftPage()),
  ...(await benchFirstLoad()),
  ...(await benchBook()),
  ...(await benchBench()),
  ...(await benchApi(quick)),
];
const width = Math.max(...rows.map(({ what }) => what.length));
for (const { what, value, bar, holds } of rows) {
  process.stdout.write(
    `${what.padEnd(width)}  ${value.padStart(12)}  bar ${bar.padEnd(10)} ${holds ? 'holds' : 'MISSED'}\n`,
  );
}
process.exitCode = rows.every(({ holds }) => holds) ? 0 : 1;
