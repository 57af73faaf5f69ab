import { crossing } from '../model/crossing';
import { type BakeRequest, INTO_RANGE, type Solution, asWritten, secondsOf } from './bakeRequest';
import { BEFORE_CHAR, type FirstTrack, openFirst } from './firstSide';
import { remembered } from './remembered';
import { type OneFlip, canTurnAt, solveOneFlip, solveSecond } from './solveOneFlip';

/** The latest first side is looked for as far past the earliest as the second side's range is wide, and half as much. */
const BEYOND = 1.5;
const HALVINGS = 3;
/** A first side is tried up to so many times its earliest, at these shares of the way. */
const LATER = 2.5;
const LATER_SHARES = [0.05, 0.1, 0.2, 0.4, 0.6, 0.8] as const;
/** Never nearer to the start of its range than this share of it, however dark that is. */
const LEAST_INTO_RANGE = 0.2;
/** A range narrower than this leaves no room for a split of one's own, s. */
const WIDE_S = 4;
/** A formula is written in whole seconds. */
const ROUNDING_S = 1;

/** When the first side is darker than asked, and when it must be turned before it chars; watched for so long. */
function firstSpoils(track: FirstTrack, forS: number) {
  const darkened = crossing();
  const charred = crossing();
  for (const { timeS, dark, charred: past } of track.steps(forS)) {
    darkened.look(timeS, dark);
    charred.look(timeS, past);
    if (charred.at !== null) break;
  }
  return { darkS: darkened.at ?? forS, latestS: charred.at === null ? forS : BEFORE_CHAR * charred.at };
}

/**
 * The earliest times that are good. A face may be coloured before the bread is warm enough for what comes next, a fire
 * above all: later first sides are tried before it is said that there is none.
 */
function earliestGood(request: BakeRequest, track: FirstTrack): OneFlip {
  const earliest = solveOneFlip(request, track);
  if (earliest.good || earliest.firstLimit === 'char') return earliest;
  const fromS = earliest.least[0]!;
  const { latestS } = firstSpoils(track, LATER * fromS);
  for (const share of LATER_SHARES) {
    const later = solveSecond(request, fromS + share * (latestS - fromS), track);
    if (later.good)
      return {
        ...later,
        firstLimit: earliest.firstLimit,
        colouredS: earliest.colouredS,
        bubblesS: earliest.bubblesS,
      };
  }
  return earliest;
}

interface Room {
  leastS: number;
  mostS: number;
  /** Where most pieces are right: half way to where it spoils or is darker than asked. */
  middleS: number;
}

const roomOf = (leastS: number, mostS: number, darkS: number): Room => ({
  ...{ leastS, mostS },
  middleS:
    leastS + Math.max(INTO_RANGE * (Math.min(mostS, darkS) - leastS), LEAST_INTO_RANGE * (mostS - leastS)),
});

/** The room of the first side: to the latest turn after which the second can still become good. */
function firstRoom(request: BakeRequest, track: FirstTrack, earliest: OneFlip): Room {
  const [leastS, secondS] = [earliest.least[0]!, earliest.least[1]!];
  const widthS = earliest.most[1]! - secondS;
  const spoils = firstSpoils(track, leastS + BEYOND * widthS);
  let high = Math.max(leastS, spoils.latestS);
  let low = leastS;
  if (canTurnAt(request, high, track)) low = high;
  for (let i = 0; i < HALVINGS && low < high; i += 1) {
    const middle = (low + high) / 2;
    if (canTurnAt(request, middle, track)) low = middle;
    else high = middle;
  }
  return roomOf(leastS, low, spoils.darkS);
}

function secondRoom(
  request: BakeRequest,
  firstS: number,
  track?: FirstTrack,
): { room: Room; solved: OneFlip } {
  const solved = solveSecond(request, firstS, track);
  const [leastS, mostS] = [solved.least[1]!, Math.max(solved.least[1]!, solved.most[1]!)];
  return { solved, room: roomOf(leastS, mostS, solved.darkS ?? mostS) };
}

/** Where in the room of a side the formula's own seconds lie, 0 to 1; null where they lie outside, or there is none. */
function shareOf(seconds: number, { leastS, mostS }: Room): number | null {
  if (mostS - leastS < WIDE_S) return null;
  if (seconds < leastS - ROUNDING_S || seconds > mostS + ROUNDING_S) return null;
  return Math.min(1, Math.max(0, (seconds - leastS) / (mostS - leastS)));
}

type Split = readonly [number, number] | null;

const ownSplits = new Map<string, Split>();

/** How the formula's own seconds lie in the room of the plate and thickness that they were written for. */
function ownSplit(request: BakeRequest): Split {
  if (!request.written) return null;
  const there = asWritten(request, request.written);
  return remembered(ownSplits, JSON.stringify(there), () => splitOf(there));
}

function splitOf(there: BakeRequest): Split {
  const track = openFirst(there);
  const earliest = earliestGood(there, track);
  const [firstS, secondS] = secondsOf(there.program);
  if (!earliest.good || firstS === undefined || secondS === undefined) return null;
  const first = shareOf(firstS, firstRoom(there, track, earliest));
  const second = first === null ? null : shareOf(secondS, secondRoom(there, firstS, track).room);
  return first === null || second === null ? null : [first, second];
}

const within = ({ leastS, mostS, middleS }: Room, share: number | undefined): number =>
  share === undefined ? middleS : leastS + share * (mostS - leastS);

/**
 * The second side, s, after each of several firsts that really lay for so long: at its place in the room that is left, or
 * the nearest thing where none is.
 * @param request the bread on its plate
 * @param firstsS first sides as they lay, s
 * @param meantS seconds of the sides that hold here whatever the model says: a turn that is late by so much of them counts as
 *   one that is late by as much of the model's
 * @returns s, one for each
 */
export function adviseSeconds(
  request: BakeRequest,
  firstsS: readonly number[],
  meantS: readonly number[] | null,
): number[] {
  const track = openFirst(request);
  const share = ownSplit(request)?.[1];
  const after = (firstS: number) => {
    const { room, solved } = secondRoom(request, firstS, track);
    return solved.good ? within(room, share) : solved.seconds[1]!;
  };
  const [firstS, secondS] = meantS ?? [];
  if (firstS === undefined || secondS === undefined) return firstsS.map(after);
  const { written: _written, ...bare } = request;
  const [first, second] = adviseOneFlip(bare).seconds.map((s, side) => s / [firstS, secondS][side]!);
  return firstsS.map((s) => after(s * first!) / second!);
}

/**
 * One flip, with the range of each side and a time inside it. Where the formula's own seconds are good on the plate they
 * were written for, their place in the ranges is kept, here and at other heats and thicknesses; else each side ends in the
 * middle of what most pieces bear.
 */
export function adviseOneFlip(request: BakeRequest): Solution {
  const track = openFirst(request);
  const earliest = earliestGood(request, track);
  if (!earliest.good) return earliest;
  const split = ownSplit(request);
  const first = firstRoom(request, track, earliest);
  const firstS = within(first, split?.[0]);
  const { room: second, solved } = secondRoom(request, firstS, track);
  return {
    ...earliest,
    seconds: [firstS, within(second, split?.[1])],
    least: [first.leastS, second.leastS],
    most: [first.mostS, second.mostS],
    leastLimit: solved.leastLimit,
    mostLimit: solved.mostLimit,
    keepsSplit: split !== null,
  };
}
