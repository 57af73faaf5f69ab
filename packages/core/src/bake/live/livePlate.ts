import { type Words, message } from '../../message/message';

/** Seconds that one act of the hands takes: two acts nearer than this collide. */
export const HAND_S = 4;
const MS_PER_S = 1000;
const LOOK_S = 0.5;
/** Nobody is asked to wait longer than this for a gap. */
const LONGEST_GAP_S = 60;

/**
 * Places that one pair of hands keeps busy: each piece takes an act to put it on, one for each turn and one to take it off.
 * @param sidesS seconds of its sides and fires
 * @returns at least one
 */
export const placesForHands = (sidesS: readonly number[]): number =>
  Math.max(1, Math.floor(sidesS.reduce((sum, s) => sum + s, 0) / ((sidesS.length + 1) * HAND_S)));

/** A piece over heat as the clock sees it. */
export interface Timed {
  piece: number;
  place: number | null;
  /** When its next act is due, and how long the present side is meant to take. */
  dueMs: number;
  sideS: number;
  /** Its batch, where it is another than the one on the screen. */
  of?: string;
}

/** Seconds until an act is due; below zero when it is late. */
export const remainingS = ({ dueMs }: Pick<Timed, 'dueMs'>, nowMs: number): number =>
  (dueMs - nowMs) / MS_PER_S;

/**
 * When the next piece should go on, ms: the earliest moment from now at which none of its acts falls on one that is
 * already due, or was just done. Its acts come after each of `sidesS` in turn.
 */
export function nextOnMs(
  onPlate: readonly Pick<Timed, 'dueMs'>[],
  sidesS: readonly number[],
  nowMs: number,
): number {
  let elapsed = 0;
  const acts = [0, ...sidesS.map((s) => (elapsed += s))];
  const clear = (startMs: number) =>
    onPlate.every(({ dueMs }) =>
      acts.every((after) => Math.abs(startMs + after * MS_PER_S - dueMs) >= HAND_S * MS_PER_S),
    );
  for (let waitS = 0; waitS <= LONGEST_GAP_S; waitS += LOOK_S) {
    const startMs = nowMs + waitS * MS_PER_S;
    if (clear(startMs)) return startMs;
  }
  return nowMs;
}

/** The shares of their sides that pieces are kept waiting when they are taken in this order, added up. */
function waitedShares(order: readonly Timed[], nowMs: number): number {
  let freeMs = nowMs;
  return order.reduce((sum, { dueMs, sideS }) => {
    const startMs = Math.max(freeMs, dueMs);
    freeMs = startMs + HAND_S * MS_PER_S;
    return sum + (startMs - dueMs) / MS_PER_S / sideS;
  }, 0);
}

/** Shares no farther apart are the same: sides of one length would change places with every rounding. */
const SAME_SHARE = 1e-6;

/**
 * Acts that one pair of hands cannot do in time: the pieces due within the next few seconds of each other, in the order
 * that keeps them waiting least for their sides' lengths. Null when nothing collides.
 * @param onPlate pieces with the instant of their next act
 * @param nowMs the instant, ms
 * @returns the two in the order to take them
 */
export function collision(onPlate: readonly Timed[], nowMs: number): [Timed, Timed] | null {
  const soon = [...onPlate].sort((a, b) => a.dueMs - b.dueMs);
  const [first, second] = soon;
  if (!first || !second) return null;
  if (second.dueMs - Math.max(first.dueMs, nowMs) >= HAND_S * MS_PER_S) return null;
  if (remainingS(first, nowMs) > 2 * HAND_S) return null;
  const inTurn: [Timed, Timed] = [first, second];
  const swapped: [Timed, Timed] = [second, first];
  return waitedShares(swapped, nowMs) < waitedShares(inTurn, nowMs) - SAME_SHARE ? swapped : inTurn;
}

/**
 * @param order what `collision` found
 * @returns one sentence
 */
export function collisionWords([first, second]: readonly [Timed, Timed]): Words {
  const name = ({ place, piece, of }: Timed) => {
    const where = place ? message('{place, number}', { place }) : message('piece {piece}', { piece });
    return of ? message('{where} ({of})', { where, of: { name: of } }) : where;
  };
  return message('{name} first, then {name2}.', { name: name(first), name2: name(second) });
}

/** A plate this far from what is wanted is not ready, °C. */
const READY_C = 8;

/**
 * Why the first piece should wait; null when the plate is ready, or nobody reads it.
 * @param reading plate by the thermometer, °C
 * @param wantedC plate that the formula wants, °C
 * @returns one sentence, or null
 */
export function notReadyWords(
  reading: { tempC: number; steady: boolean } | null,
  wantedC: number,
): Words | null {
  if (!reading) return null;
  const off = reading.tempC - wantedC;
  if (off < -READY_C) return message('The plate is {off} too cold.', { off: { kelvin: off } });
  if (off > READY_C) return message('{off} too hot: lower it or wipe it.', { off: { kelvin: off } });
  return reading.steady ? null : 'Nearly there: the plate still moves.';
}

/** How a piece stands: its side of so many, the share of that side that is over. */
export interface PieceStands {
  side: number;
  sides: number;
  share: number;
  flame: boolean;
  pressed?: boolean | undefined;
  longPast?: boolean;
}

/**
 * What should be seen now: by how far the side is, and what follows it.
 * @param piece where the piece stands
 * @returns one sentence
 */
export function cueWords({ side, sides, share, flame, pressed, longPast }: PieceStands): string {
  if (longPast) return 'Look underneath: it may be burnt.';
  if (flame) return 'A few dark blisters.';
  if (side === 1) {
    if (share < FIRST_THIRD) return 'Top still wet and white.';
    return share < 1 ? 'Top matt, small bubbles.' : 'Bubbles, freckles below.';
  }
  if (side < sides) return 'Freckles below, lifting in places.';
  if (share < FIRST_THIRD) {
    return pressed ? 'Puffing: press lightly, rim inwards.' : 'Puffing: leave it be.';
  }
  return share < 1 ? 'Steam at the edge.' : 'Freckles on both sides.';
}
const FIRST_THIRD = 0.35;
