import { addDays, dayOf } from '@kettle-scale/core/quantity';
import { Mutex } from 'async-mutex';
import type { AsideWork, LessonsText } from '../aside/work';
import { findBetween } from '../batches/find';
import type { BatchStore } from '../batches/store';
import type { FlourLotStore } from '../flourLots/store';
import type { KitchenStore } from '../kitchen/store';
import type { Around, News } from '../live/hub';

/** Flour, hands and prices before that are others. */
const LOOK_BACK_DAYS = 365;

interface LessonSources {
  batches: Pick<BatchStore, 'fillFacts' | 'turns'>;
  flourLots: Pick<FlourLotStore, 'list'>;
  kitchen: Pick<KitchenStore, 'get'>;
  aside: Pick<AsideWork, 'lessons'>;
}

/** News after which lessons may be others, beside those of batches that are over. */
const CHANGING: ReadonlySet<News['type']> = new Set(['lots', 'settings', 'kitchen']);

/** What the last year teaches, as JSON text, worked out aside when it is asked for and something has changed. */
export function keepLessons(
  { batches, flourLots, kitchen, aside }: LessonSources,
  { hub, now, demo }: Around,
) {
  let kept: (LessonsText & { mark: string; zone: string }) | null = null;
  let changes = 0;
  hub.subscribe(({ type }) => {
    if (CHANGING.has(type)) changes += 1;
  });

  const markIn = (zone: string) => `${dayOf(now().getTime(), zone)} ${changes} ${batches.turns()}`;

  async function workOut(): Promise<LessonsText> {
    // A kitchen that moves to another zone is news, so its own zone need not be asked for.
    if (kept && kept.mark === markIn(kept.zone)) return kept;
    // First, since it may take long: settings that change meanwhile are read.
    await batches.fillFacts();
    const {
      currency,
      lessonsOff = [],
      timeZone: zone,
      cooks = [],
      learnPerCook = true,
    } = await kitchen.get();
    const mark = markIn(zone);
    const context = {
      ...{ lots: await flourLots.list(), currency, off: lessonsOff, zone },
      cooks: learnPerCook ? cooks.filter(({ gone }) => !gone) : [],
    };
    const from = addDays(dayOf(now().getTime(), zone), -LOOK_BACK_DAYS);
    kept = { mark, zone, ...(await aside.lessons({ find: findBetween({ from }, zone), demo, context })) };
    return kept;
  }

  // One after the other: whoever asks meanwhile finds them kept.
  const mutex = new Mutex();
  return { lessons: (): Promise<LessonsText> => mutex.runExclusive(workOut) };
}
