import { SHIFT_DEFAULTS, type Shift } from '../shiftSchema';
import { aroundOne, gammaAroundOne, poisson, rejectShareOf, sourceOf } from '../chance';
import { DRAWN_BATCHES } from '../line/lineState';
import { lateWave, slotMeans } from './demand';

/** What of a batch is drawn: its place in `work`. */
export const DRAWN = { weigh: 0, load: 1, mix: 2, knead: 3, divide: 4 } as const;
export const DRAWN_STEPS = Object.keys(DRAWN).length;

/** Powers of two, so that an index wraps by a mask. */
export const ROLL_DRAWS = 512;
export const REJECT_DRAWS = 1024;

/** What chance has to say about the work of a day. */
export interface Luck {
  /** By bread, factors on the times of each batch's steps. */
  work: Float64Array[];
  /** Factors on rolling, and by bread draws and shares of rejects. */
  roll: Float64Array;
  rejectDraw: Float64Array[];
  rejectShare: Float64Array[];
}

/** Everything that chance has to say about one day. */
export interface ShiftDay {
  /** By bread, when each guest comes, in order, s from midnight. */
  wanted: Float64Array[];
  /** The work's part: drawn when it is first asked for, because many days are only served. */
  luck: () => Luck;
}

/** How a day differs from what is told. */
export interface DayKind {
  /** More or fewer guests than expected. */
  factor?: number;
  /** Waves come later, s. */
  lateS?: number;
  /** Who came before this has come already, s from midnight. */
  after?: number;
}

/** What a draw is of: each has a source of its own. */
const KEY = { day: 1, guests: 2, work: 3, roll: 4, rejectDraw: 5, rejectShare: 6 } as const;

/** Hands divide more evenly than they weigh: half the spread (assumption). */
const DIVIDE_SHARE = 0.5;

function guestsOf(shift: Shift, bread: number, keys: [number, number], factor: number, lateS: number) {
  const { waves = [], orders = [] } = shift.breads[bread]!;
  const uniform = sourceOf(...keys, KEY.guests, bread);
  const slotS = shift.slotS ?? SHIFT_DEFAULTS.slotS;
  const moved = lateS === 0 ? waves : waves.map((wave) => lateWave(wave, lateS, shift.serviceTo));
  const come: number[] = [];
  slotMeans(shift, moved).forEach((mean, slot) => {
    const count = poisson(uniform, mean * factor);
    for (let guest = 0; guest < count; guest += 1) {
      come.push(shift.serviceFrom + (slot + uniform()) * slotS);
    }
  });
  for (const { at, pieces } of orders) come.push(...Array<number>(pieces).fill(at));
  return Float64Array.from(come).sort();
}

function drawLuck(shift: Shift, seed: number, day: number): Luck {
  const { hand = SHIFT_DEFAULTS.handCv, machine = SHIFT_DEFAULTS.machineCv } = shift.spread ?? {};
  return {
    work: shift.breads.map(({ kneadByHand }, bread) => {
      const uniform = sourceOf(seed, day, KEY.work, bread);
      const draws = [hand, hand, machine, kneadByHand ? hand : machine, hand * DIVIDE_SHARE].map((cv) =>
        aroundOne(uniform, cv),
      );
      return Float64Array.from({ length: DRAWN_BATCHES * DRAWN_STEPS }, (_, at) =>
        draws[at % DRAWN_STEPS]!(),
      );
    }),
    roll: Float64Array.from({ length: ROLL_DRAWS }, aroundOne(sourceOf(seed, day, KEY.roll), hand)),
    rejectDraw: shift.breads.map((_, bread) =>
      Float64Array.from({ length: REJECT_DRAWS }, sourceOf(seed, day, KEY.rejectDraw, bread)),
    ),
    rejectShare: shift.breads.map(({ rejectShare = 0 }, bread) => {
      const uniform = sourceOf(seed, day, KEY.rejectShare, bread);
      return Float64Array.from({ length: DRAWN_BATCHES }, () => rejectShareOf(uniform, rejectShare));
    }),
  };
}

/** Draws once, when it is first asked for. */
function once<T>(draw: () => T): () => T {
  let drawn: T | undefined;
  return () => (drawn ??= draw());
}

/**
 * Draws a day: one factor for all breads, guests that come as they like within a slot, times and rejects.
 * @param shift the shift
 * @param seed of the story
 * @param day its number; the same seed and number give the same day
 * @param kind how it differs from what is told
 */
export function drawDay(shift: Shift, seed: number, day: number, kind: DayKind = {}): ShiftDay {
  const factor =
    (kind.factor ?? 1) * gammaAroundOne(sourceOf(seed, day, KEY.day), shift.dayK ?? SHIFT_DEFAULTS.dayK);
  const { lateS = 0, after = -Infinity } = kind;
  return {
    wanted: shift.breads.map((_, bread) =>
      guestsOf(shift, bread, [seed, day], factor, lateS).filter((at) => at > after),
    ),
    luck: once(() => drawLuck(shift, seed, day)),
  };
}

const USUAL_WORK = new Float64Array(DRAWN_BATCHES * DRAWN_STEPS).fill(1);
const USUAL_ROLL = new Float64Array(ROLL_DRAWS).fill(1);
const NO_REJECT = new Float64Array(REJECT_DRAWS).fill(1);
const NO_SHARE = new Float64Array(DRAWN_BATCHES);

/**
 * A day on which everything takes its usual time and nothing is rejected.
 * @param shift the shift
 * @param wanted by bread, when guests come; nobody where it is left out
 */
export function usualDay(shift: Shift, wanted?: readonly (readonly number[])[]): ShiftDay {
  const luck: Luck = {
    work: shift.breads.map(() => USUAL_WORK),
    roll: USUAL_ROLL,
    rejectDraw: shift.breads.map(() => NO_REJECT),
    rejectShare: shift.breads.map(() => NO_SHARE),
  };
  return {
    wanted: shift.breads.map((_, bread) => Float64Array.from(wanted?.[bread] ?? []).sort()),
    luck: () => luck,
  };
}
