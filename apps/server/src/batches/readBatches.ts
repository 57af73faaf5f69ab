import { type Batch, type BatchEvent, openFold } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { ENDING } from './ending';
import { type LiveBatch, openLiveBatches } from './liveBatches';
import type { Sql } from './sql';

interface BatchRow {
  id: string;
  startedAt: string;
  flourLotId: string | null;
  cook: string | null;
  phone: string | null;
  plan: string;
  events: string | null;
}

const BATCH_ROW = `SELECT b.id, b.startedAt, b.flourLotId, b.start ->> '$.cook' AS cook, b.start ->> '$.phone' AS phone, b.plan,
  (SELECT group_concat(document) FROM (SELECT document FROM batch_events WHERE batchId = b.id ORDER BY seq)) AS events
  FROM batches b`;

function jsonOf({ id, startedAt, flourLotId, cook, phone, plan, events }: BatchRow): string {
  const who = { cook: cook ?? undefined, phone: phone ?? undefined };
  const head = JSON.stringify({ id, startedAt, flourLotId, ...who }).slice(0, -1);
  return `${head},"plan":${plan},"events":[${events ?? ''}]}`;
}

/** Reads batches with their events; those that are worked on are kept in hand. */
export function openBatchReader(sql: Sql) {
  const live = openLiveBatches();

  const getJson = async (id: string): Promise<string | null> => {
    const [row] = await sql.select<BatchRow>(`${BATCH_ROW} WHERE id = $1`, [id]);
    return row ? jsonOf(row) : null;
  };

  return {
    live,
    getJson,

    get: async (id: string): Promise<Batch | null> => {
      const text = await getJson(id);
      return text ? (JSON.parse(text) as Batch) : null;
    },

    /** Batches in the order of their ids, in one read; those that are gone are left out. */
    getMany: async (ids: readonly string[]): Promise<Batch[]> => {
      const rows = await sql.select<BatchRow>(
        `${BATCH_ROW} JOIN json_each($1) AS asked ON asked.value = b.id ORDER BY asked.key`,
        [JSON.stringify(ids)],
      );
      return rows.map((row) => JSON.parse(jsonOf(row)) as Batch);
    },

    /** A batch in hand, with its acts up to that one at least; it is read when it is not, or when something was added behind our back. */
    take: async (id: string, lastSeq: number): Promise<LiveBatch | null> => {
      const held = live.get(id);
      if (held && held.lastSeq >= lastSeq) return held;
      const [[row], events] = await Promise.all([
        sql.select<{ plan: string }>('SELECT plan FROM batches WHERE id = $1', [id]),
        sql.select<{ seq: number; document: string; receivedAt: string }>(
          'SELECT seq, document, receivedAt FROM batch_events WHERE batchId = $1 ORDER BY seq',
          [id],
        ),
      ]);
      if (!row) return null;
      const heard = events.map(({ document, receivedAt }) => ({
        event: JSON.parse(document) as BatchEvent,
        receivedAt,
      }));
      const end = heard.filter(({ event }) => ENDING.has(event.type)).at(-1);
      const plan = JSON.parse(row.plan) as Plan;
      const told = heard.map(({ event }) => event);
      const batch: LiveBatch = {
        plan,
        events: told,
        fold: openFold(plan, told),
        lastSeq: events.at(-1)?.seq ?? 0,
        endHeardMs: end ? Date.parse(end.receivedAt) : null,
      };
      live.set(id, batch);
      return batch;
    },
  };
}

export type BatchReader = ReturnType<typeof openBatchReader>;
