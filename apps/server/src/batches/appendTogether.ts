import { type BatchEvent, asSent, refuseEvent, type Refusal } from '@kettle-scale/core/batch';
import { isDeepStrictEqual } from 'node:util';
import type { Database } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import { ENDING, TURNING } from './ending';
import type { batchRows } from './batchRows';
import type { LiveBatch } from './liveBatches';
import type { BatchReader } from './readBatches';
import type { Sql } from './sql';

/** What became of something a client sent: stored, seen before and the same, or the id used for something else. */
export type Stored<T> = { outcome: 'new' | 'same'; value: T } | { outcome: 'clash' };
export type Appended =
  Stored<BatchEvent> | { outcome: 'no-batch' } | { outcome: 'refused'; refusal: Refusal };

type Rows = Pick<ReturnType<typeof batchRows>, 'store'>;

interface Act {
  batchId: string;
  event: BatchEvent;
  receivedAt: string;
}
interface Waiting extends Act {
  settle: (result: Appended) => void;
  fail: (error: unknown) => void;
}

/** Acts that are stored with one write to the disk, at most. */
const MOST_TOGETHER = 100;

/** Whether what is stored under an id is what was sent. */
export const isSame = <T extends object>(stored: string, sent: T): boolean =>
  isDeepStrictEqual(asSent(JSON.parse(stored) as T), asSent(sent));

const KNOWN = `SELECT id, batchId, document, NULL AS last FROM batch_events WHERE id IN (SELECT value FROM json_each($1))
  UNION ALL
  SELECT NULL, batchId, NULL, MAX(seq) FROM batch_events WHERE batchId IN (SELECT value FROM json_each($2)) GROUP BY batchId`;
const INSERT = `INSERT INTO batch_events (id, batchId, document, receivedAt)
  SELECT value ->> 0, value ->> 1, value ->> 2, value ->> 3 FROM json_each($1) ORDER BY key`;

/** What stands in the way of an act, or null when it is to be stored. */
function answered(
  { batchId, event }: Act,
  known: { batchId: string; document: string } | undefined,
): Appended | null {
  if (!known) return null;
  const same = known.batchId === batchId && isSame(known.document, event);
  return same ? { outcome: 'same', value: event } : { outcome: 'clash' };
}

function take(batch: LiveBatch, { event, receivedAt }: Act): void {
  if (ENDING.has(event.type)) batch.endHeardMs = Date.parse(receivedAt);
  batch.events.push(event);
  batch.fold.add(event);
}

/** Stores a group of acts, in their order, inside of one write. */
function openGroups(sql: Sql, reader: BatchReader, { store }: Rows) {
  /** Stores plain acts in one statement; their numbers follow each other, since nobody else writes. */
  async function insert(acts: readonly (Act & { batch: LiveBatch })[]): Promise<void> {
    if (acts.length === 0) return;
    const rows = acts.map(({ event, batchId, receivedAt }) => [
      event.id,
      batchId,
      JSON.stringify(event),
      receivedAt,
    ]);
    const last = await sql.insert(INSERT, [JSON.stringify(rows)]);
    acts.forEach(({ batch }, index) => (batch.lastSeq = last - acts.length + 1 + index));
  }

  async function appendAll(acts: readonly Act[]): Promise<Appended[]> {
    const found = await sql.select<{
      id: string | null;
      batchId: string;
      document: string;
      last: number | null;
    }>(KNOWN, [
      JSON.stringify(acts.map(({ event }) => event.id)),
      JSON.stringify(acts.map(({ batchId }) => batchId)),
    ]);
    const known = new Map(found.flatMap((row) => (row.id === null ? [] : [[row.id, row] as const])));
    const last = new Map(
      found.flatMap((row) => (row.id === null ? [[row.batchId, row.last ?? 0] as const] : [])),
    );
    const inHand = new Map<string, LiveBatch | null>();
    const results: Appended[] = [];
    let plain: (Act & { batch: LiveBatch })[] = [];
    for (const act of acts) {
      const { batchId, event, receivedAt } = act;
      const before = answered(act, known.get(event.id));
      const batch = inHand.get(batchId) ?? (await reader.take(batchId, last.get(batchId) ?? 0));
      inHand.set(batchId, batch);
      const refusal =
        batch && !before ? refuseEvent(batch.plan, batch.events, event, batch.endHeardMs) : null;
      if (before) results.push(before);
      else if (!batch) results.push({ outcome: 'no-batch' });
      else if (refusal) results.push({ outcome: 'refused', refusal });
      else {
        if (TURNING.has(event.type) || batch.endHeardMs !== null) {
          // It changes the row of its batch, which is made from what was stored before.
          await insert(plain);
          plain = [];
          take(batch, act);
          batch.lastSeq = await store(batchId, event, receivedAt, batch);
          // Hardly anything follows the end of a batch: it makes room for those that run.
          if (batch.fold.state().status !== 'running') reader.live.delete(batchId);
        } else {
          plain.push({ ...act, batch });
          take(batch, act);
        }
        known.set(event.id, { id: event.id, batchId, document: JSON.stringify(event), last: null });
        results.push({ outcome: 'new', value: event });
      }
    }
    await insert(plain);
    return results;
  }

  return appendAll;
}

/**
 * Adds events, each once however often it is sent. Acts that wait while others are written reach the disk together: a write to
 * it costs the same for one as for many, and twenty phones act faster than a disk writes.
 */
export function openAppender(sql: Sql, reader: BatchReader, write: Database['write'], rows: Rows) {
  const waiting: Waiting[] = [];
  let running = false;

  const appendAll = openGroups(sql, reader, rows);

  async function storeAll(group: readonly Waiting[]): Promise<void> {
    try {
      const results = await write.alone(() => appendAll(group));
      group.forEach(({ settle }, index) => settle(results[index] ?? { outcome: 'no-batch' }));
    } catch (error) {
      // What is in hand may hold acts that are not on the disk: it is read again.
      for (const { batchId } of group) reader.live.delete(batchId);
      // One act that trips over something must not take the others with it.
      if (group.length > 1 && !(error instanceof HttpProblem)) for (const one of group) await storeAll([one]);
      else group.forEach(({ fail }) => fail(error));
    }
  }

  async function run(): Promise<void> {
    running = true;
    while (waiting.length > 0) await storeAll(waiting.splice(0, MOST_TOGETHER));
    running = false;
  }

  return (batchId: string, event: BatchEvent, receivedAt: string): Promise<Appended> =>
    new Promise((settle, fail) => {
      waiting.push({ batchId, event, receivedAt, settle, fail });
      if (!running) void run();
    });
}
