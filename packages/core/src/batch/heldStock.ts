import { COLDNESS, type Holding } from '../kitchen/holdings';
import type { BatchState } from './batchState';

const RANK = { warm: 0, room: 1, cold: 2, frozen: 3 } as const;
const rankOf = (how: Holding): number => RANK[COLDNESS[how]];

/** Bread that is held in one way, and since when its clock runs. */
interface HeldLot {
  how: Holding;
  pieces: number;
  atMs: number;
  /** It lay frozen before: it is not frozen again. */
  thawed?: true;
}

/** A lot with the coldest that it ever was, by rank. */
interface Lot extends HeldLot {
  coldest: number;
}

type Put = Pick<BatchState, 'held' | 'moved'>;

/** Takes pieces off lots of one way, the oldest first, and says what was taken. */
function takeOff(lots: readonly Lot[], how: Holding, pieces: number): Lot[] {
  let left = pieces;
  return lots
    .filter((lot) => lot.how === how)
    .map((lot) => {
      const taken = Math.min(left, lot.pieces);
      lot.pieces -= taken;
      left -= taken;
      return { ...lot, pieces: taken };
    });
}

/** A lot in another way. Its clock begins anew where it is colder than it ever was, and where it is thawed; any other move makes no bread younger. */
function carried(lot: Lot, to: Holding, atMs: number): Lot {
  const thaws = rankOf(lot.how) === RANK.frozen && rankOf(to) < RANK.frozen;
  const anew = thaws || rankOf(to) > lot.coldest;
  return {
    ...{
      how: to,
      pieces: lot.pieces,
      atMs: anew ? atMs : lot.atMs,
      coldest: Math.max(lot.coldest, rankOf(to)),
    },
    ...(thaws || lot.thawed ? { thawed: true as const } : {}),
  };
}

/**
 * Bread of a batch that is still held, each lot with the moment from which its clock runs.
 * @param state what was put away, and what became of it
 */
export function heldStock({ held, moved }: Put): HeldLot[] {
  const lots = held.map(({ how, pieces, at }): Lot => ({
    how,
    pieces,
    atMs: Date.parse(at),
    coldest: rankOf(how),
  }));
  for (const { from, to, pieces, at } of moved) {
    const taken = takeOff(lots, from, pieces);
    if (to !== 'tray' && to !== 'thrown out')
      lots.push(...taken.map((lot) => carried(lot, to, Date.parse(at))));
  }
  return lots.flatMap(({ coldest: _, ...lot }) => (lot.pieces > 0 ? [lot] : []));
}

/**
 * Held pieces that were thrown out.
 * @param state what became of held bread
 */
export const thrownOut = ({ moved }: Pick<BatchState, 'moved'>): number =>
  moved.reduce((sum, { to, pieces }) => (to === 'thrown out' ? sum + pieces : sum), 0);

/**
 * Pieces that may go from one way to another: what was thawed is not frozen again.
 * @param lots held bread of a batch
 * @param from the way it is held
 * @param to where it is to go
 */
export const movable = (lots: readonly HeldLot[], from: Holding, to: string): number =>
  lots
    .filter(
      ({ how, thawed }) =>
        how === from && !(thawed && to in COLDNESS && COLDNESS[to as Holding] === 'frozen'),
    )
    .reduce((sum, { pieces }) => sum + pieces, 0);
