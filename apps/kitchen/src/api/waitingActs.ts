import type { Batch, BatchEvent, BatchStart, BatchSummary } from '@kettle-scale/core/batch';
import { type UseStore, createStore, del, get, promisifyRequest, values } from 'idb-keyval';

/** An act of the cook on its way to the server. */
export interface QueuedEvent {
  batchId: string;
  event: BatchEvent;
}

/** A batch that was started while no server answered: frozen on this phone, and worked by since. */
export interface QueuedStart {
  batchId: string;
  start: BatchStart;
  /** As lists show it until the server has it. */
  summary: BatchSummary;
}

export type Queued = QueuedEvent | QueuedStart;

/** Ids are UUIDs of version 7: sorting by id is sorting by time, and a start comes before the acts of its batch. */
export const idOf = (queued: Queued): string => ('event' in queued ? queued.event.id : queued.start.id);

let opened: UseStore | undefined;
/** What waits on this device, one entry an act, so that two tabs do not overwrite each other. */
const waitingStore = (): UseStore => (opened ??= createStore('kettle-scale', 'waiting-events'));

const onDevice = (): boolean => typeof indexedDB !== 'undefined';

/** All that waits, in the order in which it was done. */
export const loadWaiting = async (): Promise<Queued[]> =>
  onDevice() ? (await values<Queued>(waitingStore())).sort((a, b) => idOf(a).localeCompare(idOf(b))) : [];

/** Keeps what waits on this device; done when it is written. A page that is closed in the next moment loses nothing. */
export const keepWaiting = (queued: Queued): Promise<void> =>
  waitingStore()('readwrite', (store) => {
    store.put(queued, idOf(queued));
    // Left to itself it is committed when the page has heard of the write, and a page that is closed by then never does.
    store.transaction.commit();
    return promisifyRequest(store.transaction);
  });

export const forgetWaiting = (id: string): Promise<void> => del(id, waitingStore());

/** A batch that waits here to be sent, as it was started. */
export async function waitingBatch(id: string): Promise<Batch | null> {
  const waiting = onDevice() ? await get<Queued>(id, waitingStore()) : undefined;
  if (!waiting || !('start' in waiting) || !waiting.start.frozenPlan) return null;
  const { at, cook, flourLotId = null, frozenPlan } = waiting.start;
  return { id, startedAt: at, cook, plan: frozenPlan, flourLotId, events: [] };
}

/** Batches that wait here to be sent, as lists show them. */
export async function waitingSummaries(): Promise<BatchSummary[]> {
  return (await loadWaiting()).flatMap((queued) => ('start' in queued ? [queued.summary] : []));
}
