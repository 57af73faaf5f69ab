import { type Find, searchSql } from './find';
import type { Sql } from './sql';

/** Facts of a batch as they are stored. */
export interface FactsText {
  batchId: string;
  facts: string;
}

/** Batches asked for by their ids in one read. */
const IDS_AT_ONCE = 5000;

/** Reads what batches that are over have to say. */
export const openFactsReader = (sql: Pick<Sql, 'select'>) => ({
  /**
   * Facts of the batches that a search finds, the newest first.
   * @param people whether they say whose work it was: what each step took is of one cook then
   */
  texts: (find: Find, people = true): Promise<FactsText[]> => {
    const { where, bind } = searchSql(find);
    const facts = people ? 'f.facts' : `json_remove(f.facts, '$.cooks', '$.doneBy') AS facts`;
    return sql.select<FactsText>(
      `SELECT f.batchId, ${facts} FROM batch_finds f ${where ? `${where} AND` : 'WHERE'} f.facts IS NOT NULL
       ORDER BY f.startedAt DESC, f.batchId DESC LIMIT $1`,
      bind,
    );
  },

  /** Notes, by batch. */
  notes: async (ids: readonly string[]): Promise<Map<string, string[]>> => {
    const notes = new Map<string, string[]>();
    for (let from = 0; from < ids.length; from += IDS_AT_ONCE) {
      const rows = await sql.select<{ batchId: string; note: string }>(
        `SELECT batchId, COALESCE(document ->> '$.text', document ->> '$.note', document ->> '$.reason') AS note
         FROM batch_events
         WHERE batchId IN (SELECT value FROM json_each($1))
           AND document ->> '$.type' IN ('note', 'finished', 'abandoned') AND note <> '' ORDER BY seq`,
        [JSON.stringify(ids.slice(from, from + IDS_AT_ONCE))],
      );
      for (const { batchId, note } of rows) notes.set(batchId, [...(notes.get(batchId) ?? []), note]);
    }
    return notes;
  },
});
