import type { BakePhase } from '../../formula/bakePhases';
import { type Timed, nextOnMs } from './livePlate';
import { type PlateTimes, afterTurn, rangeAt } from './plateTimes';

const MS_PER_S = 1000;
/** A proposal is looked for from the last act on, but not further back than this. */
const STANDS_MS = 60_000;
/** Freckles come late and fast: their cover rises about with this power of the time. */
const COVER_RISES = 4;
/** Freckles of a side that lay too long are shown as at most so many times those asked for. */
const MOST_COVER = 2;
/** One more turn, or back on for a little: looked at after so long, s (trade practice). */
const EXTRA_S = 10;

export interface LivePiece extends Timed {
  place: number;
  side: number;
  onMs: number;
  sinceMs: number;
  /** By the model it is spoilt when it has lain longer than this, s; null where the model does not say. */
  latestS: number | null;
  /** By the model it is still raw before this, s; null where the model does not say. */
  earliestS: number | null;
  /** Its side is pressed while it lies. */
  pressed?: boolean;
  /** Fires come after the sides. */
  flame: boolean;
  /** Freckles that the first side shows, percent: as many as the product asks for, more when it lay longer. */
  cover: number;
  /** What is done next: turn it, to the fire, or off. */
  next: 'flip' | 'fire' | 'off';
}

/** A piece over heat, as the fold of a batch has it. */
export interface OnPlate {
  piece: number;
  place?: number | null | undefined;
  plateC?: number | null | undefined;
  side: number;
  onMs: number;
  sinceMs: number;
  /** Seconds that each side before this one really lay. */
  doneS: readonly number[];
}

/** Plate, times and clock that pieces lie under. */
export interface Around {
  /** Sides and fires of the program, one after the other. */
  phases: readonly BakePhase[];
  /** What was worked out for plates around the wanted one; empty while it is not. */
  table: readonly PlateTimes[];
  /** Spot cover that the product asks for, percent. */
  coverAim: number;
  /** Temperature of a place for a piece that does not say on what it was laid. */
  placeC: (place: number, piece: number) => number;
  /** Seconds of the sides on a plate of this heat, for a piece that went on at this instant: they do not change under it. */
  secondsFor: (plateC: number, onMs: number) => readonly number[];
}

/**
 * The pieces over heat with what is next for each and when, the most urgent first. A side after one that was turned early
 * or late is as long as that leaves it.
 * @param onPlate pieces as they were put on and turned
 * @param around seconds, plate and clock that they lie under
 */
export function livePieces(onPlate: readonly OnPlate[], around: Around): LivePiece[] {
  const { phases, table, coverAim, placeC, secondsFor } = around;
  const pieces = onPlate.map((one, index): LivePiece => {
    const place = one.place ?? index + 1;
    const plateC = one.plateC ?? placeC(place, one.piece);
    const seconds = secondsFor(plateC, one.onMs);
    const phase = phases[one.side - 1];
    const flame = phase?.flame ?? false;
    // A fire that is solved as a side has its seconds there; any other keeps the formula's.
    const plannedS = seconds[one.side - 1] ?? phase?.seconds ?? EXTRA_S;
    const before = one.doneS.at(-1);
    const turned = phase !== undefined && !flame && before !== undefined && one.side > 1;
    const sideS = turned
      ? afterTurn({ table, plateC, seconds, side: one.side, sideS: plannedS, before })
      : plannedS;
    const range = flame ? null : rangeAt(table, plateC);
    const latest = range?.most[one.side - 1];
    const earliest = range?.least[one.side - 1];
    const following = phases[one.side];
    const longer = (one.doneS[0] ?? 0) / (seconds[0] ?? 1);
    return {
      ...{ piece: one.piece, place, side: one.side, onMs: one.onMs, sinceMs: one.sinceMs, sideS, flame },
      ...(phase?.pressed ? { pressed: true } : {}),
      dueMs: one.sinceMs + sideS * MS_PER_S,
      latestS: latest === undefined ? null : Math.max(latest, sideS),
      earliestS: earliest === undefined ? null : Math.min(earliest, sideS),
      cover: coverAim * Math.min(MOST_COVER, longer) ** COVER_RISES,
      next: following ? (following.flame ? 'fire' : 'flip') : 'off',
    };
  });
  return pieces.sort((a, b) => a.dueMs - b.dueMs);
}

/**
 * The first place that nothing lies on, from 1; null on a full plate.
 * @param pieces what lies on the plate
 * @param places places of the plate
 */
export function freePlace(pieces: readonly Pick<LivePiece, 'place'>[], places: number): number | null {
  const taken = new Set(pieces.map(({ place }) => place));
  for (let place = 1; place <= places; place += 1) if (!taken.has(place)) return place;
  return null;
}

/**
 * When the next piece should go on, so that none of its acts falls on one that is due. Counted from the last act, so that
 * the proposal stands still; once it has passed, the next free moment from now.
 */
export function nextPieceMs(
  pieces: readonly Pick<LivePiece, 'dueMs' | 'sinceMs'>[],
  seconds: readonly number[],
  nowMs: number,
): number {
  const lastActMs = Math.max(0, ...pieces.map(({ sinceMs }) => sinceMs));
  const busy = [...pieces, { dueMs: lastActMs }];
  const afterLast = nextOnMs(busy, seconds, Math.max(lastActMs, nowMs - STANDS_MS));
  return afterLast >= nowMs ? afterLast : nextOnMs(busy, seconds, nowMs);
}

/**
 * The number of the next piece: the first that has not been on the plate.
 * @param used numbers that were given
 * @param begun pieces that were begun
 */
export function nextPieceNumber(used: Iterable<number>, begun: number): number {
  const seen = new Set(used);
  let piece = begun + 1;
  while (seen.has(piece)) piece += 1;
  return piece;
}
