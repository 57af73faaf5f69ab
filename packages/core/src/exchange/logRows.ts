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

/**
 * The log as a table: a row a batch, units in the heads. Cells that a spreadsheet would run as a formula are made text.
 * @param rows rows of the log
 * @param cookName what a cook is called, by id
 */
export function logCsv(rows: readonly LogRow[], cookName: (id: string) => string = (id) => id): string {
  const data = rows.map((row) => Object.values(COLUMNS).map((of) => of(row, cookName)));
  const table = { fields: Object.keys(COLUMNS), data };
  return `${Papa.unparse(table, { escapeFormulae: true, newline: '\n' })}\n`;
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
