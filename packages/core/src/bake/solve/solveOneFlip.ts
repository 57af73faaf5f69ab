import { bake } from '../model/bake';
import type { Baking } from '../model/baking';
import {
  type BakeRequest,
  LONGEST_S,
  SHORTEST_SIDE_S,
  type Solution,
  type Trouble,
  TROUBLE_OF,
  stagesWith,
} from './bakeRequest';
import { crossing } from '../model/crossing';
import { pastChar, pastCover } from '../model/films';
import {
  type FirstSeen,
  type FirstSide,
  type FirstTrack,
  firstSide,
  firstSideEye,
  firstSideOf,
  openFirst,
  seeFirst,
} from './firstSide';
import { fatFreeMoistureOf } from '../model/outcome';
import { type BakeStandard, type Over, type Short, darkCover, pliableFrom } from './standard';

/** A middle that warms no faster than this has settled, K/s; where a piece is not followed long, this slowly. */
const SETTLED_K_S = { range: 0.005, least: 0.1 };
/** A middle that settles below this is not cooked in any time, °C. */
const COOKS_FROM_C = 75;
/** A piece that is dry or burnt is followed for so long, to see what else it lacks. */
const LOOK_ON_S = { range: 20, least: 4 };
/** What counts as far from a limit: moisture in shares, and the logarithm of browning. */
const FAR = { moisture: 2, char: 0.5 } as const;
/** A window asks for hundreds of places, and shows them as a picture: here it is as often right as on 16 cells. */
const PICTURE = { cells: 14, stepS: 0.25 } as const;
/** In a window nobody waits longer for bubbles on the first side, and for the second side. */
const PATIENCE_S = 170;
const LONGEST_SECOND_S = 200;

/** A solution whose second side is darker than asked after so long; null where it never is. */
export type OneFlip = Solution & { darkS: number | null };

/** Watches the whole bake for what the second side must reach, and must not. */
function secondSideEye(standard: BakeStandard, thicknessMm: number, onlyLeast: boolean) {
  const driest = pliableFrom(standard, thicknessMm);
  const coloured = crossing();
  const gelatinised = crossing();
  const charred = crossing();
  const dried = crossing();
  const darkened = crossing();
  const dark = darkCover(standard.coverAim[1]);
  const lookOnS = onlyLeast ? LOOK_ON_S.least : LOOK_ON_S.range;
  const settledKS = onlyLeast ? SETTLED_K_S.least : SETTLED_K_S.range;
  let before = { timeS: 0, middleC: 0 };
  const eye = {
    ...{ coloured, gelatinised, charred, dried, darkened },
    flippedS: Infinity,
    settled: false,
    puffS: standard.puffLeast > 0 ? null : (0 as number | null),
    room: null as number | null,
    /** Either side. */
    replay(seen: Pick<FirstSeen, 'timeS' | 'gelatinised' | 'moisture' | 'puffIndex'>): void {
      gelatinised.look(seen.timeS, seen.gelatinised - standard.gelatinised);
      dried.look(seen.timeS, driest - seen.moisture);
      if (eye.puffS === null && seen.puffIndex >= standard.puffLeast) eye.puffS = seen.timeS;
    },
    watch(baking: Baking): 'on' | 'end' {
      const { timeS, middleC } = baking;
      const moisture = fatFreeMoistureOf(baking.column);
      eye.replay({ timeS, moisture, gelatinised: baking.gelatinised, puffIndex: baking.puffIndex });
      if (baking.stage <= 0) return 'on';
      coloured.look(timeS, pastCover(baking.filmsB, standard.coverAim[1]));
      darkened.look(timeS, pastCover(baking.filmsB, dark));
      const { charMost } = standard;
      const pastCharring = Math.max(pastChar(baking.filmsA, charMost), pastChar(baking.filmsB, charMost));
      charred.look(timeS, pastCharring);
      eye.settled = middleC < COOKS_FROM_C && middleC - before.middleC < settledKS * (timeS - before.timeS);
      before = { timeS, middleC };
      const overS = Math.min(charred.at ?? Infinity, dried.at ?? Infinity);
      const all = coloured.at !== null && gelatinised.at !== null && eye.puffS !== null;
      if (all && eye.room === null && timeS > eye.flippedS + SHORTEST_SIDE_S) {
        const dryRoom = (moisture - driest) / FAR.moisture;
        eye.room = Math.min(dryRoom, -pastCharring / FAR.char);
      }
      if (timeS > overS && (all || eye.settled || timeS > overS + lookOnS)) return 'end';
      return all && onlyLeast && timeS > eye.flippedS + SHORTEST_SIDE_S ? 'end' : 'on';
    },
  };
  return eye;
}

/** The last of several moments and its name; a moment that never comes is last. */
function lastOf(moments: readonly [Short, number | null][]): { name: Short; at: number | null } {
  return moments
    .map(([name, at]) => ({ name, at }))
    .reduce((last, one) => ((one.at ?? Infinity) > (last.at ?? Infinity) ? one : last));
}

/** Why it is no good: what never comes, or what comes before it. */
function troubleOf(
  least: { name: Short; at: number | null },
  staysRaw: boolean,
  leastS: number,
  mostS: number,
  mostLimit: Over,
  longestS: number,
): Trouble | null {
  if (leastS <= mostS) return null;
  if (least.at === null && staysRaw) return TROUBLE_OF.raw;
  if (least.at === null && mostS === longestS) return TROUBLE_OF[least.name];
  return mostLimit === 'burnt' ? 'burns first' : 'dries first';
}

function solutionOf(first: FirstSide, eye: ReturnType<typeof secondSideEye>): OneFlip {
  const t1 = first.seconds;
  const least = lastOf([
    ['pale second side', eye.coloured.at],
    ['raw', eye.gelatinised.at],
    ['no puff', eye.puffS],
  ]);
  const longestS = t1 + LONGEST_S;
  const charS = eye.charred.at ?? longestS;
  const dryS = eye.dried.at ?? longestS;
  const mostS = Math.min(charS, dryS);
  const leastS = Math.max(least.at ?? Infinity, t1 + SHORTEST_SIDE_S);
  const mostLimit: Over = charS <= dryS ? 'burnt' : 'dry';
  const staysRaw = eye.gelatinised.at === null && (eye.settled || mostS === longestS);
  const trouble = first.trouble ?? troubleOf(least, staysRaw, leastS, mostS, mostLimit, longestS);
  const secondS = Math.max(SHORTEST_SIDE_S, Math.min(leastS, longestS) - t1);
  return {
    good: trouble === null,
    trouble,
    seconds: [t1, trouble ? Math.min(secondS, Math.max(SHORTEST_SIDE_S, mostS - t1)) : secondS],
    least: [t1, secondS],
    most: [t1, Math.max(0, mostS - t1)],
    firstLimit: first.limit,
    leastLimit: least.name,
    mostLimit,
    colouredS: first.colouredS,
    bubblesS: first.bubblesS,
    room: eye.room,
    darkS: eye.darkened.at === null ? null : eye.darkened.at - t1,
  };
}

/** The second side after a first side that is known. */
function afterFirst(request: BakeRequest, track: FirstTrack, first: FirstSide, onlyLeast: boolean): OneFlip {
  const { standard, setup, program } = request;
  const eye = secondSideEye(standard, setup.thicknessMm, onlyLeast);
  eye.flippedS = first.seconds;
  track.turn(first.seconds, { stages: stagesWith(program, [first.seconds, LONGEST_S]) }, eye);
  return solutionOf(first, eye);
}

/** The earliest: no iteration, one long first contact, then from its moment one long second. */
export const solveOneFlip = (request: BakeRequest, track = openFirst(request)): OneFlip =>
  afterFirst(request, track, firstSide(request, track), false);

/**
 * One run: flips at the step where the first side is ready, and stops when the second is. For windows, where the
 * earliest end is all that is asked for; `most` is only right where there is no good bread.
 */
export function solveOneFlipFast(request: BakeRequest): Solution {
  const { standard, setup, program } = request;
  const firstEye = firstSideEye(standard, setup.thicknessMm);
  const eye = secondSideEye(standard, setup.thicknessMm, true);
  const see = seeFirst(standard);
  const last = { seen: 'on' as ReturnType<typeof firstEye.look> };
  bake(
    { ...setup, stages: stagesWith(program, [PATIENCE_S, LONGEST_SECOND_S]) },
    {
      ...PICTURE,
      watch: (baking) => {
        const then = eye.watch(baking);
        if (baking.stage !== 0) return then;
        const seen = firstEye.look(see(baking));
        last.seen = seen;
        eye.flippedS = baking.timeS;
        if (seen === 'on') return baking.timeS < PATIENCE_S ? 'on' : 'end';
        return seen === 'ready' && firstSideOf(firstEye).trouble === null ? 'next stage' : 'end';
      },
    },
  );
  const first = firstSideOf(firstEye);
  // A first side that must end just before it chars is known only afterwards.
  if (last.seen === 'charred') return afterFirst(request, openFirst(request, PICTURE), first, true);
  return solutionOf(last.seen === 'on' ? { ...first, trouble: first.trouble ?? TROUBLE_OF.raw } : first, eye);
}

const turned = (firstS: number): FirstSide => ({
  seconds: firstS,
  limit: 'program',
  ...{ colouredS: null, bubblesS: null, trouble: null },
});

/** What is left for the second side when the first lay for so long, early or late. */
export const solveSecond = (request: BakeRequest, firstS: number, track = openFirst(request)): OneFlip =>
  afterFirst(request, track, turned(firstS), false);

/** Whether the second side can still become good when the first lay for so long. */
export const canTurnAt = (request: BakeRequest, firstS: number, track: FirstTrack): boolean =>
  afterFirst(request, track, turned(firstS), true).good;
