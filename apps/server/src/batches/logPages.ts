import { setImmediate } from 'node:timers/promises';
import { type BatchRecord, type BatchSummary, batchRecord } from '@kettle-scale/core/batch';
import { type Find, searchSql } from './find';
import type { BatchReader } from './readBatches';
import type { Sql } from './sql';

interface SummaryRow extends Omit<BatchSummary, 'record' | 'cook' | 'phone' | 'begunOffline'> {
  cook: string | null;
  phone: string | null;
  begunOffline: 1 | null;
  /** Null while it runs. */
  record: string | null;
  lastSeq: number | null;
}

/** The record as the log keeps it. */
export function summaryText(record: BatchRecord): string {
  const { lines, ...summary } = record;
  return JSON.stringify(summary);
}

/** The log, a page at a time. */
export function openLogPages(sql: Sql, reader: BatchReader) {
  async function runningRecord(id: string, lastSeq: number): Promise<string> {
    const batch = await reader.take(id, lastSeq);
    if (!batch) throw new Error(`the batch ${id} is gone`);
    if (batch.summary === undefined) await setImmediate();
    return (batch.summary ??= summaryText(batchRecord(batch.plan, batch.fold.state())));
  }

  return {
    /** A page of the log as JSON text, the newest first, without plans and events. */
    listJson: async (find: Find): Promise<string> => {
      const { where, bind } = searchSql(find);
      const rows = await sql.select<SummaryRow>(
        `SELECT b.id, b.startedAt, b.formulaId, b.formulaName, b.formulaVersion, b.flourLotId, b.record,
           b.start ->> '$.cook' AS cook, b.start ->> '$.phone' AS phone, b.start ->> '$.begunOffline' AS begunOffline,
           CASE WHEN b.record IS NULL THEN (SELECT MAX(seq) FROM batch_events WHERE batchId = b.id) END AS lastSeq
         FROM batch_finds f JOIN batches b ON b.id = f.batchId
         ${where} ORDER BY f.startedAt DESC, f.batchId DESC LIMIT $1`,
        bind,
      );
      const texts: string[] = [];
      for (const { record, lastSeq, cook, phone, begunOffline, ...row } of rows) {
        const who = { cook: cook ?? undefined, phone: phone ?? undefined };
        const offline = begunOffline ? { begunOffline: true } : {};
        const head = JSON.stringify({ ...row, ...who, ...offline }).slice(0, -1);
        // Batches that run are in hand, and one is summed up after the other: phones are answered in between.
        texts.push(`${head},"record":${record ?? (await runningRecord(row.id, lastSeq ?? 0))}}`);
      }
      return `[${texts.join(',')}]`;
    },
  };
}
