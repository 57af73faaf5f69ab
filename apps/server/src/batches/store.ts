import { isDeepStrictEqual } from 'node:util';
import {
  type Batch,
  type BatchEvent,
  type BatchRecord,
  type BatchStart,
  type BatchSummary,
  type Plan,
  type Refusal,
  batchRecord,
  foldBatch,
  refuseEvent,
} from '@kettle-scale/core';
import { DataTypes, Op, type Transaction } from 'sequelize';
import type { Database } from '../db/openDatabase';

interface BatchRow {
  id: string;
  startedAt: string;
  formulaId: string;
  formulaName: string;
  formulaVersion: number;
  flourLotId: string | null;
  status: BatchRecord['status'];
  start: BatchStart;
  plan: Plan;
  record: BatchRecord;
}

/** What became of something a client sent: stored, seen before and the same, or the id used for something else. */
export type Stored<T> = { outcome: 'new' | 'same'; value: T } | { outcome: 'clash' };
export type Appended =
  Stored<BatchEvent> | { outcome: 'no-batch' } | { outcome: 'refused'; refusal: Refusal };

export interface Page {
  status?: BatchRecord['status'] | undefined;
  /** Start of the last batch of the page before. */
  before?: string | undefined;
  limit: number;
}

/** Batches and their events. Events are only ever added; the summary beside a batch is remade from their fold. */
export function openBatchStore({ sequelize, write }: Database) {
  const batches = sequelize.define(
    'batches',
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      startedAt: DataTypes.TEXT,
      formulaId: DataTypes.TEXT,
      formulaName: DataTypes.TEXT,
      formulaVersion: DataTypes.INTEGER,
      flourLotId: DataTypes.TEXT,
      status: DataTypes.TEXT,
      start: DataTypes.JSON,
      plan: DataTypes.JSON,
      record: DataTypes.JSON,
    },
    { timestamps: false },
  );
  const events = sequelize.define(
    'batch_events',
    {
      seq: { type: DataTypes.INTEGER, primaryKey: true, autoIncrement: true },
      id: DataTypes.TEXT,
      batchId: DataTypes.TEXT,
      document: DataTypes.JSON,
      receivedAt: DataTypes.TEXT,
    },
    { timestamps: false },
  );

  const rowOf = async (id: string, transaction: Transaction | null = null): Promise<BatchRow | null> =>
    ((await batches.findByPk(id, { transaction, raw: false }))?.get() as BatchRow | undefined) ?? null;
  const eventsOf = async (batchId: string, transaction: Transaction | null = null): Promise<BatchEvent[]> => {
    const rows = await events.findAll({
      where: { batchId },
      order: [['seq', 'ASC']],
      attributes: ['document'],
      transaction,
    });
    return rows.map((row) => row.get('document') as BatchEvent);
  };
  const asBatch = (row: BatchRow, list: BatchEvent[]): Batch => ({
    id: row.id,
    startedAt: row.startedAt,
    plan: row.plan,
    flourLotId: row.flourLotId,
    events: list,
  });

  async function insert(
    start: BatchStart,
    plan: Plan,
    list: BatchEvent[],
    transaction: Transaction,
    at: string,
  ) {
    const record = batchRecord(plan, foldBatch(plan, list));
    const row: BatchRow = {
      id: start.id,
      startedAt: start.at,
      formulaId: start.formulaId,
      formulaName: plan.formula.name,
      formulaVersion: start.formulaVersion,
      flourLotId: start.flourLotId ?? null,
      status: record.status,
      start,
      plan,
      record,
    };
    await batches.create({ ...row }, { transaction });
    await events.bulkCreate(
      list.map((document) => ({ id: document.id, batchId: start.id, document, receivedAt: at })),
      { transaction },
    );
    return asBatch(row, list);
  }

  return {
    /** A page of the log, the newest first, without plans and events. */
    list: async ({ status, before, limit }: Page): Promise<BatchSummary[]> => {
      const rows = await batches.findAll({
        attributes: ['id', 'startedAt', 'formulaId', 'formulaVersion', 'flourLotId', 'record', 'formulaName'],
        where: { ...(status ? { status } : {}), ...(before ? { startedAt: { [Op.lt]: before } } : {}) },
        order: [
          ['startedAt', 'DESC'],
          ['id', 'DESC'],
        ],
        limit,
      });
      return rows.map((model) => {
        const row = model.get() as BatchRow;
        const { id, startedAt, formulaId, formulaName, formulaVersion, flourLotId, record } = row;
        return { id, startedAt, formulaId, formulaName, formulaVersion, flourLotId, record };
      });
    },

    get: async (id: string): Promise<Batch | null> => {
      const row = await rowOf(id);
      return row ? asBatch(row, await eventsOf(id)) : null;
    },

    /** Starts a batch once, however often the same start is sent. */
    start: (start: BatchStart, plan: Plan, at: string): Promise<Stored<Batch>> =>
      write(async (transaction) => {
        const known = await rowOf(start.id, transaction);
        if (!known) return { outcome: 'new', value: await insert(start, plan, [], transaction, at) };
        if (!isDeepStrictEqual(known.start, start)) return { outcome: 'clash' };
        return { outcome: 'same', value: asBatch(known, await eventsOf(start.id, transaction)) };
      }),

    /** Adds an event once, however often it is sent; the batch's summary follows in the same transaction. */
    append: (batchId: string, event: BatchEvent, receivedAt: string): Promise<Appended> =>
      write(async (transaction): Promise<Appended> => {
        const row = await rowOf(batchId, transaction);
        if (!row) return { outcome: 'no-batch' };
        const known = await events.findOne({ where: { id: event.id }, transaction });
        if (known) {
          const same = known.get('batchId') === batchId && isDeepStrictEqual(known.get('document'), event);
          return same ? { outcome: 'same', value: event } : { outcome: 'clash' };
        }
        const list = await eventsOf(batchId, transaction);
        const refusal = refuseEvent(row.plan, list, event);
        if (refusal) return { outcome: 'refused', refusal };
        await events.create({ id: event.id, batchId, document: event, receivedAt }, { transaction });
        const record = batchRecord(row.plan, foldBatch(row.plan, [...list, event]));
        await batches.update({ record, status: record.status }, { where: { id: batchId }, transaction });
        return { outcome: 'new', value: event };
      }),

    /** Stores a batch with its whole history, as the demo does. */
    insertWhole: async (start: BatchStart, plan: Plan, list: BatchEvent[]): Promise<void> => {
      await write((transaction) => insert(start, plan, list, transaction, start.at));
    },
  };
}

export type BatchStore = ReturnType<typeof openBatchStore>;
