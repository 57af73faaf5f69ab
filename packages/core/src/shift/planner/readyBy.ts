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
  /** With rests that are not cut to their earliest. */
  unhurried: number;
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

/** An unhurried rest goes to the middle of its window, and no further than half as long again as its earliest (assumption). */
const UNHURRIED_SHARE = 0.5;

/** What the rests of a batch can be shortened by from unhurried ones, s. */
const slackOf = ({ rest1, rest2 }: LineBread): number =>
  [rest1, rest2].reduce(
    (sum, [earliest, latest]) => sum + UNHURRIED_SHARE * Math.min(latest - earliest, earliest),
    0,
  );

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
    unhurried: latest.start - slackOf(bread),
    mostBalls: mostBalls(bread, plate, ask.helperRolls),
  };
}

/** A way to be in time after all. */
export type WayInTime =
  | { way: 'shorter rest'; byS: number }
  | { way: 'fewer pieces'; pieces: number }
  | { way: 'later'; readyBy: number }
  | { way: 'another bread'; bread: string; pieces: number };

/**
 * What can be done when a batch begun now would be late: with unhurried rests, shorter ones within their windows; with rests at
 * their earliest already, fewer pieces, a bread that is made sooner, or later.
 * @param bread the bread
 * @param plate the plate
 * @param ask what is asked
 * @param nowS s from midnight
 * @param others other breads of the kitchen
 * @returns how late it would be, with unhurried rests where shorter ones are a way; null when it is in time
 */
export function waysInTime(
  bread: LineBread,
  plate: Plate,
  ask: ReadyAsk,
  nowS: number,
  others: readonly LineBread[],
): { lateS: number; ways: WayInTime[] } | null {
  const { start } = latestStart(bread, plate, ask);
  const unhurried = start - slackOf(bread);
  if (unhurried >= nowS) return null;
  if (start >= nowS) {
    const byS = nowS - unhurried;
    const later = Math.ceil(ask.readyBy + byS);
    return {
      lateS: byS,
      ways: [
        { way: 'shorter rest', byS },
        { way: 'later', readyBy: later },
      ],
    };
  }
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
