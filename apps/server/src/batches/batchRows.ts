import {
  type BatchEvent,
  type BatchRecord,
  type BatchStart,
  batchRecord,
  foldBatch,
  isSimulated,
} from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import type { Transaction } from 'sequelize';
import { keepFind } from './facts';
import type { LiveBatch } from './liveBatches';
import { summaryText } from './logPages';
import type { Sql } from './sql';

/** Flour of the lot that a plan asks for, of a batch whose record does not say. */
const PLANNED_LOT_FLOUR = `
  SELECT SUM(line.value ->> 'massG') * ($9 ->> '$.bowls')
  FROM json_each($9, '$.sheet') AS line, flour_lots AS lot
  WHERE lot.id = $6 AND line.value ->> 'ingredient' = lot.ingredientId`;
const INSERT_EVENT = 'INSERT INTO batch_events (id, batchId, document, receivedAt) VALUES ($1, $2, $3, $4)';

/**
 * The rows of a batch: its head, its events, what it is found by; each change in one transaction.
 * @param turned told of a batch whose row is another now
 */
export function batchRows(sql: Sql, demo: boolean, turned: (id: string) => void) {
  /** Points that a batch teaches its flour lot: none while it runs, was given up, or was made up. */
  const pointsOf = (events: readonly BatchEvent[], record: BatchRecord): number | null =>
    record.status === 'finished' && (demo || !events.some(isSimulated)) ? (record.lotPoints ?? null) : null;

  /** How often a batch that is over was added or changed, or one became over or not. */
  let turns = 0;

  async function insert(
    start: BatchStart,
    plan: Plan,
    events: BatchEvent[],
    transaction: Transaction,
    receivedAt: readonly string[] = events.map(({ at }) => at),
  ): Promise<void> {
    const state = foldBatch(plan, events);
    const record = batchRecord(plan, state);
    const { id, at, formulaId, formulaVersion, flourLotId = null } = start;
    const over = record.status !== 'running';
    if (over) turns += 1;
    await sql.run(
      `INSERT INTO batches (id, startedAt, formulaId, formulaName, formulaVersion, flourLotId, status, start, plan, record, lotFlourG, lotPoints)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, COALESCE($11, (${PLANNED_LOT_FLOUR})), $12)`,
      [
        ...[id, at, formulaId, plan.formula.name, formulaVersion, flourLotId, record.status],
        ...[JSON.stringify(start), JSON.stringify(plan), over ? summaryText(record) : null],
        ...[record.lotFlourG ?? null, pointsOf(events, record)],
      ],
      transaction,
    );
    const batch = { id, startedAt: at, plan, flourLotId, events };
    await keepFind(sql, batch, state, record, transaction);
    if (events.length === 0) return;
    await sql.run(
      `INSERT INTO batch_events (id, batchId, document, receivedAt)
       SELECT e.value ->> 'id', $1, e.value, r.value
       FROM json_each($2) AS e JOIN json_each($3) AS r ON r.key = e.key ORDER BY e.key`,
      [id, JSON.stringify(events), JSON.stringify(receivedAt)],
      transaction,
    );
  }

  /**
   * Stores the newest event of a batch in hand, which ends it, takes its end back or comes after it: it changes the row of the
   * batch in the same transaction.
   */
  async function store(id: string, event: BatchEvent, receivedAt: string, batch: LiveBatch): Promise<number> {
    turns += 1;
    const row = [event.id, id, JSON.stringify(event), receivedAt];
    const { plan, events, fold } = batch;
    const state = fold.state();
    const record = batchRecord(plan, state);
    const [head] = await sql.select<{ startedAt: string; flourLotId: string | null }>(
      'SELECT startedAt, flourLotId FROM batches WHERE id = $1',
      [id],
    );
    if (!head) throw new Error(`the batch ${id} is gone`);
    const stored = await sql.transaction(async (transaction) => {
      const seq = await sql.insert(INSERT_EVENT, row, transaction);
      const kept = record.status === 'running' ? null : summaryText(record);
      await sql.run(
        `UPDATE batches SET status = $1, record = $2, lotFlourG = COALESCE($4, lotFlourG), lotPoints = $5
         WHERE id = $3`,
        [record.status, kept, id, record.lotFlourG ?? null, pointsOf(events, record)],
        transaction,
      );
      await keepFind(sql, { id, ...head, plan, events }, state, record, transaction);
      return seq;
    });
    // What was read while it was on its way is old again.
    turns += 1;
    turned(id);
    return stored;
  }

  return { insert, store, turns: () => turns };
}
