import type { Batch, BatchEvent } from '@kettle-scale/core/batch';
import { canStream, kitchenStream } from './kitchenStream';
import { asOf } from '../api/asOf';
import { forgetBatches } from '../api/keptBatches';
import { keys, queryClient } from '../api/queries';
import { renew } from './renew';

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

const batchesChanged = () => renew(keys.batches());
/** Acts after which charts, lessons and the lot of the flour say something else. */
const TEACHING: ReadonlySet<BatchEvent['type']> = new Set([
  'finished',
  'abandoned',
  'held',
  'corrected',
  'void',
]);
const factsChanged = () => {
  renew(['facts']);
  renew(['log']);
  renew(keys.flourLots);
};

const accessChanged = () => renew(keys.access);

/** Puts an act from another phone into the batch as it is held here. */
function takeEvent({ batchId, event }: Told['event']): void {
  if (TEACHING.has(event.type)) factsChanged();
  if (!queryClient.getQueryData(keys.batch(batchId))) {
    // It may be on its way as it was before this act.
    renew(keys.batch(batchId));
    return batchesChanged();
  }
  // An answer that was asked for before this act was stored would make it vanish for a moment.
  void queryClient.cancelQueries({ queryKey: keys.batch(batchId) });
  queryClient.setQueryData<Batch>(keys.batch(batchId), (batch) =>
    batch && !batch.events.some(({ id }) => id === event.id)
      ? { ...batch, events: [...batch.events, event] }
      : batch,
  );
  batchesChanged();
}

const TAKE: { [T in keyof Told]: (told: Told[T]) => void } = {
  event: takeEvent,
  batch: () => {
    batchesChanged();
    renew(['log']);
    // It takes its flour out of a lot.
    renew(keys.flourLots);
  },
  lots: () => renew(keys.flourLots),
  plans: () => {
    renew(keys.savedPlans);
    renew(keys.carried);
  },
  service: () => renew(keys.services),
  book: () => {
    renew(keys.book);
    renew(['versions']);
  },
  ingredients: () => renew(keys.ingredients),
  settings: () => {
    renew(keys.kitchen);
    renew(keys.lessons);
  },
  phones: () => {
    renew(keys.phones);
    accessChanged();
  },
  // What was kept of batches may be of before a restore, or under a name that was taken out.
  kitchen: () => void forgetBatches().then(() => renew()),
};

/** Follows the kitchen for as long as the page is open; what happened while nobody listened is fetched again. */
export function followNews(): () => void {
  if (!canStream()) return () => undefined;
  /** Asks for everything that is shown again where news fell between what is held here and this message. */
  const catchUp = (position: string, news: boolean): void => {
    if (asOf.missedBefore(position, news)) renew();
  };
  asOf.onOvertaken(() => renew());
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
