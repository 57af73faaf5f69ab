import type { Database } from '../db/openDatabase';
import { openFacts } from './facts';
import { openLogPages } from './logPages';
import { openBatchReader } from './readBatches';
import { openSql } from './sql';
import { openBatchWriter } from './writeBatches';

/**
 * Batches and their events.
 * @param demo in a kitchen that is made up as a whole, made-up readings teach too
 */
export function openBatchStore(database: Database, demo = false) {
  const sql = openSql(database);
  const reader = openBatchReader(sql);
  const { listJson, dropRow } = openLogPages(sql, reader);
  return {
    listJson,
    getJson: reader.getJson,
    get: reader.get,
    ...openBatchWriter(sql, reader, database.write, { demo, turned: dropRow }),
    ...openFacts(sql, reader, database.write),

    /** Pieces of a batch in hand that lie over heat now: none once it is over. */
    onPlate: (id: string): number[] => {
      const batch = reader.live.get(id);
      if (!batch) return [];
      const state = batch.fold.state();
      return state.status === 'running' ? state.onPlate.map(({ piece }) => piece) : [];
    },

    /** Forgets what is held in memory: after a restore everything is read again. */
    forget: (): void => {
      reader.live.clear();
      dropRow();
    },
  };
}

export type BatchStore = ReturnType<typeof openBatchStore>;
