import type { BatchEvent } from '@kettle-scale/core/batch';
import type { BatchStore } from '../batches/store';
import type { Hub } from '../live/hub';
import type { Devices } from './devices';

/** Acts after which another number of pieces may lie on the plate. */
const MOVES_PIECES: ReadonlySet<BatchEvent['type']> = new Set([
  'piece-on',
  'piece-off',
  'void',
  'finished',
  'abandoned',
]);

/** Lets the stand-in of the plate feel what lies on it, of all batches together, as acts are stored. */
export function followPlateLoad(
  hub: Hub,
  batches: Pick<BatchStore, 'onPlate'>,
  devices: Pick<Devices, 'load'>,
): void {
  const onPlate = new Map<string, number>();
  hub.subscribe((news) => {
    if (news.type !== 'event' || !MOVES_PIECES.has(news.event.type)) return;
    onPlate.set(news.batchId, batches.onPlate(news.batchId));
    devices.load([...onPlate.values()].reduce((sum, count) => sum + count, 0));
  });
}
