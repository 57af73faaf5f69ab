import type { LoggedPiece } from '@kettle-scale/core/bake';
import { loggedPieces, batchFacts } from '@kettle-scale/core/log';
import { isDeepStrictEqual } from 'node:util';
import {
  type Batch,
  type BatchEvent,
  type BatchRecord,
  type BatchStart,
  type BatchState,
  type BatchSummary,
  type Refusal,
  batchRecord,
  foldBatch,
  isSimulated,
  refuseEvent,
} from '@kettle-scale/core/batch';
import type { Plan } from '@kettle-scale/core/plan';
import { QueryTypes, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';
import { type Find, findOf, searchSql } from './find';
import { type LiveBatch, openLiveBatches } from './liveBatches';

/** What became of something a client sent: stored, seen before and the same, or the id used for something else. */
export type Stored<T> = { outcome: 'new' | 'same'; value: T } | { outcome: 'clash' };
export type Appended =
  Stored<BatchEvent> | { outcome: 'no-batch' } | { outcome: 'refused'; refusal: Refusal };

interface SummaryRow extends Omit<BatchSummary, 'record'> {
  /** Null while it runs. */
  record: string | null;
  lastSeq: number | null;
}

const ENDING: ReadonlySet<BatchEvent['type']> = new Set(['finished', 'abandoned']);
/** Acts after which a batch may be over, or no longer over. */
const TURNING: ReadonlySet<BatchEvent['type']> = new Set([...ENDING, 'void']);

/** Facts worked out between two looks at the clock. */
const FILLED_AT_ONCE = 50;

/** Flour of the lot that a plan asks for, of a batch whose record does not say. */
const PLANNED_LOT_FLOUR = `
  SELECT SUM(line.value ->> 'massG') * ($9 ->> '$.bowls')
  FROM json_each($9, '$.sheet') AS line, flour_lots AS lot
  WHERE lot.id = $6 AND line.value ->> 'ingredient' = lot.ingredientId`;

/** The record as the log keeps it. */
function summaryText(record: BatchRecord): string {
  const { lines, ...summary } = record;
  return JSON.stringify(summary);
}

/**
 * Batches and their events. Events are only ever added. The SQL is written out, because these are the addresses
 * that phones ask all day: stored JSON goes out as it is, and an act costs one insert.
 */
export function openBatchStore({ sequelize, write }: Database, demo = false) {
  const live = openLiveBatches();

  const select = <T extends object>(sql: string, bind: unknown[]): Promise<T[]> =>
    sequelize.query<T>(sql, { bind, type: QueryTypes.SELECT });
  const run = (sql: string, bind: unknown[], transaction?: Transaction) =>
    sequelize.query(sql, { bind, ...(transaction ? { transaction } : {}) });

  /** Reads a batch into hand, or finds it there if nothing was added behind our back. */
  async function take(id: string, lastSeq: number): Promise<LiveBatch | null> {
    const held = live.get(id);
    if (held?.lastSeq === lastSeq) return held;
    const [[row], events] = await Promise.all([
      select<{ plan: string }>('SELECT plan FROM batches WHERE id = $1', [id]),
      select<{ document: string; receivedAt: string }>(
        'SELECT document, receivedAt FROM batch_events WHERE batchId = $1 ORDER BY seq',
        [id],
      ),
    ]);
    if (!row) return null;
    let endHeardMs = Infinity;
    const batch: LiveBatch = {
      plan: JSON.parse(row.plan) as Plan,
      events: events.map(({ document, receivedAt }) => {
        const event = JSON.parse(document) as BatchEvent;
        if (ENDING.has(event.type)) endHeardMs = Date.parse(receivedAt);
        return event;
      }),
      lastSeq,
      endHeardMs,
    };
    live.set(id, batch);
    return batch;
  }

  async function runningRecord(id: string, lastSeq: number): Promise<string> {
    const batch = await take(id, lastSeq);
    if (!batch) throw new Error(`the batch ${id} is gone`);
    return (batch.summary ??= summaryText(batchRecord(batch.plan, foldBatch(batch.plan, batch.events))));
  }

  async function getJson(id: string): Promise<string | null> {
    const [row] = await select<{
      startedAt: string;
      flourLotId: string | null;
      plan: string;
      events: string | null;
    }>(
      `SELECT startedAt, flourLotId, plan,
         (SELECT group_concat(document) FROM (SELECT document FROM batch_events WHERE batchId = b.id ORDER BY seq)) AS events
       FROM batches b WHERE id = $1`,
      [id],
    );
    if (!row) return null;
    const head = JSON.stringify({ id, startedAt: row.startedAt, flourLotId: row.flourLotId }).slice(0, -1);
    return `${head},"plan":${row.plan},"events":[${row.events ?? ''}]}`;
  }

  const get = async (id: string): Promise<Batch | null> => {
    const text = await getJson(id);
    return text ? (JSON.parse(text) as Batch) : null;
  };

  /** Points that a batch teaches its flour lot: none while it runs, was given up, or was made up. */
  const pointsOf = (events: readonly BatchEvent[], record: BatchRecord): number | null =>
    record.status === 'finished' && (demo || !events.some(isSimulated)) ? (record.lotPoints ?? null) : null;

  /** What the log finds a batch by, and what it has to say once it is over. */
  async function keepFind(
    batch: Batch,
    state: BatchState,
    record: BatchRecord,
    transaction: Transaction,
  ): Promise<void> {
    const facts = record.status === 'running' ? null : JSON.stringify(batchFacts(batch, state));
    await run(
      `INSERT INTO batch_finds (batchId, startedAt, formulaId, lotId, status, goodShare, words, facts)
       VALUES ($1, $2, $3, $4, $5, $6, $7, $8)
       ON CONFLICT (batchId) DO UPDATE SET
         status = excluded.status, goodShare = excluded.goodShare, words = excluded.words, facts = excluded.facts`,
      [...findOf(batch, state, record), facts],
      transaction,
    );
  }

  async function insert(
    start: BatchStart,
    plan: Plan,
    events: BatchEvent[],
    transaction: Transaction,
    receivedAt: readonly string[] = events.map(({ at }) => at),
  ) {
    const state = foldBatch(plan, events);
    const record = batchRecord(plan, state);
    const { id, at, formulaId, formulaVersion, flourLotId = null } = start;
    const over = record.status !== 'running';
    await run(
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
    await keepFind(batch, state, record, transaction);
    if (events.length > 0) {
      await run(
        `INSERT INTO batch_events (id, batchId, document, receivedAt)
         SELECT e.value ->> 'id', $1, e.value, r.value
         FROM json_each($2) AS e JOIN json_each($3) AS r ON r.key = e.key ORDER BY e.key`,
        [id, JSON.stringify(events), JSON.stringify(receivedAt)],
        transaction,
      );
    }
  }

  /** Stores an event; one that ends a batch, or takes its end back, changes the batch in the same transaction. */
  async function store(id: string, event: BatchEvent, receivedAt: string, batch: LiveBatch): Promise<number> {
    const sql = 'INSERT INTO batch_events (id, batchId, document, receivedAt) VALUES ($1, $2, $3, $4)';
    const bind = [event.id, id, JSON.stringify(event), receivedAt];
    // A late act of a batch that is over changes its record too.
    const over = batch.events.some(({ type }) => ENDING.has(type));
    if (!over && !TURNING.has(event.type)) {
      const [seq] = await sequelize.query(sql, { bind, type: QueryTypes.INSERT });
      return seq;
    }
    const events = [...batch.events, event];
    const state = foldBatch(batch.plan, events);
    const record = batchRecord(batch.plan, state);
    const [head] = await select<{ startedAt: string; flourLotId: string | null }>(
      'SELECT startedAt, flourLotId FROM batches WHERE id = $1',
      [id],
    );
    if (!head) throw new Error(`the batch ${id} is gone`);
    return sequelize.transaction(async (transaction) => {
      const [seq] = await sequelize.query(sql, { bind, type: QueryTypes.INSERT, transaction });
      const kept = record.status === 'running' ? null : summaryText(record);
      await run(
        `UPDATE batches SET status = $1, record = $2, lotFlourG = COALESCE($4, lotFlourG), lotPoints = $5
         WHERE id = $3`,
        [record.status, kept, id, record.lotFlourG ?? null, pointsOf(events, record)],
        transaction,
      );
      await keepFind({ id, ...head, plan: batch.plan, events }, state, record, transaction);
      return seq;
    });
  }

  /** Batches that an older program finished have no facts yet: works them out, some at a time, so that phones are not kept waiting. */
  async function fillFacts(): Promise<void> {
    for (;;) {
      const missing = await select<{ batchId: string }>(
        "SELECT batchId FROM batch_finds WHERE facts IS NULL AND status <> 'running' LIMIT $1",
        [FILLED_AT_ONCE],
      );
      if (missing.length === 0) return;
      for (const { batchId } of missing) {
        const batch = await get(batchId);
        if (!batch) continue;
        const state = foldBatch(batch.plan, batch.events);
        const record = batchRecord(batch.plan, state);
        await write((transaction) => keepFind(batch, state, record, transaction));
      }
    }
  }

  return {
    getJson,
    get,

    /** A page of the log as JSON text, the newest first, without plans and events. */
    listJson: async (find: Find): Promise<string> => {
      const { where, bind } = searchSql(find);
      const rows = await select<SummaryRow>(
        `SELECT b.id, b.startedAt, b.formulaId, b.formulaName, b.formulaVersion, b.flourLotId, b.record,
           CASE WHEN b.record IS NULL THEN (SELECT MAX(seq) FROM batch_events WHERE batchId = b.id) END AS lastSeq
         FROM batch_finds f JOIN batches b ON b.id = f.batchId
         ${where} ORDER BY f.startedAt DESC, f.batchId DESC LIMIT $1`,
        bind,
      );
      const texts = await Promise.all(
        rows.map(async ({ record, lastSeq, ...row }) => {
          const head = JSON.stringify(row).slice(0, -1);
          return `${head},"record":${record ?? (await runningRecord(row.id, lastSeq ?? 0))}}`;
        }),
      );
      return `[${texts.join(',')}]`;
    },

    /** Starts a batch once, however often the same start is sent. */
    start: (start: BatchStart, plan: Plan): Promise<Stored<Batch>> =>
      write(async (transaction): Promise<Stored<Batch>> => {
        const [known] = await select<{ start: string }>('SELECT start FROM batches WHERE id = $1', [
          start.id,
        ]);
        if (known && !isDeepStrictEqual(JSON.parse(known.start), start)) return { outcome: 'clash' };
        const stored = known ? await get(start.id) : null;
        if (stored) return { outcome: 'same', value: stored };
        await insert(start, plan, [], transaction);
        const value = {
          id: start.id,
          startedAt: start.at,
          plan,
          flourLotId: start.flourLotId ?? null,
          events: [],
        };
        return { outcome: 'new', value };
      }),

    /** Adds an event once, however often it is sent. */
    append: (batchId: string, event: BatchEvent, receivedAt: string): Promise<Appended> =>
      write.alone(async (): Promise<Appended> => {
        const [found] = await select<{
          last: number | null;
          known: string | null;
          knownBatch: string | null;
        }>(
          `SELECT (SELECT MAX(seq) FROM batch_events WHERE batchId = $1) AS last,
             (SELECT document FROM batch_events WHERE id = $2) AS known,
             (SELECT batchId FROM batch_events WHERE id = $2) AS knownBatch`,
          [batchId, event.id],
        );
        if (found?.known) {
          const same = found.knownBatch === batchId && isDeepStrictEqual(JSON.parse(found.known), event);
          return same ? { outcome: 'same', value: event } : { outcome: 'clash' };
        }
        const batch = await take(batchId, found?.last ?? 0);
        if (!batch) return { outcome: 'no-batch' };
        const refusal = refuseEvent(batch.plan, batch.events, event, batch.endHeardMs);
        if (refusal) return { outcome: 'refused', refusal };
        const lastSeq = await store(batchId, event, receivedAt, batch);
        const endHeardMs = ENDING.has(event.type) ? Date.parse(receivedAt) : batch.endHeardMs;
        live.set(batchId, { plan: batch.plan, events: [...batch.events, event], lastSeq, endHeardMs });
        return { outcome: 'new', value: event };
      }),

    /** Facts of the batches that a search finds, as JSON text, the newest first; those of older programs are worked out first. */
    factsJson: async (find: Find): Promise<string> => {
      await fillFacts();
      const { where, bind } = searchSql(find);
      const rows = await select<{ facts: string }>(
        `SELECT f.facts FROM batch_finds f ${where ? `${where} AND` : 'WHERE'} f.facts IS NOT NULL
         ORDER BY f.startedAt DESC, f.batchId DESC LIMIT $1`,
        bind,
      );
      return `[${rows.map(({ facts }) => facts).join(',')}]`;
    },

    /** Notes of the batches that a search finds, by batch. */
    notes: async (ids: readonly string[]): Promise<Map<string, string[]>> => {
      const rows = await select<{ batchId: string; note: string }>(
        `SELECT batchId, COALESCE(document ->> '$.text', document ->> '$.note', document ->> '$.reason') AS note
         FROM batch_events
         WHERE batchId IN (SELECT value FROM json_each($1))
           AND document ->> '$.type' IN ('note', 'finished', 'abandoned') AND note <> '' ORDER BY seq`,
        [JSON.stringify(ids)],
      );
      const notes = new Map<string, string[]>();
      for (const { batchId, note } of rows) notes.set(batchId, [...(notes.get(batchId) ?? []), note]);
      return notes;
    },

    /** How many pieces of a batch lie over heat now: none once it is over. */
    onPlate: async (id: string): Promise<number> => {
      const batch = live.get(id);
      if (!batch) return 0;
      const state = foldBatch(batch.plan, batch.events);
      return state.status === 'running' ? state.onPlate.length : 0;
    },

    /** Pieces of a formula that a calibration can use, from its newest batches. */
    griddlePieces: async (formulaId: string, batches: number, demo: boolean): Promise<LoggedPiece[]> => {
      const rows = await select<{ batchId: string }>(
        'SELECT batchId FROM batch_finds WHERE formulaId = $1 ORDER BY startedAt DESC, batchId DESC LIMIT $2',
        [formulaId, batches],
      );
      const found = await Promise.all(rows.map(({ batchId }) => get(batchId)));
      return found.flatMap((batch) =>
        batch ? loggedPieces(batch.plan, foldBatch(batch.plan, batch.events), demo) : [],
      );
    },

    /** For a restore: forgets what is held in memory, and inserts inside of a transaction that is open. */
    insertIn: insert,
    forget: (): void => live.clear(),

    /** Stores a batch with its whole history, as the demo does. */
    insertWhole: async (start: BatchStart, plan: Plan, events: BatchEvent[]): Promise<void> => {
      await write((transaction) => insert(start, plan, events, transaction));
    },
  };
}

export type BatchStore = ReturnType<typeof openBatchStore>;
