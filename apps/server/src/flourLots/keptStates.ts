import { Mutex } from 'async-mutex';
import type { BatchStore } from '../batches/store';
import type { Around, News } from '../live/hub';
import type { KitchenStore } from '../kitchen/store';
import type { FlourLotStore } from './store';

interface Sources {
  flourLots: Pick<FlourLotStore, 'states'>;
  batches: Pick<BatchStore, 'turns'>;
  kitchen: Pick<KitchenStore, 'get'>;
}

/** News after which lots may say something else, beside batches that end. */
const CHANGING: ReadonlySet<News['type']> = new Set(['lots', 'batch', 'settings', 'kitchen']);
/** Use of the last days is counted to the minute. */
const MINUTE_MS = 60_000;

/**
 * All lots with what is left of them, as JSON text: worked out when it is asked for and something has changed, since every
 * phone asks for it, and a year of batches stands behind it.
 */
export function keepLotStates(
  { flourLots, batches, kitchen }: Sources,
  { hub, now }: Pick<Around, 'hub' | 'now'>,
) {
  let kept: { mark: string; json: string } | null = null;
  let changes = 0;
  hub.subscribe(({ type }) => {
    if (CHANGING.has(type)) changes += 1;
  });
  const markNow = (): string => `${Math.floor(now().getTime() / MINUTE_MS)} ${changes} ${batches.turns()}`;

  async function workOut(): Promise<string> {
    // Before anything is read: what is stored meanwhile makes it old at once.
    const mark = markNow();
    if (kept?.mark === mark) return kept.json;
    const { timeZone } = await kitchen.get();
    const json = JSON.stringify(await flourLots.states(now().getTime(), timeZone));
    kept = { mark, json };
    return json;
  }

  // One after the other: whoever asks meanwhile finds it kept.
  const mutex = new Mutex();
  return (): Promise<string> => mutex.runExclusive(workOut);
}
