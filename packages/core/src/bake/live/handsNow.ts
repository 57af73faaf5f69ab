import { type LivePiece, nextPieceMs } from './livePieces';

/** The plate as it stands between two acts of the cook. */
export interface PlateStands {
  /** Pieces over heat, the most urgent first. */
  pieces: readonly Pick<LivePiece, 'dueMs' | 'sinceMs'>[];
  /** Pieces that have not been on the plate yet. */
  left: number;
  /** A place that nothing lies on; null on a full plate. */
  nextPlace: number | null;
  /** Seconds of each side of the next piece. */
  nextSeconds: readonly number[];
  /** The plate is not ready for its first piece. */
  waiting: boolean;
}

export interface HandsNow {
  /** What the one action does: the most urgent piece goes forward, the next is put on, the step ends; null: only wait. */
  act: 'forward' | 'put' | 'finish' | null;
  /** The most urgent piece is at its time or past it. */
  due: boolean;
  /** The moment to put the next piece on is here. */
  putNow: boolean;
  /** When the next piece should go on; 0 once that is now, so that it stands still; null when none can. */
  nextOnMs: number | null;
}

/**
 * What one pair of hands should do at this instant. A piece that is due comes before a new one, and nothing is asked for
 * while the plate is not ready; who puts a piece on all the same may.
 */
export function handsNow(plate: PlateStands, nowMs: number): HandsNow {
  const { pieces, left, nextPlace, nextSeconds, waiting } = plate;
  const [first] = pieces;
  const canPut = nextPlace !== null && left > 0;
  const onMs = canPut ? nextPieceMs(pieces, nextSeconds, nowMs) : null;
  const due = first !== undefined && first.dueMs <= nowMs;
  const putNow = onMs !== null && onMs <= nowMs && !waiting && !due;
  const nextOnMs = onMs !== null && onMs <= nowMs ? 0 : onMs;
  const act = !first ? (left > 0 ? 'put' : 'finish') : putNow ? 'put' : 'forward';
  return { act: act === 'put' && !canPut ? null : act, due, putNow, nextOnMs };
}
