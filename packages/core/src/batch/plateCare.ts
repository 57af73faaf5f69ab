import type { PlateCare } from '../formula/methodSchema';
import type { BatchState } from './batchState';

/**
 * What the plate is due before the next piece goes on; nothing before the first, which meets a clean plate.
 * @param care what the formula does for its plate
 * @param state what was done, and how many pieces came off
 * @returns what is due, in the order of the work
 */
export const careDue = (
  care: readonly PlateCare[] | undefined,
  { cared, piecesOff, onPlate }: Pick<BatchState, 'cared' | 'piecesOff' | 'onPlate'>,
): PlateCare[] =>
  (care ?? []).filter(({ what, every }) => {
    const last = cared.findLast((one) => one.what === what)?.afterPieces ?? 0;
    return piecesOff + onPlate.length - last >= every;
  });
