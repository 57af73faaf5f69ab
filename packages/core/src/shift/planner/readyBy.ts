import { doughS, latestStart, type LatestStart, linePace, mostBalls } from '../line/alone';
import { type LineBread, SHIFT_DEFAULTS, type Shift } from '../shiftSchema';

type Plate = Shift['plates'][number];

/** One batch that must be ready by a time. */
export interface ReadyAsk {
  pieces: number;
  /** s from midnight. */
  readyBy: number;
  /** The first piece, or all of them. */
  ready: 'first' | 'all';
  helperRolls: boolean;
}

/** Counted back from the time, once as the steps usually take and once so that nine batches in ten are in time. */
export interface ReadyBy extends LatestStart {
  safest: number;
  /** What spreads: a standard deviation, s. */
  spreadS: number;
  /** The last ball would be past its latest: a batch holds fewer. */
  mostBalls: number;
}

/** Nine in ten of a normal lie below so many standard deviations. */
const NINE_IN_TEN = 1.2816;

/** Standard deviation of a batch's time up to its last piece, s. */
function spreadOf(bread: LineBread, pieces: number, paceS: number): number {
  const { handCv, machineCv } = SHIFT_DEFAULTS;
  const kneadCv = bread.kneadByHand ? handCv : machineCv;
  const parts = [
    handCv * bread.weighS,
    handCv * bread.loadS,
    machineCv * bread.mixS,
    kneadCv * bread.kneadS,
    (handCv / 2) * pieces * bread.divideS,
    handCv * Math.sqrt(pieces) * paceS,
  ];
  return Math.sqrt(parts.reduce((sum, part) => sum + part * part, 0));
}

/**
 * When a batch must be begun, and its plate lit, to be ready by a time.
 * @param bread the bread
 * @param plate the plate
 * @param ask pieces, time, first or all, and who rolls
 */
export function readyBy(bread: LineBread, plate: Plate, ask: ReadyAsk): ReadyBy {
  const latest = latestStart(bread, plate, ask);
  const { paceS } = linePace(bread, plate, ask.helperRolls);
  const spreadS = spreadOf(bread, ask.pieces, ask.ready === 'all' ? paceS : 0);
  return {
    ...latest,
    spreadS,
    safest: latest.start - NINE_IN_TEN * spreadS,
    mostBalls: mostBalls(bread, plate, ask.helperRolls),
  };
}

/** A way to be in time after all. */
export type WayInTime =
  | { way: 'fewer pieces'; pieces: number }
  | { way: 'later'; readyBy: number }
  | { way: 'another bread'; bread: string; pieces: number };

/**
 * What can be done when a batch begun now would be late: fewer pieces, later, or a bread that is made sooner. Rests stay at
 * their earliest already, so there is nothing to shorten.
 * @param bread the bread
 * @param plate the plate
 * @param ask what is asked
 * @param nowS s from midnight
 * @param others other breads of the kitchen
 * @returns null when it is in time
 */
export function waysInTime(
  bread: LineBread,
  plate: Plate,
  ask: ReadyAsk,
  nowS: number,
  others: readonly LineBread[],
): { lateS: number; ways: WayInTime[] } | null {
  const { start } = latestStart(bread, plate, ask);
  if (start >= nowS) return null;
  const inTime = (one: LineBread, pieces: number) =>
    latestStart(one, plate, { ...ask, pieces, ready: 'all' }).start >= nowS;
  let fewer = ask.pieces - 1;
  while (fewer > 0 && !inTime(bread, fewer)) fewer -= 1;
  const other = others
    .filter(({ id }) => id !== bread.id)
    .filter((one) => latestStart(one, plate, ask).start >= nowS)
    .sort((a, b) => doughS(a, ask.pieces) - doughS(b, ask.pieces))[0];
  return {
    lateS: nowS - start,
    ways: [
      ...(fewer > 0 ? [{ way: 'fewer pieces', pieces: fewer } as const] : []),
      ...(other
        ? [{ way: 'another bread', bread: other.name ?? other.id, pieces: ask.pieces } as const]
        : []),
      { way: 'later', readyBy: Math.ceil(ask.readyBy + nowS - start) } as const,
    ],
  };
}
