import type { Batch, BatchEvent, BatchStart, BatchSummary } from '@kettle-scale/core/batch';
import { type UseStore, createStore, get, values } from 'idb-keyval';

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
export const waitingStore = (): UseStore => (opened ??= createStore('kettle-scale', 'waiting-events'));

const onDevice = (): boolean => typeof indexedDB !== 'undefined';

/** A batch that waits here to be sent, as it was started. */
export async function waitingBatch(id: string): Promise<Batch | null> {
  const waiting = onDevice() ? await get<Queued>(id, waitingStore()) : undefined;
  if (!waiting || !('start' in waiting) || !waiting.start.frozenPlan) return null;
  const { at, cook, flourLotId = null, frozenPlan } = waiting.start;
  return { id, startedAt: at, cook, plan: frozenPlan, flourLotId, events: [] };
}

/** Batches that wait here to be sent, as lists show them. */
export async function waitingSummaries(): Promise<BatchSummary[]> {
  if (!onDevice()) return [];
  const waiting = await values<Queued>(waitingStore());
  return waiting.flatMap((queued) => ('start' in queued ? [queued.summary] : []));
}
