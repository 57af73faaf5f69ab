import {
  type Batch,
  type BatchEvent,
  type BatchStart,
  type Refusal,
  refuseEvent,
} from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { isDeepStrictEqual } from 'node:util';
import type { Database } from '../db/openDatabase';
import { batchRows } from './batchRows';
import { ENDING } from './ending';
import type { BatchReader } from './readBatches';
import type { Sql } from './sql';

/** What became of something a client sent: stored, seen before and the same, or the id used for something else. */
export type Stored<T> = { outcome: 'new' | 'same'; value: T } | { outcome: 'clash' };
export type Appended =
  Stored<BatchEvent> | { outcome: 'no-batch' } | { outcome: 'refused'; refusal: Refusal };

/** Starts batches and adds their events, each once however often it is sent. Events are only ever added. */
export function openBatchWriter(sql: Sql, reader: BatchReader, write: Database['write'], demo: boolean) {
  const { insert, store, seenBefore } = batchRows(sql, demo);
  return {
    /** Starts a batch once, however often the same start is sent. */
    start: (start: BatchStart, plan: Plan): Promise<Stored<Batch>> =>
      write(async (transaction): Promise<Stored<Batch>> => {
        const [known] = await sql.select<{ start: string }>('SELECT start FROM batches WHERE id = $1', [
          start.id,
        ]);
        if (known && !isDeepStrictEqual(JSON.parse(known.start), start)) return { outcome: 'clash' };
        const stored = known ? await reader.get(start.id) : null;
        if (stored) return { outcome: 'same', value: stored };
        await insert(start, plan, [], transaction);
        const { id, at, flourLotId = null } = start;
        return { outcome: 'new', value: { id, startedAt: at, plan, flourLotId, events: [] } };
      }),

    /** Adds an event once, however often it is sent. */
    append: (batchId: string, event: BatchEvent, receivedAt: string): Promise<Appended> =>
      write.alone(async (): Promise<Appended> => {
        const found = await seenBefore(batchId, event.id);
        if (found?.known) {
          const same = found.knownBatch === batchId && isDeepStrictEqual(JSON.parse(found.known), event);
          return same ? { outcome: 'same', value: event } : { outcome: 'clash' };
        }
        const batch = await reader.take(batchId, found?.last ?? 0);
        if (!batch) return { outcome: 'no-batch' };
        const refusal = refuseEvent(batch.plan, batch.events, event, batch.endHeardMs);
        if (refusal) return { outcome: 'refused', refusal };
        const lastSeq = await store(batchId, event, receivedAt, batch);
        const endHeardMs = ENDING.has(event.type) ? Date.parse(receivedAt) : batch.endHeardMs;
        reader.live.set(batchId, { plan: batch.plan, events: [...batch.events, event], lastSeq, endHeardMs });
        return { outcome: 'new', value: event };
      }),

    /** For a restore: inserts a batch with its history inside of a transaction that is open. */
    insertIn: insert,

    /** Stores a batch with its whole history, as the demo does. */
    insertWhole: async (start: BatchStart, plan: Plan, events: BatchEvent[]): Promise<void> => {
      await write((transaction) => insert(start, plan, events, transaction));
    },
  };
}
