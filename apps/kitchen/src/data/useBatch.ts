import type { Batch, BatchEvent, BatchState, EventBody } from '@kettle-scale/core';
import { foldBatch } from '@kettle-scale/core/batch';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { QueueState } from './eventQueue';
import { kitchenQueue } from './kitchenQueue';
import { useBatchQuery } from './queries';

export const useQueue = (): QueueState =>
  useSyncExternalStore(kitchenQueue.subscribe, kitchenQueue.state, kitchenQueue.state);

export interface LiveBatch {
  batch: Batch;
  /** Folded from what the server stored and what still waits on this device. */
  state: BatchState;
  act: (...bodies: EventBody[]) => void;
  undo: () => void;
  queue: QueueState;
}

/** A batch as it stands on this device, and the ways to act on it. Null while it loads. */
export function useBatch(id: string): { live: LiveBatch | null; error: Error | null } {
  const query = useBatchQuery(id);
  const queue = useQueue();
  const stored = query.data;

  const batch = useMemo(() => {
    if (!stored) return null;
    const known = new Set(stored.events.map((event) => event.id));
    const waiting = queue.pending.filter(({ batchId, event }) => batchId === id && !known.has(event.id));
    return { ...stored, events: [...stored.events, ...waiting.map(({ event }) => event)] };
  }, [stored, queue.pending, id]);
  const state = useMemo(() => (batch ? foldBatch(batch.plan, batch.events) : null), [batch]);

  const act = useCallback(
    (...bodies: EventBody[]) => {
      for (const body of bodies) {
        const event = { ...body, id: uuidv7(), at: new Date().toISOString() } as BatchEvent;
        kitchenQueue.add({ batchId: id, event });
      }
    },
    [id],
  );
  const lastActId = state?.lastAct?.id;
  const undo = useCallback(() => {
    if (lastActId) act({ type: 'void', eventId: lastActId });
  }, [act, lastActId]);

  return {
    live: batch && state ? { batch, state, act, undo, queue } : null,
    error: query.error,
  };
}
