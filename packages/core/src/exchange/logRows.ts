import Papa from 'papaparse';
import { mean, sampleStandardDeviation } from 'simple-statistics';
import type { BatchFacts } from '../log/factsSchema';
import { LOG_FORMAT, type LogDocument, type LogRow } from '../log/logSchema';

const PERCENT = 100;
const round = (value: number | null, decimals: number): number | '' =>
  value === null ? '' : Number(value.toFixed(decimals));
const percent = (share: number | null, decimals = 2) =>
  round(share === null ? null : share * PERCENT, decimals);

/** Every column with its unit in its name. */
const COLUMNS: Record<string, (row: LogRow, cookName: (id: string) => string) => string | number> = {
  batch: ({ batchId }) => batchId,
  started: ({ startedAt }) => startedAt,
  formula: ({ formulaName }) => formulaName,
  version: ({ formulaVersion }) => formulaVersion,
  'flour lot': ({ lotId }) => lotId ?? '',
  status: ({ status }) => status,
  'pieces planned': ({ pieces }) => pieces.planned,
  'pieces made': ({ pieces }) => pieces.made ?? '',
  'good pieces': ({ pieces }) => pieces.good ?? '',
  rejects: ({ rejects }) =>
    Object.entries(rejects)
      .map(([reason, count]) => `${reason} ${count}`)
      .join('; '),
  'dough planned g': ({ doughG }) => round(doughG.planned, 1),
  'dough mixed g': ({ doughG }) => round(doughG.mixed, 1),
  'dough weighed g': ({ doughG }) => round(doughG.weighed, 1),
  'hydration planned %': ({ hydration }) => percent(hydration.planned),
  'hydration actual %': ({ hydration }) => percent(hydration.actual),
  'water beyond formula points': ({ waterPoints }) => round(waterPoints, 2),
  'bowl loss %': ({ bowlLoss }) => percent(bowlLoss),
  'bench loss %': ({ benchLoss }) => percent(benchLoss),
  'rest min': ({ restMin }) => round(restMin, 1),
  'spring-back %': ({ springBack }) => percent(springBack.seen, 1),
  'ball target g': ({ balls }) => round(balls.targetG, 1),
  'ball mean g': ({ balls }) => round(balls.massesG.length > 0 ? mean(balls.massesG) : null, 2),
  'ball spread g': ({ balls }) =>
    round(balls.massesG.length > 1 ? sampleStandardDeviation(balls.massesG) : null, 2),
  'disc mean mm': ({ discs }) => round(discs.diametersMm.length > 0 ? mean(discs.diametersMm) : null, 1),
  'left over g': ({ leftoverG }) => round(leftoverG, 1),
  'cost per piece': ({ costPerPiece }) => round(costPerPiece, 4),
  notes: ({ notes }) => notes.join(' | '),
  cooks: ({ cooks = [] }, cookName) => cooks.map(cookName).join('; '),
};

/** Rows that are written out before somebody else may be served. */
const ROWS_AT_ONCE = 20;

/**
 * The log as a table, written some rows at a time: a row a batch, units in the heads. Cells that a spreadsheet would run as a formula are made text.
 * @param rows rows of the log
 * @param cookName what a cook is called, by id
 */
export function* logCsvInSlices(
  rows: readonly LogRow[],
  cookName: (id: string) => string = (id) => id,
): Generator<void, string> {
  const fields = Object.keys(COLUMNS);
  const unparse = (data: unknown[][]) => Papa.unparse(data, { escapeFormulae: true, newline: '\n' });
  const parts = [unparse([fields])];
  for (let from = 0; from < rows.length; from += ROWS_AT_ONCE) {
    const some = rows.slice(from, from + ROWS_AT_ONCE);
    parts.push(unparse(some.map((row) => Object.values(COLUMNS).map((of) => of(row, cookName)))));
    yield;
  }
  return `${parts.join('\n')}\n`;
}

/** The same at once; see `logCsvInSlices`. */
export function logCsv(rows: readonly LogRow[], cookName?: (id: string) => string): string {
  const work = logCsvInSlices(rows, cookName);
  let step = work.next();
  while (!step.done) step = work.next();
  return step.value;
}

/**
 * The log as a document.
 * @param rows rows of the log
 * @param exportedAt when it was written, ISO 8601 in UTC
 */
export const logDocument = (rows: readonly LogRow[], exportedAt: string): LogDocument => ({
  format: LOG_FORMAT,
  formatVersion: 1,
  exportedAt,
  batches: [...rows],
});

/**
 * Facts and notes as a row of the log.
 * @param facts facts of the batch
 * @param notes what was written down
 */
export const logRow = (facts: BatchFacts, notes: readonly string[]): LogRow => ({
  ...facts,
  notes: [...notes],
});
