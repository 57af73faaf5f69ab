import type { BatchEvent } from '@kettle-scale/core/batch';
import type { Logger } from 'pino';
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
  logger: Logger,
): void {
  const onPlate = new Map<string, number>();
  hub.subscribe((news) => {
    if (news.type !== 'event' || !MOVES_PIECES.has(news.event.type)) return;
    batches
      .onPlate(news.batchId)
      .then((pieces) => {
        onPlate.set(news.batchId, pieces);
        devices.load([...onPlate.values()].reduce((sum, count) => sum + count, 0));
      })
      .catch((error: unknown) => logger.warn(error, 'The load of the plate could not be counted.'));
  });
}
