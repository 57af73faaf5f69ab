import {
  type Batch,
  type BatchEvent,
  type BatchState,
  type EventBody,
  foldBatch,
  lastPress,
} from '@kettle-scale/core/batch';
import { useMutation } from '@tanstack/react-query';
import { useCallback, useMemo, useSyncExternalStore } from 'react';
import { v7 as uuidv7 } from 'uuid';
import type { QueueState } from './eventQueue';
import { kitchenQueue } from './kitchenQueue';
import { useBatchQuery } from '../api/queries';
import { cookOfAct } from './cookHere';
import { tellUndone } from './undone';

const useQueue = (): QueueState =>
  useSyncExternalStore(kitchenQueue.subscribe, kitchenQueue.state, kitchenQueue.state);

export interface LiveBatch {
  batch: Batch;
  /** Folded from what the server stored and what still waits on this device. */
  state: BatchState;
  act: (...bodies: EventBody[]) => void;
  /** The same for what was done earlier and is told now. */
  actAt: (atMs: number, ...bodies: EventBody[]) => void;
  undo: () => void;
  queue: QueueState;
}

/** A batch as it stands on this device, and the ways to act on it. Null while it loads. */
export function useBatch(id: string): {
  live: LiveBatch | null;
  error: Error | null;
  /** Asks the server again. */
  retry: () => void;
} {
  const query = useBatchQuery(id);
  const queue = useQueue();
  const stored = query.data;

  const batch = useMemo(() => {
    if (!stored) return null;
    const known = new Set(stored.events.map((event) => event.id));
    const waiting = queue.pending.flatMap((queued) =>
      'event' in queued && queued.batchId === id && !known.has(queued.event.id) ? [queued.event] : [],
    );
    return { ...stored, events: [...stored.events, ...waiting] };
  }, [stored, queue.pending, id]);
  const state = useMemo(() => (batch ? foldBatch(batch.plan, batch.events) : null), [batch]);

  // Done once the acts are kept on this device; the queue takes them from there, with or without a network.
  const { mutate } = useMutation({
    mutationKey: ['act', id],
    networkMode: 'always',
    mutationFn: (events: BatchEvent[]) =>
      Promise.all(events.map((event) => kitchenQueue.add({ batchId: id, event }))),
  });
  const actAt = useCallback(
    (atMs: number, ...bodies: EventBody[]) => {
      const at = new Date(atMs).toISOString();
      mutate(bodies.map((body) => ({ ...body, ...cookOfAct(), id: uuidv7(), at }) as BatchEvent));
    },
    [mutate],
  );
  const act = useCallback((...bodies: EventBody[]) => actAt(Date.now(), ...bodies), [actAt]);
  const events = batch?.events;
  const plan = batch?.plan;
  const undo = useCallback(() => {
    const last = lastPress(events ?? []);
    if (last.length === 0 || !plan) return;
    act(...last.map(({ id: eventId }): EventBody => ({ type: 'void', eventId })));
    tellUndone({ acts: [...last].reverse(), plan, atMs: Date.now() });
  }, [act, events, plan]);

  // The same object until something in it changes: parts that are given it need not be drawn again.
  const live = useMemo(
    () => (batch && state ? { batch, state, act, actAt, undo, queue } : null),
    [batch, state, act, actAt, undo, queue],
  );
  return {
    live,
    error: query.error,
    retry: () => void query.refetch(),
  };
}
