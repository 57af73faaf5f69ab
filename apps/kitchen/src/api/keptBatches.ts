import type { Batch } from '@kettle-scale/core/batch';
import type { QueryClient } from '@tanstack/react-query';
import { type UseStore, clear, createStore, delMany, get, set, values } from 'idb-keyval';
import { Refused, Unreachable, api } from './api';
import { waitingBatch } from './waitingActs';

/** First part of the key of a batch among the queries. */
export const BATCH = 'batch';
/** Batches kept on the device; the oldest go when there are more. */
const MOST = 20;
const NOT_FOUND = 404;

let opened: UseStore | undefined;
const store = (): UseStore => (opened ??= createStore('kettle-scale-batches', 'batches'));

/** Old ones go once a visit, not at every act. */
let tidied = false;

async function keep(batch: Batch): Promise<void> {
  await set(batch.id, batch, store());
  if (tidied) return;
  tidied = true;
  const all = await values<Batch>(store());
  const old = all.sort((a, b) => b.startedAt.localeCompare(a.startedAt)).slice(MOST);
  await delMany(
    old.map(({ id }) => id),
    store(),
  );
}

/** Forgets them all. */
export async function forgetBatches(): Promise<void> {
  keptEvents.clear();
  if (onDevice()) await clear(store());
}

/** Batches that are kept on this device. */
export const keptOnDevice = async (): Promise<Batch[]> => (onDevice() ? values<Batch>(store()) : []);

const onDevice = (): boolean => typeof indexedDB !== 'undefined';

/** Events of each batch as it was last kept: they are only ever added, so as many are the same. */
const keptEvents = new Map<string, number>();

/** Keeps every batch that is held here, as it changes: fetched, acted on, told by another phone. */
export function keepBatchesOf(client: QueryClient): void {
  if (!onDevice()) return;
  client.getQueryCache().subscribe((change) => {
    if (change.type !== 'updated' || change.action.type !== 'success') return;
    if (change.query.queryKey[0] !== BATCH) return;
    const batch = change.query.state.data as Batch;
    if (keptEvents.get(batch.id) === batch.events.length) return;
    keptEvents.set(batch.id, batch.events.length);
    // What could not be kept is tried again with the next change.
    keep(batch).catch(() => keptEvents.delete(batch.id));
  });
}

/**
 * A batch from the server, or, while that is away, as this device last had it: a reload without a network comes back to
 * the same step. What was done since waits in the queue and is folded in.
 */
export async function batchOrKept(id: string): Promise<Batch> {
  try {
    return await api.batch(id);
  } catch (error) {
    const kept = onDevice() && error instanceof Unreachable ? await get<Batch>(id, store()) : undefined;
    // A batch that was started without a server waits here to be sent; until then the server does not know it.
    const unknown = error instanceof Refused && error.status === NOT_FOUND;
    const here = kept ?? (unknown || error instanceof Unreachable ? await waitingBatch(id) : null);
    if (here) return here;
    throw error;
  }
}
