import type { Batch, BatchEvent, BatchStart } from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import type { Database } from '../db/openDatabase';
import { type Stored, isSame, openAppender } from './appendTogether';
import { batchRows } from './batchRows';
import type { BatchReader } from './readBatches';
import type { Sql } from './sql';

/** Starts batches and adds their events, each once however often it is sent. Events are only ever added. */
export function openBatchWriter(
  sql: Sql,
  reader: BatchReader,
  write: Database['write'],
  { demo, turned }: { demo: boolean; turned: (id: string) => void },
) {
  const { insert, store, turns } = batchRows(sql, demo, turned);
  return {
    /** Starts a batch once, however often the same start is sent. */
    start: (start: BatchStart, plan: Plan): Promise<Stored<Batch>> =>
      write(async (transaction): Promise<Stored<Batch>> => {
        const [known] = await sql.select<{ start: string }>('SELECT start FROM batches WHERE id = $1', [
          start.id,
        ]);
        if (known && !isSame(known.start, start)) return { outcome: 'clash' };
        const stored = known ? await reader.get(start.id) : null;
        if (stored) return { outcome: 'same', value: stored };
        await insert(start, plan, [], transaction);
        const { id, at, cook, phone, flourLotId = null } = start;
        return { outcome: 'new', value: { id, startedAt: at, cook, phone, plan, flourLotId, events: [] } };
      }),

    /** Adds an event once, however often it is sent. */
    append: openAppender(sql, reader, write, { store }),

    /** How often the record of a batch has changed since the start. */
    turns,

    /** For a restore: inserts a batch with its history inside of a transaction that is open. */
    insertIn: insert,

    /** Stores a batch with its whole history, as the demo does. */
    insertWhole: async (start: BatchStart, plan: Plan, events: BatchEvent[]): Promise<void> => {
      await write((transaction) => insert(start, plan, events, transaction));
    },
  };
}
