import type { Batch } from '@kettle-scale/core/batch';
import { Refused, Unreachable, api } from '../api/api';
import { forgetWaiting, keepWaiting, loadWaiting } from '../api/waitingActs';
import { createEventQueue } from './eventQueue';
import { keys, queryClient } from '../api/queries';

/** Pause before the server is tried again after it did not answer. */
const RETRY_MS = 3000;

/** The one queue of this tab, kept in IndexedDB, one entry an act, so that two tabs do not overwrite each other. */
export const kitchenQueue = createEventQueue({
  storage: { load: loadWaiting, put: keepWaiting, remove: forgetWaiting },
  send: async (queued) => {
    try {
      if (!('event' in queued)) {
        await api.startBatch(queued.start);
        return { outcome: 'stored' };
      }
      const event = await api.addEvent(queued.batchId, queued.event);
      return { outcome: 'stored', as: { batchId: queued.batchId, event } };
    } catch (error) {
      if (error instanceof Refused) return { outcome: 'refused', message: error.message };
      if (error instanceof Unreachable) {
        void queryClient.invalidateQueries({ queryKey: keys.health });
        return { outcome: 'later' };
      }
      throw error;
    }
  },
  onStored: (queued) => {
    const { batchId } = queued;
    if (!('event' in queued)) return void queryClient.invalidateQueries({ queryKey: keys.batches() });
    const { event } = queued;
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

if (typeof window !== 'undefined') {
  void kitchenQueue.resume();
  window.addEventListener('online', () => void kitchenQueue.drain());
}
