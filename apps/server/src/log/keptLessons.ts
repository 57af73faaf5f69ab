import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import type { BatchFacts } from '@kettle-scale/core/log';
import { lessonsInSlices } from '@kettle-scale/core/lessons';
import { addDays, dayOf } from '@kettle-scale/core/quantity';
import { Mutex } from 'async-mutex';
import { TURNING } from '../batches/ending';
import { findBetween } from '../batches/find';
import type { BatchStore } from '../batches/store';
import type { FlourLotStore } from '../flourLots/store';
import { inSlices } from '../http/inSlices';
import type { KitchenStore } from '../kitchen/store';
import type { Around, News } from '../live/hub';

/** Flour, hands and prices before that are others. */
const LOOK_BACK_DAYS = 365;
/** More batches than a kitchen makes in that time. */
const ALL = 1_000_000;

const compressed = promisify<string, Buffer>(gzip);

/** Lessons as they are sent, plain and compressed: they are asked for far more often than they change. */
interface KeptLessons {
  json: string;
  gzip: Buffer;
}

interface LessonStores {
  batches: Pick<BatchStore, 'allFacts' | 'factsOf'>;
  flourLots: Pick<FlourLotStore, 'list'>;
  kitchen: Pick<KitchenStore, 'get'>;
}

/**
 * What the last year teaches, as JSON text. The facts of the year are read once and then kept up with the news: a batch
 * that ends, or is put right, is read alone. Lessons are worked out when they are asked for and something has changed.
 */
export function keepLessons({ batches, flourLots, kitchen }: LessonStores, { hub, now, demo }: Around) {
  let facts: Map<string, BatchFacts> | null = null;
  let changed = new Set<string>();
  let kept: (KeptLessons & { day: string }) | null = null;
  /** Counts what has changed, so that lessons worked out meanwhile are not kept for newer than they are. */
  let changes = 0;

  const forget = (news: News): void => {
    if (news.type === 'event') {
      // Acts of a batch in work say nothing before it ends.
      if (!TURNING.has(news.event.type) && !facts?.has(news.batchId)) return;
      changed.add(news.batchId);
    } else if (news.type === 'kitchen') facts = null;
    else if (news.type !== 'lots' && news.type !== 'settings') return;
    changes += 1;
    kept = null;
  };
  hub.subscribe(forget);

  async function factsFrom(from: string, zone: string): Promise<BatchFacts[]> {
    const since = findBetween({ from, limit: ALL }, zone);
    const at = changes;
    const known = facts ?? new Map((await batches.allFacts(since)).map((one) => [one.batchId, one] as const));
    const ids = [...changed];
    changed = new Set();
    // Known again once all of it was read and nothing changed meanwhile: a restore would be one such change.
    facts = null;
    const fresh = ids.length > 0 ? await batches.factsOf(ids) : [];
    for (const id of ids) known.delete(id);
    for (const one of fresh) known.set(one.batchId, one);
    for (const [id, { startedAt }] of known) if (startedAt < (since.from ?? '')) known.delete(id);
    if (at === changes) facts = known;
    return [...known.values()];
  }

  async function workOut(): Promise<KeptLessons> {
    const {
      currency,
      lessonsOff = [],
      timeZone: zone,
      cooks = [],
      learnPerCook = true,
    } = await kitchen.get();
    const day = dayOf(now().getTime(), zone);
    if (kept?.day === day) return kept;
    const at = changes;
    const all = await factsFrom(addDays(day, -LOOK_BACK_DAYS), zone);
    const lots = await flourLots.list();
    const measured = all.filter(({ simulated }) => demo || !simulated);
    const context = {
      ...{ lots, currency, off: lessonsOff, zone },
      cooks: learnPerCook ? cooks.filter(({ gone }) => !gone) : [],
    };
    const json = JSON.stringify(await inSlices(lessonsInSlices(measured, context)));
    const lessons = { json, gzip: await compressed(json) };
    if (at === changes) kept = { day, ...lessons };
    return lessons;
  }

  // One after the other: whoever asks meanwhile finds them kept, and nobody sees a year that is half read.
  const mutex = new Mutex();
  return { lessons: (): Promise<KeptLessons> => mutex.runExclusive(workOut) };
}
