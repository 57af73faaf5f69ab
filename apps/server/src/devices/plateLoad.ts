import type { BatchEvent } from '@kettle-scale/core/batch';
import type { BatchStore } from '../batches/store';
import type { Hub } from '../live/hub';
import type { Devices } from './devices';

/** Acts that take back or end what came before: what lies there then is folded anew. */
const TURNS: ReadonlySet<BatchEvent['type']> = new Set(['void', 'finished', 'abandoned']);

/** Lets the stand-in of the plate feel what lies on it, of all batches together, as acts are stored. */
export function followPlateLoad(
  hub: Hub,
  batches: Pick<BatchStore, 'onPlate'>,
  devices: Pick<Devices, 'load'>,
): void {
  const lying = new Map<string, Set<number>>();
  hub.subscribe((news) => {
    if (news.type !== 'event') return;
    const { batchId, event } = news;
    const turns = TURNS.has(event.type);
    if (!turns && event.type !== 'piece-on' && event.type !== 'piece-off') return;
    const pieces = (turns ? undefined : lying.get(batchId)) ?? new Set(batches.onPlate(batchId));
    if (event.type === 'piece-on') pieces.add(event.piece);
    if (event.type === 'piece-off') pieces.delete(event.piece);
    if (turns && pieces.size === 0) lying.delete(batchId);
    else lying.set(batchId, pieces);
    devices.load([...lying.values()].reduce((sum, { size }) => sum + size, 0));
  });
}
