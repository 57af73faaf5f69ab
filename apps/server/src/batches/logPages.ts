import { setImmediate } from 'node:timers/promises';
import { type BatchRecord, type BatchSummary, batchRecord } from '@kettle-scale/core/batch';
import { LRUCache } from 'lru-cache';
import { type Find, searchSql } from './find';
import type { BatchReader } from './readBatches';
import type { Sql } from './sql';

interface FoundRow {
  id: string;
  /** Its newest act, while it runs; null once it is over. */
  lastSeq: number | null;
}
interface SummaryRow extends Omit<BatchSummary, 'record' | 'cook' | 'phone' | 'begunOffline'> {
  cook: string | null;
  phone: string | null;
  begunOffline: 1 | null;
  /** Null while it runs. */
  record: string | null;
}

/** The record as the log keeps it. */
export function summaryText(record: BatchRecord): string {
  const { lines, ...summary } = record;
  return JSON.stringify(summary);
}

/** Rows of the log that are kept as text, some kilobytes each: what runs, and the pages that are looked at. */
const MOST_KEPT = 2000;
/** So long one after the other is summed up, ms; then phones are answered. */
const AT_ONCE_MS = 3;

/** The log, a page at a time. */
export function openLogPages(sql: Sql, reader: BatchReader) {
  const kept = new LRUCache<string, { lastSeq: number | null; text: string }>({ max: MOST_KEPT });
  /** How often something kept was dropped: what was read before that is not kept any more. */
  let drops = 0;

  async function recordOf(id: string, lastSeq: number): Promise<string> {
    // What is in hand is as new as the disk or newer; to look at a row makes no batch one that is worked on.
    const batch = reader.live.peek(id) ?? (await reader.take(id, lastSeq));
    if (!batch) throw new Error(`the batch ${id} is gone`);
    return summaryText(batchRecord(batch.plan, batch.fold.state()));
  }

  /** Rows of batches as the log shows them, by their ids. */
  async function rowsOf(found: readonly FoundRow[]): Promise<Map<string, string>> {
    if (found.length === 0) return new Map();
    const rows = await sql.select<SummaryRow>(
      `SELECT b.id, b.startedAt, b.formulaId, b.formulaName, b.formulaVersion, b.flourLotId, b.record,
         b.start ->> '$.cook' AS cook, b.start ->> '$.phone' AS phone, b.start ->> '$.begunOffline' AS begunOffline
       FROM json_each($1) AS asked JOIN batches b ON b.id = asked.value`,
      [JSON.stringify(found.map(({ id }) => id))],
    );
    const lastOf = new Map(found.map(({ id, lastSeq }) => [id, lastSeq]));
    const texts = new Map<string, string>();
    let fromMs = performance.now();
    for (const { record, cook, phone, begunOffline, ...row } of rows) {
      const who = { cook: cook ?? undefined, phone: phone ?? undefined };
      const offline = begunOffline ? { begunOffline: true } : {};
      const head = JSON.stringify({ ...row, ...who, ...offline }).slice(0, -1);
      texts.set(row.id, `${head},"record":${record ?? (await recordOf(row.id, lastOf.get(row.id) ?? 0))}}`);
      if (performance.now() - fromMs < AT_ONCE_MS) continue;
      await setImmediate();
      fromMs = performance.now();
    }
    return texts;
  }

  return {
    /** A page of the log as JSON text, the newest first, without plans and events. */
    listJson: async (find: Find): Promise<string> => {
      const before = drops;
      const { where, bind } = searchSql(find);
      const found = await sql.select<FoundRow>(
        `SELECT f.batchId AS id,
           CASE WHEN f.status = 'running' THEN (SELECT COALESCE(MAX(seq), 0) FROM batch_events WHERE batchId = f.batchId) END AS lastSeq
         FROM batch_finds f ${where} ORDER BY f.startedAt DESC, f.batchId DESC LIMIT $1`,
        bind,
      );
      const texts = new Map<string, string>();
      for (const { id, lastSeq } of found) {
        const known = kept.get(id);
        if (known?.lastSeq === lastSeq) texts.set(id, known.text);
      }
      const fresh = await rowsOf(found.filter(({ id }) => !texts.has(id)));
      for (const { id, lastSeq } of found) {
        const text = fresh.get(id);
        if (text === undefined) continue;
        texts.set(id, text);
        if (drops === before) kept.set(id, { lastSeq, text });
      }
      return `[${found.flatMap(({ id }) => texts.get(id) ?? []).join(',')}]`;
    },

    /** The row of a batch is another now; of all of them, where none is named. */
    dropRow: (id?: string): void => {
      drops += 1;
      if (id === undefined) kept.clear();
      else kept.delete(id);
    },
  };
}
