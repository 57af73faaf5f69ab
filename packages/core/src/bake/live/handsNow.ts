import { type LivePiece, nextPieceMs } from './livePieces';
import { HAND_S, type Timed, collision } from './livePlate';

const MS_PER_S = 1000;

type HandPiece = Pick<
  LivePiece,
  'piece' | 'place' | 'side' | 'dueMs' | 'sinceMs' | 'sideS' | 'flame' | 'next'
>;

/** The plate as it stands between two acts of the cook. */
export interface PlateStands {
  /** Pieces over heat, the most urgent first. */
  pieces: readonly HandPiece[];
  /** Pieces that have not been on the plate yet. */
  left: number;
  /** A place that nothing lies on; null on a full plate. */
  nextPlace: number | null;
  /** Seconds of each side and fire of the next piece, and so of those that lie. */
  nextSeconds: readonly number[];
  /** The plate is not ready for its first piece. */
  waiting: boolean;
  /** Pieces of other batches: the next piece keeps clear of their acts too. */
  others?: readonly Pick<LivePiece, 'dueMs' | 'sinceMs'>[];
}

export interface HandsNow {
  /** The act that comes next, which the one action does: a piece goes forward, the next is put on, the step ends; null: wait. */
  act: 'forward' | 'put' | 'finish' | null;
  /** The piece that the hands go to first; null on an empty plate. */
  piece: number | null;
  /** That piece is at its time or past it. */
  due: boolean;
  /** The moment to put the next piece on is here. */
  putNow: boolean;
  /** When the next piece should go on; 0 once that is now, so that it stands still; null when none can. */
  nextOnMs: number | null;
}

/**
 * The piece that one pair of hands goes to first. A fire is over in seconds and a side can wait: whatever is over the flame
 * comes first from one act of the hands before its time on, and no second piece is sent to the fire meanwhile.
 */
function firstOf(pieces: readonly HandPiece[], nowMs: number): HandPiece | undefined {
  const fire = pieces.find(({ flame }) => flame);
  if (fire && fire.dueMs - nowMs < HAND_S * MS_PER_S) return fire;
  const open = fire ? pieces.filter((one) => one === fire || one.next !== 'fire') : pieces;
  const due = open.filter(({ dueMs }) => dueMs <= nowMs);
  // Of a crowd, the one that has waited longest for its side: by pairs, the longest side would always give way.
  const waited = ({ dueMs, sideS }: HandPiece) => (nowMs - dueMs) / sideS;
  if (due.length > 2) return due.reduce((most, one) => (waited(one) > waited(most) ? one : most));
  if (due.length > 1) {
    const number = collision(due, nowMs)?.[0].piece;
    return due.find(({ piece }) => piece === number) ?? due[0];
  }
  return due[0] ?? open[0];
}

/** When the hands are wanted by what lies on the plate: its next acts, and those that follow them. */
const wantedAt = (pieces: readonly HandPiece[], sidesS: readonly number[]): Moment[] =>
  pieces.flatMap((one): Moment[] => {
    let dueMs = one.dueMs;
    const later = sidesS.slice(one.side).map((s): Moment => {
      dueMs += s * MS_PER_S;
      return { dueMs, sinceMs: one.sinceMs };
    });
    return [one, ...later];
  });
type Moment = Pick<LivePiece, 'dueMs' | 'sinceMs'>;

/** Moments are told on a grid, so that one that is counted from now stands still from look to look. */
const GRID_MS = 500;

/**
 * What one pair of hands should do at this instant. A piece that is due comes before a new one, and nothing is asked for
 * while the plate is not ready; who puts a piece on all the same may.
 * @param plate the plate, its pieces and whether more may go on
 * @param nowMs the instant, ms
 * @returns the one act that is due, or what is waited for
 */
export function handsNow(plate: PlateStands, nowMs: number): HandsNow {
  const { pieces, left, nextPlace, nextSeconds, waiting, others = [] } = plate;
  const first = firstOf(pieces, nowMs);
  const canPut = nextPlace !== null && left > 0;
  const onMs = canPut ? nextPieceMs([...wantedAt(pieces, nextSeconds), ...others], nextSeconds, nowMs) : null;
  const due = first !== undefined && first.dueMs <= nowMs;
  const byTheFire = first?.flame === true;
  const putNow = onMs !== null && onMs <= nowMs && !waiting && !due && !byTheFire;
  const nextOnMs = onMs === null ? null : onMs <= nowMs ? 0 : Math.ceil(onMs / GRID_MS) * GRID_MS;
  const putFirst =
    putNow || (nextOnMs !== null && !waiting && !byTheFire && !due && nextOnMs < (first?.dueMs ?? 0));
  const act = !first ? (left > 0 ? 'put' : 'finish') : putFirst ? 'put' : 'forward';
  return {
    ...{ due, putNow, nextOnMs, piece: first?.piece ?? null },
    act: act === 'put' && !canPut ? null : act,
  };
}

/**
 * A side that is still raw by the model, or has lain less than this share of its time where the model does not say, was hardly
 * meant to be turned when more than this is left.
 */
const EARLY = { share: 0.25, ofEarliest: 0.7, leftS: 5 } as const;
/**
 * A piece that has lain so far past its latest by the model was forgotten, or its act was; where the model does not say,
 * this many times its side and this long over it.
 */
const LONG = { pastLatest: 1.2, overLatestS: 5, times: 2, overS: 15 } as const;

type Lain = Pick<LivePiece, 'sinceMs' | 'sideS' | 'dueMs' | 'latestS' | 'earliestS'>;

/**
 * Whether a piece has lain so long that it must be burnt or dry, if it is still there.
 * @param lain since when it lies, and its side, due and latest, s
 * @param nowMs the instant, ms
 */
export function isLongPast(
  { sinceMs, sideS, dueMs, latestS }: Omit<Lain, 'earliestS'>,
  nowMs: number,
): boolean {
  const lainS = (nowMs - sinceMs) / MS_PER_S;
  const overS = (nowMs - dueMs) / MS_PER_S;
  return latestS === null
    ? lainS > LONG.times * sideS && overS > LONG.overS
    : lainS > LONG.pastLatest * latestS && lainS > latestS + LONG.overLatestS;
}

/**
 * Whether an act on a piece needs a word first: too early to be meant, or so late that the piece is burnt or was taken off
 * without a tap.
 * @param piece a piece on the plate
 * @param nowMs the instant, ms
 * @returns what to ask first, or null when the act is plain
 */
export function doubtOf(piece: Lain, nowMs: number): 'early' | 'long' | null {
  const { sinceMs, sideS, dueMs, earliestS } = piece;
  const lainS = (nowMs - sinceMs) / MS_PER_S;
  const overS = (nowMs - dueMs) / MS_PER_S;
  const rawS = earliestS === null ? EARLY.share * sideS : EARLY.ofEarliest * earliestS;
  if (lainS < rawS && -overS > EARLY.leftS) return 'early';
  return isLongPast(piece, nowMs) ? 'long' : null;
}

/** Pieces of other batches that have lain longer than this were forgotten by their batch, not by the plate. */
const FORGOTTEN_S = 600;

/** Another batch on the same plate, with the seconds of its sides and fires. */
export interface OtherBatch {
  name: string;
  secondsS: readonly number[];
  onPlate: readonly { piece: number; place: number | null; side: number; sinceMs: number }[];
}

/** A piece of another batch: it has its place, and its next act wants the same hands. */
export interface OtherPiece extends Timed {
  place: number;
  sinceMs: number;
  /** Name of its batch. */
  of: string;
}

/**
 * Pieces of other batches that lie on places: one plate, one piece a place, one pair of hands.
 * @param others running batches on the same plate
 * @param nowMs the instant, ms
 * @returns each with when its next act is due, by the seconds of its formula
 */
export const piecesOfOthers = (others: readonly OtherBatch[], nowMs: number): OtherPiece[] =>
  others.flatMap(({ name, secondsS, onPlate }) =>
    onPlate.flatMap(({ piece, place, side, sinceMs }): OtherPiece[] => {
      if (place === null || nowMs - sinceMs >= FORGOTTEN_S * MS_PER_S) return [];
      const sideS = secondsS[side - 1] ?? 0;
      return [{ piece, place, sinceMs, sideS, dueMs: sinceMs + sideS * MS_PER_S, of: name }];
    }),
  );
