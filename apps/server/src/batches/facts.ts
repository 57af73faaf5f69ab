import type { LoggedPiece } from '@kettle-scale/core/bake';
import {
  type Batch,
  type BatchRecord,
  type BatchState,
  batchRecord,
  foldBatch,
} from '@kettle-scale/core/batch';
import { batchFacts, loggedPieces } from '@kettle-scale/core/log';
import type { Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';
import { type Find, findOf } from './find';
import type { BatchReader } from './readBatches';
import { openFactsReader } from './readFacts';
import type { Sql } from './sql';

/** Facts worked out between two looks at the clock. */
const FILLED_AT_ONCE = 50;

/** The search index row of a batch, and what it has to say once it is over. */
export async function keepFind(
  sql: Sql,
  batch: Batch,
  state: BatchState,
  record: BatchRecord,
  transaction: Transaction,
): Promise<void> {
  const facts = record.status === 'running' ? null : JSON.stringify(batchFacts(batch, state));
  await sql.run(
    `INSERT INTO batch_finds (batchId, startedAt, formulaId, lotId, status, goodShare, words, facts)
     VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
     ON CONFLICT (batchId) DO UPDATE SET
       status = excluded.status, goodShare = excluded.goodShare, words = excluded.words, facts = excluded.facts`,
    [...findOf(batch, state, record), facts],
    transaction,
  );
}

/** What batches have to say: facts for charts and lessons, pieces for a calibration. */
export function openFacts(sql: Sql, reader: BatchReader, write: Database['write']) {
  const facts = openFactsReader(sql);

  /** Batches that an older program finished have no facts yet: works them out, some at a time, so that phones are not kept waiting. */
  async function fillFacts(): Promise<void> {
    for (;;) {
      const missing = await sql.select<{ batchId: string }>(
        "SELECT batchId FROM batch_finds WHERE facts IS NULL AND status <> 'running' LIMIT $1",
        [FILLED_AT_ONCE],
      );
      if (missing.length === 0) return;
      for (const batch of await reader.getMany(missing.map(({ batchId }) => batchId))) {
        const state = foldBatch(batch.plan, batch.events);
        const record = batchRecord(batch.plan, state);
        await write((transaction) => keepFind(sql, batch, state, record, transaction));
      }
    }
  }

  return {
    fillFacts,

    /** Facts of the batches that a search finds, as JSON text, the newest first; those of older programs are worked out first. */
    factsJson: async (find: Find, people: boolean): Promise<string> => {
      await fillFacts();
      const rows = await facts.texts(find, people);
      return `[${rows.map((row) => row.facts).join(',')}]`;
    },

    /** Pieces of a formula that a calibration can use, from its newest batches. */
    griddlePieces: async (formulaId: string, batches: number, demo: boolean): Promise<LoggedPiece[]> => {
      const rows = await sql.select<{ batchId: string }>(
        'SELECT batchId FROM batch_finds WHERE formulaId = $1 ORDER BY startedAt DESC, batchId DESC LIMIT $2',
        [formulaId, batches],
      );
      const found = await reader.getMany(rows.map(({ batchId }) => batchId));
      return found.flatMap(({ plan, events }) => loggedPieces(plan, foldBatch(plan, events), demo));
    },
  };
}
