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
/** As many steps, each by the same share, lie between the shortest stretch and the longest. */
const STEPS = { fine: 128, coarse: 16 } as const;
/** The first look away from the program goes over such a part of them. */
const FIRST_LOOK = 1 / 16;

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

const scaleAt = (step: number, steps: number): number =>
  SCALE_MIN * (SCALE_MAX / SCALE_MIN) ** (step / steps);

/**
 * First step at which `holds` turns true; null when it never does. It must turn only once. Looked for from the program
 * outwards: there it mostly is, and a long stretch takes long to bake.
 */
function turningPoint(holds: (step: number) => boolean, steps: number): number | null {
  // It does not hold at `low` and holds at `high`; the steps outside stand for never and for always.
  let [low, high] = [-1, steps + 1];
  let at = Math.round((steps * Math.log(1 / SCALE_MIN)) / Math.log(SCALE_MAX / SCALE_MIN));
  let stride = steps * FIRST_LOOK;
  while (high - low > 1) {
    if (holds(at)) high = at;
    else low = at;
    if (low >= 0 && high <= steps) at = Math.floor((low + high) / 2);
    else at = low < 0 ? Math.max(0, high - stride) : Math.min(steps, low + stride);
    stride *= 2;
  }
  return high > steps ? null : high;
}

/** Stretches the seconds, on the coarse grid, until nothing is short and before anything is over; `by` is the colour it is judged by. */
export function scaleRange(
  request: BakeRequest,
  secondsAt: (scale: number) => number[],
  by: 'coverAim' | 'coverLeast',
  steps: number = STEPS.fine,
): ScaleRange {
  const seen = new Map<number, Verdict>();
  const verdictAt = (step: number) => {
    const known =
      seen.get(step) ??
      judge(bakeWith(request, secondsAt(scaleAt(step, steps)), COARSE), request.standard, by);
    seen.set(step, known);
    return known;
  };
  const least = turningPoint((step) => verdictAt(step).short.length === 0, steps);
  const spoilt = turningPoint((step) => verdictAt(step).over.length > 0, steps);
  return {
    least: least === null ? null : scaleAt(least, steps),
    most: scaleAt(spoilt ?? steps, steps),
    // What is short is read just before the turning point.
    leastLimit: verdictAt(least === null ? steps : least - 1).short[0] ?? 'raw',
    mostLimit: verdictAt(spoilt ?? steps).over[0] ?? 'dry',
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
    coarse ? STEPS.coarse : STEPS.fine,
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
