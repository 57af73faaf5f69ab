import { type PlateStands, handsNow } from './handsNow';
import {
  type Around,
  type LivePiece,
  type OnPlate,
  freePlace,
  livePieces,
  nextPieceNumber,
} from './livePieces';
import { HAND_S } from './livePlate';

const MS_PER_S = 1000;
/** More acts than a batch has on any plate. */
const MOST_ACTS = 5000;
/** More moments than can pass between two acts. */
const MOST_MOMENTS = 200;

/** A piece as the fold of a batch has it, where something lies. */
type Lying = OnPlate & { plateC?: number | null | undefined };

/** The plate's work as it stands: what lies, what is still to come, which numbers were given. */
export interface PlateWork {
  onPlate: readonly Lying[];
  /** Balls that have not been on the plate. */
  left: number;
  used: readonly number[];
  begun: number;
}

/** What acts are counted by: times, places, and what others have on the plate. */
export interface CountedBy extends Around {
  placeCount: number;
  others: NonNullable<PlateStands['others']> & readonly Pick<LivePiece, 'place'>[];
  /** Heat that a piece meets on a place, °C; null where nobody reads the plate. */
  readC: (place: number) => number | null;
  /** Seconds of a piece that goes on a place at an instant. */
  secondsOfNext: (place: number, atMs: number) => readonly number[];
}

/** An act of the hands, at its time. */
export interface PlateAct {
  kind: 'put' | LivePiece['next'];
  piece: number;
  place: number;
  /** The side that lies down by a turn. */
  side: number;
  atMs: number;
}

/** What a cook has put off: everything, one piece, or the next one to go on. */
export interface PutOff {
  untilMs: number;
  pieces: Readonly<Record<number, number>>;
  putUntilMs: number;
}
export const NOTHING_PUT_OFF: PutOff = { untilMs: 0, pieces: {}, putUntilMs: 0 };

/** Seconds that one press puts off: everything; one piece; the next one, until somebody has rolled it. */
const PUT_OFF_S = { all: 3, piece: 10, put: 15 } as const;
/** An act that was told longer ago than this was done: a press means the one that comes. */
const FRESH_S = 10;

/** Whether a press is about an act that was told just now, rather than about the one that comes. */
export const isJustTold = (act: Pick<PlateAct, 'atMs'> | null, nowMs: number): boolean =>
  act !== null && nowMs - act.atMs < FRESH_S * MS_PER_S;

/**
 * The hands are behind: everything comes later.
 * @param off what is put off already; a second press adds to it
 */
export const putAllOff = (off: PutOff, nowMs: number): PutOff => ({
  ...off,
  untilMs: Math.max(off.untilMs, nowMs) + PUT_OFF_S.all * MS_PER_S,
});

/** One act is passed over: the others go on. */
export const putActOff = (off: PutOff, { kind, piece }: PlateAct, nowMs: number): PutOff =>
  kind === 'put'
    ? { ...off, putUntilMs: nowMs + PUT_OFF_S.put * MS_PER_S }
    : { ...off, pieces: { ...off.pieces, [piece]: nowMs + PUT_OFF_S.piece * MS_PER_S } };

const actOf = (one: LivePiece, atMs: number): PlateAct => ({
  kind: one.next,
  piece: one.piece,
  place: one.place,
  side: one.side + 1,
  atMs,
});

/**
 * The next act of one pair of hands and its time: what `handsNow` would ask for first, from an instant on.
 * @param work the plate as it stands
 * @param by times and places
 * @param off what was put off
 * @param fromMs when the hands are free
 * @returns null when nothing is left to do
 */
export function nextPlateAct(work: PlateWork, by: CountedBy, off: PutOff, fromMs: number): PlateAct | null {
  const pieces = livePieces(work.onPlate, by)
    .map((one) => ({ ...one, dueMs: Math.max(one.dueMs, off.pieces[one.piece] ?? 0) }))
    .sort((a, b) => a.dueMs - b.dueMs);
  const place = freePlace([...pieces, ...by.others], by.placeCount);
  let atMs = Math.max(fromMs, off.untilMs);
  for (let moment = 0; moment < MOST_MOMENTS; moment += 1) {
    const mayPut = atMs >= off.putUntilMs;
    const hands = handsNow(
      {
        pieces,
        left: mayPut ? work.left : 0,
        nextPlace: place,
        nextSeconds: place === null ? [] : by.secondsOfNext(place, atMs),
        waiting: false,
        others: by.others,
      },
      atMs,
    );
    const first = pieces.find(({ piece }) => piece === hands.piece);
    if (hands.due && first) return actOf(first, atMs);
    if (hands.putNow && place !== null) {
      const piece = nextPieceNumber(work.used, work.begun);
      return { kind: 'put', piece, place, side: 1, atMs };
    }
    const later = [hands.nextOnMs, mayPut ? null : off.putUntilMs, ...pieces.map(({ dueMs }) => dueMs)];
    const next = later.filter((ms): ms is number => ms !== null && ms > atMs);
    if (next.length === 0) return null;
    atMs = Math.min(...next);
  }
  return null;
}

/** The plate after an act. */
export function afterAct(
  work: PlateWork,
  { kind, piece, place, side, atMs }: PlateAct,
  by: CountedBy,
): PlateWork {
  if (kind === 'put') {
    const lies: Lying = {
      piece,
      place,
      plateC: by.readC(place),
      side: 1,
      onMs: atMs,
      sinceMs: atMs,
      doneS: [],
    };
    return {
      onPlate: [...work.onPlate, lies],
      left: work.left - 1,
      used: [...work.used, piece],
      begun: work.begun + 1,
    };
  }
  const onPlate = work.onPlate.flatMap((one): Lying[] => {
    if (one.piece !== piece) return [one];
    if (kind === 'off') return [];
    return [{ ...one, side, sinceMs: atMs, doneS: [...one.doneS, (atMs - one.sinceMs) / MS_PER_S] }];
  });
  return { ...work, onPlate };
}

/**
 * The acts of one pair of hands between two instants, each at its time, as if the plan were followed to the second.
 * @param work the plate as it stands at the first instant
 * @param by times and places
 * @param off what was put off
 * @param fromMs when the hands are free
 * @param untilMs no act comes after it
 */
export function plateActs(
  work: PlateWork,
  by: CountedBy,
  off: PutOff,
  fromMs: number,
  untilMs: number,
): PlateAct[] {
  const acts: PlateAct[] = [];
  let stands = work;
  let freeMs = fromMs;
  while (acts.length < MOST_ACTS) {
    const act = nextPlateAct(stands, by, off, freeMs);
    if (!act || act.atMs > untilMs) break;
    acts.push(act);
    stands = afterAct(stands, act, by);
    freeMs = handsFreeMs(act.atMs);
  }
  return acts;
}

/**
 * When the hands are free after an act, ms.
 * @param lastMs when the last act was, ms
 */
export const handsFreeMs = (lastMs: number): number => lastMs + HAND_S * MS_PER_S;
