import type { Batch, BatchEvent } from '@kettle-scale/core/batch';
import { canStream, kitchenStream } from './kitchenStream';
import { asOf } from '../api/asOf';
import { keys, queryClient } from '../api/queries';

interface Told {
  event: { batchId: string; event: BatchEvent };
  batch: { batchId: string };
  lots: object;
  plans: object;
  service: object;
  book: object;
  ingredients: object;
  settings: object;
  phones: object;
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

const accessChanged = () => void queryClient.invalidateQueries({ queryKey: keys.access });

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
  service: () => void queryClient.invalidateQueries({ queryKey: keys.services }),
  book: () => {
    void queryClient.invalidateQueries({ queryKey: keys.book });
    void queryClient.invalidateQueries({ queryKey: ['versions'] });
  },
  ingredients: () => void queryClient.invalidateQueries({ queryKey: keys.ingredients }),
  settings: () => {
    void queryClient.invalidateQueries({ queryKey: keys.kitchen });
    void queryClient.invalidateQueries({ queryKey: keys.lessons });
  },
  phones: () => {
    void queryClient.invalidateQueries({ queryKey: keys.phones });
    accessChanged();
  },
  kitchen: () => void queryClient.invalidateQueries(),
};

/** Follows the kitchen for as long as the page is open; what happened while nobody listened is fetched again. */
export function followNews(): () => void {
  if (!canStream()) return () => undefined;
  /** Asks for everything that is shown again where news fell between what is held here and this message. */
  const catchUp = (position: string, news: boolean): void => {
    if (asOf.missedBefore(position, news)) void queryClient.invalidateQueries();
  };
  asOf.onOvertaken(() => void queryClient.invalidateQueries());
  const stops = [
    kitchenStream.onState((open) => {
      if (open) return;
      asOf.stopped();
      // A phone whose key was taken away hears it by the end of its stream.
      accessChanged();
    }),
    kitchenStream.on('hello', (_, position) => catchUp(position, false)),
    ...(Object.keys(TAKE) as (keyof Told)[]).map((type) =>
      kitchenStream.on(type, (told, position) => {
        catchUp(position, true);
        (TAKE[type] as (told: unknown) => void)(told);
      }),
    ),
  ];
  return () => stops.forEach((stop) => stop());
}
