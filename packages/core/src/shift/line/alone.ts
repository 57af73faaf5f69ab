import type { LineBread, Shift, ShiftBatch } from '../shiftSchema';
import { HAND_S } from '../../bake/plate/pace';
import { actsS, onPlaceS } from './compile';

type Plate = Shift['plates'][number];

/** What may hold back the pace of the plate. */
export const PACE_LIMITS = ['room', 'heat', 'hands', 'rolling'] as const;
export type LinePaceLimit = (typeof PACE_LIMITS)[number];

/**
 * Seconds between two pieces that each thing allows.
 * @param bread the bread
 * @param plate the plate
 * @param helperRolls whether another pair of hands rolls
 */
const paceLimits = (
  bread: LineBread,
  { places }: Pick<Plate, 'places'>,
  helperRolls: boolean,
): Record<LinePaceLimit, number> => ({
  room: onPlaceS(bread) / places,
  heat: bread.heatS ?? 0,
  hands: actsS(bread),
  rolling: bread.rollS + (helperRolls ? 0 : actsS(bread)),
});

/**
 * Seconds between two pieces, and what holds them back.
 * @param bread the bread
 * @param plate the plate
 * @param helperRolls whether another pair of hands rolls
 */
export function linePace(bread: LineBread, plate: Pick<Plate, 'places'>, helperRolls: boolean) {
  const limits = paceLimits(bread, plate, helperRolls);
  const limit = PACE_LIMITS.reduce((most, one) => (limits[one] > limits[most] ? one : most));
  return { paceS: limits[limit], limit };
}

/**
 * From the beginning of weighing to balls that may be rolled, s.
 * @param bread the bread
 * @param n balls
 */
export const doughS = (bread: LineBread, n: number): number =>
  bread.weighS +
  bread.loadS +
  bread.mixS +
  bread.kneadS +
  bread.rest1[0] +
  n * bread.divideS +
  bread.rest2[0];

/**
 * From the beginning of a batch to balls that may be rolled, s: from flour, or out of the fridge.
 * @param shift the shift
 * @param batch bread, balls, and which cold dough it begins with
 */
export function leadS(
  { breads, cold = [] }: Pick<Shift, 'breads' | 'cold'>,
  { bread, n, cold: store }: Pick<ShiftBatch, 'bread' | 'n' | 'cold'>,
): number {
  const one = breads[bread]!;
  if (store === undefined) return doughS(one, n);
  const { as, warmS } = cold[store]!;
  return as === 'balls' ? warmS : warmS + n * one.divideS + one.rest2[0];
}

/**
 * When each piece is off the plate, s after rolling begins, with nobody else in the way: a recurrence over the pieces.
 * @param bread the bread
 * @param plate the plate
 * @param n pieces
 * @param helperRolls whether another pair of hands rolls
 */
export function pieceOffsets(
  bread: LineBread,
  { places }: Pick<Plate, 'places'>,
  n: number,
  helperRolls: boolean,
): number[] {
  const { rollS, ahead, heatS = 0 } = bread;
  const on: number[] = [];
  const off: number[] = [];
  let bakerFree = 0;
  let rollerFree = 0;
  for (let piece = 0; piece < n; piece += 1) {
    // A disc is begun when fewer than `ahead` lie rolled or are in hand; the same hands roll when they are free.
    const begun = helperRolls
      ? Math.max(rollerFree, piece >= ahead ? on[piece - ahead]! : 0)
      : Math.max(bakerFree, rollerFree);
    rollerFree = begun + rollS;
    if (!helperRolls) bakerFree = rollerFree;
    const onAt = Math.max(
      rollerFree,
      bakerFree,
      piece >= places ? off[piece - places]! : 0,
      piece > 0 ? on[piece - 1]! + heatS : 0,
    );
    on[piece] = onAt;
    off[piece] = onAt + onPlaceS(bread);
    bakerFree = onAt + actsS(bread);
  }
  return off;
}

/** A batch alone, counted back from when it must be ready. Seconds from midnight. */
export interface LatestStart {
  start: number;
  bakeAt: number;
  /** When the plate must be lit at the latest. */
  light: number;
  firstOffS: number;
  lastOffS: number;
}

/**
 * The latest start of one batch alone; a second later is late.
 * @param bread the bread
 * @param plate the plate
 * @param ask pieces, the time, whether the first or all must be there, and whether another pair of hands rolls
 */
export function latestStart(
  bread: LineBread,
  plate: Plate,
  ask: { pieces: number; readyBy: number; ready: 'first' | 'all'; helperRolls: boolean },
): LatestStart {
  const { pieces, readyBy, ready, helperRolls } = ask;
  const offsets = pieceOffsets(bread, plate, pieces, helperRolls);
  const [firstOffS = 0] = offsets;
  const lastOffS = offsets.at(-1) ?? 0;
  const bakeAt = readyBy - (ready === 'first' ? firstOffS : lastOffS);
  return {
    ...{ bakeAt, firstOffS, lastOffS },
    start: bakeAt - doughS(bread, pieces),
    light: bakeAt + bread.rollS - plate.preheatS,
  };
}

/**
 * The most balls that a batch may hold: the last is flattened before its rest is past its latest.
 * @param bread the bread
 * @param plate the plate
 * @param helperRolls whether another pair of hands rolls
 */
export const mostBalls = (bread: LineBread, plate: Pick<Plate, 'places'>, helperRolls: boolean): number =>
  1 +
  Math.floor((bread.rest2[1] - bread.rest2[0]) / Math.max(HAND_S, linePace(bread, plate, helperRolls).paceS));
