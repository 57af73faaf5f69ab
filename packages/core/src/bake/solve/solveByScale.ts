import {
  type BakeRequest,
  SHORTEST_SIDE_S,
  type Solution,
  TROUBLE_OF,
  asWritten,
  bakeWith,
  secondsOf,
} from './bakeRequest';
import { COARSE } from '../model/bake';
import { type FirstSide, firstSide, openFirst } from './firstSide';
import { remembered } from './remembered';
import { type Over, type Short, type Verdict, judge } from './standard';

const SCALE_MIN = 0.3;
const SCALE_MAX = 3.3;
const HALVINGS = { fine: 7, coarse: 4 } as const;
/** What is short is read a little before the turning point. */
const JUST_BEFORE = 0.97;

/** How far the sides of a program may be stretched. */
export interface ScaleRange {
  /** Nothing is short from here on; null when something always is. */
  least: number | null;
  /** Something is over from here on. */
  most: number;
  leastLimit: Short;
  mostLimit: Over;
  /** Whether anything is over even at the longest. */
  spoils: boolean;
}

/** Smallest scale at which `holds` turns true; null when it never does. It must turn only once. */
function turningPoint(holds: (scale: number) => boolean, halvings: number): number | null {
  if (holds(SCALE_MIN)) return SCALE_MIN;
  if (!holds(SCALE_MAX)) return null;
  let [low, high] = [Math.log(SCALE_MIN), Math.log(SCALE_MAX)];
  for (let i = 0; i < halvings; i += 1) {
    const middle = (low + high) / 2;
    if (holds(Math.exp(middle))) high = middle;
    else low = middle;
  }
  return Math.exp(high);
}

/** Stretches the seconds, on the coarse grid, until nothing is short and before anything is over; `by` is the colour it is judged by. */
export function scaleRange(
  request: BakeRequest,
  secondsAt: (scale: number) => number[],
  by: 'coverAim' | 'coverLeast',
  halvings: number = HALVINGS.fine,
): ScaleRange {
  const seen = new Map<number, Verdict>();
  const verdictAt = (scale: number) => {
    const known = seen.get(scale) ?? judge(bakeWith(request, secondsAt(scale), COARSE), request.standard, by);
    seen.set(scale, known);
    return known;
  };
  const least = turningPoint((scale) => verdictAt(scale).short.length === 0, halvings);
  const spoilt = turningPoint((scale) => verdictAt(scale).over.length > 0, halvings);
  const most = spoilt ?? SCALE_MAX;
  return {
    least,
    most,
    leastLimit: verdictAt((least ?? SCALE_MAX) * JUST_BEFORE).short[0] ?? 'raw',
    mostLimit: verdictAt(most).over[0] ?? 'dry',
    spoils: spoilt !== null,
  };
}

/** The seconds of a program's sides at a scale; a first side that is found by its cue is not stretched. */
export const scaledSeconds =
  (request: BakeRequest, firstS: number | null) =>
  (scale: number): number[] =>
    secondsOf(request.program).map((seconds, index) =>
      index === 0 && firstS !== null ? firstS : Math.max(SHORTEST_SIDE_S, seconds * scale),
    );

/** Of the way from the least stretch that is done to the one that spoils, the advised one is here. */
const INTO_STRETCH = 0.25;

const ownPlaces = new Map<string, number | null>();

/** Where in its range of stretches the program itself lies, on the plate it was written for; null where it is outside. */
function ownPlace(request: BakeRequest): number | null {
  if (!request.written) return null;
  const there = asWritten(request, request.written);
  return remembered(ownPlaces, JSON.stringify(there), () => placeOf(there));
}

function placeOf(there: BakeRequest): number | null {
  const { least, most } = scaleRange(there, scaledSeconds(there, null), 'coverAim');
  return least === null || least > 1 || most < 1 ? null : (1 - least) / Math.max(most - least, 1e-6);
}

/**
 * Programs that are not one flip: one side, a fire at the end, or several flips. All sides are stretched together: each
 * keeps its own time beside the others. With two sides and a fire, where the program itself is no good, the first side is
 * found by its cue, as without a fire, and what remains is stretched.
 */
export function solveByScale(request: BakeRequest, coarse = false): Solution {
  const own = coarse ? null : ownPlace(request);
  const first: FirstSide | null =
    own === null && request.program.sides.length === 2 ? firstSide(request, openFirst(request)) : null;
  const secondsAt = scaledSeconds(request, first?.seconds ?? null);
  const { least, most, leastLimit, mostLimit, spoils } = scaleRange(
    request,
    secondsAt,
    'coverAim',
    coarse ? HALVINGS.coarse : HALVINGS.fine,
  );
  const good = least !== null && least <= most;
  const scale = good ? least + (own ?? INTO_STRETCH) * (most - least) : Math.min(least ?? most, most);
  return {
    good,
    trouble: good
      ? null
      : !spoils
        ? TROUBLE_OF[leastLimit]
        : mostLimit === 'burnt'
          ? 'burns first'
          : 'dries first',
    seconds: secondsAt(scale),
    least: secondsAt(least ?? most),
    most: secondsAt(most),
    keepsSplit: own !== null,
    firstLimit: first?.limit ?? 'program',
    leastLimit,
    mostLimit,
    colouredS: first?.colouredS ?? null,
    bubblesS: first?.bubblesS ?? bakeWith(request, secondsAt(scale)).bubblesS,
  };
}
