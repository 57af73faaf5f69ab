import type { BatchSummary } from './recordSchema';

/** Starts of one formula and amount that lie so close may be one plan that two phones began, ms (assumption). */
const CLOSE_MS = 45 * 60_000;

const mayBeOne = (a: BatchSummary, b: BatchSummary): boolean =>
  a.formulaId === b.formulaId &&
  a.record.piecesPlanned === b.record.piecesPlanned &&
  Math.abs(Date.parse(a.startedAt) - Date.parse(b.startedAt)) <= CLOSE_MS &&
  a.phone !== undefined &&
  b.phone !== undefined &&
  a.phone !== b.phone &&
  (a.begunOffline === true || b.begunOffline === true);

/**
 * Batches that two phones began, at least one of them without a network and so without knowing of the other. Both are kept:
 * the cooks know which dough is on the bench.
 * @param running batches that are running
 * @returns batch id → the other one
 */
export const begunTwice = (running: readonly BatchSummary[]): Map<string, BatchSummary> =>
  new Map(
    running.flatMap((one) => {
      const other = running.find((candidate) => candidate.id !== one.id && mayBeOne(one, candidate));
      return other ? [[one.id, other] as const] : [];
    }),
  );
