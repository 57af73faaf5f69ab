import type { Batch, BatchEvent } from '@kettle-scale/core';
import { ROOT } from './api';
import { BATCH } from './keptBatches';
import { keys, queryClient } from './queries';

interface Told {
  event: { batchId: string; event: BatchEvent };
  batch: { batchId: string };
  lots: object;
  plans: object;
  kitchen: object;
}

const batchesChanged = () => queryClient.invalidateQueries({ queryKey: keys.batches() });
/** Acts after which charts and lessons say something else. */
const TEACHING: ReadonlySet<BatchEvent['type']> = new Set([
  'finished',
  'abandoned',
  'held',
  'corrected',
  'void',
]);
const factsChanged = () => {
  void queryClient.invalidateQueries({ queryKey: ['facts'] });
  void queryClient.invalidateQueries({ queryKey: ['log'] });
};

/** Puts an act from another phone into the batch as it is held here. */
function takeEvent({ batchId, event }: Told['event']): void {
  if (TEACHING.has(event.type)) factsChanged();
  if (!queryClient.getQueryData(keys.batch(batchId))) return void batchesChanged();
  // An answer that was asked for before this act was stored would make it vanish for a moment.
  void queryClient.cancelQueries({ queryKey: keys.batch(batchId) });
  queryClient.setQueryData<Batch>(keys.batch(batchId), (batch) =>
    batch && !batch.events.some(({ id }) => id === event.id)
      ? { ...batch, events: [...batch.events, event] }
      : batch,
  );
  void batchesChanged();
}

const TAKE: { [T in keyof Told]: (told: Told[T]) => void } = {
  event: takeEvent,
  batch: () => {
    void batchesChanged();
    void queryClient.invalidateQueries({ queryKey: ['log'] });
  },
  lots: () => void queryClient.invalidateQueries({ queryKey: keys.flourLots }),
  plans: () => {
    void queryClient.invalidateQueries({ queryKey: keys.savedPlans });
    void queryClient.invalidateQueries({ queryKey: keys.carried });
  },
  kitchen: () => void queryClient.invalidateQueries(),
};

/** Follows the kitchen for as long as the page is open; what happened while the stream was broken is fetched again. */
export function followNews(): () => void {
  if (typeof EventSource === 'undefined') return () => undefined;
  const source = new EventSource(`${ROOT}/stream`);
  let broken = false;
  source.addEventListener('error', () => (broken = true));
  source.addEventListener('open', () => {
    if (!broken) return;
    broken = false;
    void queryClient.invalidateQueries({ queryKey: [BATCH] });
    void batchesChanged();
  });
  for (const type of Object.keys(TAKE) as (keyof Told)[]) {
    source.addEventListener(type, ({ data }: MessageEvent<string>) => {
      (TAKE[type] as (told: unknown) => void)(JSON.parse(data));
    });
  }
  return () => source.close();
}
