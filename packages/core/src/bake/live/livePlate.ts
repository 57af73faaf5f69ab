import { type Words, message } from '../../message/message';

/** Seconds that one act of the hands takes: two acts nearer than this collide. */
export const HAND_S = 4;
const MS_PER_S = 1000;
const LOOK_S = 0.5;
/** Nobody is asked to wait longer than this for a gap. */
const LONGEST_GAP_S = 60;

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

export interface Collision {
  /** In the order to take them. */
  order: Timed[];
  /** How long each waits beyond its time, s. */
  waitsS: number[];
}

/** The share of its side that a piece is kept waiting. */
const cost = (order: readonly Timed[], nowMs: number): { waitsS: number[]; cost: number } => {
  let freeMs = nowMs;
  const waitsS = order.map(({ dueMs }) => {
    const startMs = Math.max(freeMs, dueMs);
    freeMs = startMs + HAND_S * MS_PER_S;
    return (startMs - dueMs) / MS_PER_S;
  });
  return { waitsS, cost: waitsS.reduce((sum, wait, i) => sum + wait / (order[i]?.sideS ?? 1), 0) };
};

/**
 * Acts that one pair of hands cannot do in time: the pieces due within the next few seconds of each other, in the order
 * that keeps them waiting least for their sides' lengths. Null when nothing collides.
 * @param onPlate pieces with the instant of their next act
 * @param nowMs the instant, ms
 * @returns order of hands with the wait of each, s
 */
export function collision(onPlate: readonly Timed[], nowMs: number): Collision | null {
  const soon = [...onPlate].sort((a, b) => a.dueMs - b.dueMs);
  const [first, second] = soon;
  if (!first || !second) return null;
  if (second.dueMs - Math.max(first.dueMs, nowMs) >= HAND_S * MS_PER_S) return null;
  if (remainingS(first, nowMs) > 2 * HAND_S) return null;
  const inTurn = cost([first, second], nowMs);
  const swapped = cost([second, first], nowMs);
  const order = swapped.cost < inTurn.cost ? [second, first] : [first, second];
  return {
    order,
    waitsS:
      Math.min(inTurn.cost, swapped.cost) === swapped.cost && swapped.cost < inTurn.cost
        ? swapped.waitsS
        : inTurn.waitsS,
  };
}

/**
 * @param collision what `collision` found
 * @returns one sentence
 */
export function collisionWords({ order, waitsS }: Collision): Words {
  const [first, second] = order;
  const name = (one: Timed | undefined) => {
    const where = one?.place
      ? message('place {place, number}', { place: one.place })
      : message('piece {piece}', { piece: one?.piece ?? '' });
    return one?.of ? message('{where} ({of})', { where, of: { name: one.of } }) : where;
  };
  const waits = Math.round(waitsS[1] ?? 0);
  const share = Math.round((100 * (waitsS[1] ?? 0)) / (second?.sideS ?? 1));
  const after =
    waits <= 0
      ? 'it need not wait'
      : message('it waits {waits, number} s, {share, number} % of its side', { waits, share });
  return message('Two at once: {name} first, then {name2}; {after}.', {
    name: name(first),
    name2: name(second),
    after,
  });
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
  if (off < -READY_C) return message('Wait: the plate is {off} too cold.', { off: { kelvin: off } });
  if (off > READY_C)
    return message('Wait: the plate is {off} too hot. Lower it, or wipe it with a damp cloth.', {
      off: { kelvin: off },
    });
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
  if (longPast) return 'Long past its time: look underneath, it may be burnt.';
  if (flame) return 'Over the flame: move it, a few dark blisters are right.';
  if (side === 1) {
    if (share < FIRST_THIRD) return 'The top is still wet and white.';
    return share < 1
      ? 'The top turns matt; small bubbles come up.'
      : 'Bubbles all over, freckles below: turn it.';
  }
  if (side < sides) return 'Brown freckles below; steam lifts it in places.';
  if (share < FIRST_THIRD) {
    return pressed
      ? 'It begins to puff: press lightly, from the rim inwards.'
      : 'It begins to puff; leave it be.';
  }
  return share < 1 ? 'Steam at the edge, freckles below.' : 'Freckles on both sides: take it off.';
}
const FIRST_THIRD = 0.35;
