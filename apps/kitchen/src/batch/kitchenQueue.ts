import type { Batch } from '@kettle-scale/core/batch';
import { type UseStore, createStore, del, set, values } from 'idb-keyval';
import { Refused, Unreachable, api } from '../api/api';
import { type QueuedEvent, createEventQueue } from './eventQueue';
import { keys, queryClient } from '../api/queries';

/** Pause before the server is tried again after it did not answer. */
const RETRY_MS = 3000;

let opened: UseStore | undefined;
const store = (): UseStore => (opened ??= createStore('kettle-scale', 'waiting-events'));

/** Ids are UUIDs of version 7: sorting by id is sorting by time. */
const byId = (a: QueuedEvent, b: QueuedEvent): number => a.event.id.localeCompare(b.event.id);

/** The one queue of this tab, kept in IndexedDB, one entry an act, so that two tabs do not overwrite each other. */
export const kitchenQueue = createEventQueue({
  storage: {
    load: async () => (await values<QueuedEvent>(store())).sort(byId),
    put: (queued) => set(queued.event.id, queued, store()),
    remove: (eventId) => del(eventId, store()),
  },
  send: async ({ batchId, event }) => {
    try {
      await api.addEvent(batchId, event);
      return { outcome: 'stored' };
    } catch (error) {
      if (error instanceof Refused) return { outcome: 'refused', message: error.message };
      if (error instanceof Unreachable) {
        void queryClient.invalidateQueries({ queryKey: keys.health });
        return { outcome: 'later' };
      }
      throw error;
    }
  },
  onStored: ({ batchId, event }) => {
    const queryKey = keys.batch(batchId);
    // An answer that was asked for before this act was stored would make it vanish for a moment.
    const cancelled = queryClient.cancelQueries({ queryKey });
    if (!queryClient.getQueryData(queryKey)) {
      // Still on its way after a reload: it is asked for again, or the page would wait for the next look at the server.
      void cancelled.then(() => queryClient.invalidateQueries({ queryKey }));
      return;
    }
    queryClient.setQueryData<Batch>(queryKey, (batch) =>
      batch && !batch.events.some(({ id }) => id === event.id)
        ? { ...batch, events: [...batch.events, event] }
        : batch,
    );
  },
  retryLater: (again) => {
    setTimeout(again, RETRY_MS);
  },
});

if (typeof window !== 'undefined' && typeof indexedDB !== 'undefined') {
  void kitchenQueue.resume();
  window.addEventListener('online', () => void kitchenQueue.drain());
}
