import type { LineRun } from './lineState';

/** What guests and pieces of one bread come to. */
export interface Served {
  taken: number;
  lost: number;
  waitS: number;
  /** Pieces that were past their holding before anybody wanted them. */
  tooOld: number;
  /** Index of the first piece that nobody took. */
  next: number;
}

/**
 * Guests take the oldest good piece, or wait for the next as long as they are patient.
 * @param ready when each piece came off the plate, in order, s
 * @param wanted when each guest comes, in order, s
 * @param holdS how long a piece is good
 * @param patienceS how long a guest waits
 * @param onLost told of each guest who goes without, by when they came
 */
export function serve(
  ready: ArrayLike<number>,
  wanted: ArrayLike<number>,
  holdS: number,
  patienceS: number,
  onLost?: (at: number) => void,
): Served {
  let next = 0;
  let taken = 0;
  let waitS = 0;
  let tooOld = 0;
  for (let guest = 0; guest < wanted.length; guest += 1) {
    const at = wanted[guest]!;
    while (next < ready.length && ready[next]! + holdS < at) {
      next += 1;
      tooOld += 1;
    }
    const off = next < ready.length ? ready[next]! : Infinity;
    if (off <= at + patienceS) {
      taken += 1;
      waitS += Math.max(0, off - at);
      next += 1;
    } else {
      waitS += patienceS;
      onLost?.(at);
    }
  }
  return { taken, lost: wanted.length - taken, waitS, tooOld, next };
}

/**
 * Serves the guests of a running shift up to a moment; who may still be served later is left waiting.
 * @param run the shift
 * @param bread index of the bread
 * @param until s from midnight; without end at closing
 */
export function serveUntil(run: LineRun, bread: number, until: number): void {
  const { line, nextPiece, nextGuest, log } = run;
  const guests = run.wanted[bread]!;
  const ready = run.ready[bread]!;
  const count = run.counts[bread]!;
  const holdS = line.breads[bread]!.holdS;
  const patienceS = line.patienceS[bread]!;
  let piece = nextPiece[bread]!;
  let guest = nextGuest[bread]!;
  while (guest < guests.length && guests[guest]! <= until) {
    const at = guests[guest]!;
    while (piece < ready.length && ready[piece]! + holdS < at) {
      piece += 1;
      count.waste += 1;
    }
    const off = piece < ready.length ? ready[piece]! : Infinity;
    if (off <= at + patienceS) {
      if (off > at && off > until) break;
      count.taken += 1;
      count.waitS += Math.max(0, off - at);
      log?.served[bread]!.push({ wanted: at, at: Math.max(at, off) });
      piece += 1;
    } else if (at + patienceS < until) {
      count.lost += 1;
      count.waitS += patienceS;
    } else break;
    guest += 1;
  }
  nextPiece[bread] = piece;
  nextGuest[bread] = guest;
}
