import { type BakeRequest, INTO_RANGE, type Solution, atHeat, bakeWith } from './bakeRequest';
import { solveTimes } from './solve';
import { type BySide, LEAST_OF_AIM, type Over, type Short, type Verdict, isGood, judge } from './standard';

/** Where one setting may stand with everything else given. */
export interface Reach {
  good: boolean;
  /** From the least that is cooked to the most before it is spoilt; null when the end is outside what was tried. */
  least: number | null;
  most: number | null;
  /** A little inside from the least. */
  advised: number | null;
  leastLimit: Short | null;
  mostLimit: Over | Short | null;
}

const HEAT_FROM_C = 140;
const HEAT_TO_C = 300;
const THICK_MM = 6;
const THIN_MM = 0.6;
const HALVINGS = 7;
/** How far outside an end its limit is read. */
const JUST_OUTSIDE = 0.02;

/**
 * Ends of the range of a setting along which breads go from underdone to overdone. Where the present setting is good the
 * range is looked for around it; else between the two ends, taking it that breads only get more done on the way.
 */
function reach(
  request: BakeRequest,
  seconds: readonly number[],
  { from, to, now, at }: { from: number; to: number; now: number; at: (value: number) => BakeRequest },
): Reach {
  const verdict = (share: number): Verdict =>
    judge(bakeWith(at(from + share * (to - from)), seconds), request.standard, 'coverAim');
  const turning = (low: number, high: number, holds: (share: number) => boolean): number => {
    let [before, after] = [low, high];
    for (let i = 0; i < HALVINGS; i += 1) {
      const middle = (before + after) / 2;
      if (holds(middle)) after = middle;
      else before = middle;
    }
    return after;
  };
  const here = (now - from) / (to - from);
  const goodHere = here > 0 && here < 1 && isGood(verdict(here));
  const first = goodHere ? here : 1;
  const isDone = (share: number) => verdict(share).short.length === 0;
  const isSpoilt = (share: number) => (goodHere ? !isGood(verdict(share)) : verdict(share).over.length > 0);
  const done = isDone(0) ? 0 : isDone(first) ? turning(0, first, isDone) : null;
  const start = goodHere ? here : 0;
  const spoilt = isSpoilt(start) ? start : isSpoilt(1) ? turning(start, 1, isSpoilt) : null;
  const value = (share: number | null) => (share === null ? null : from + share * (to - from));
  const good = done !== null && (spoilt === null || done < spoilt);
  const after = spoilt === null ? null : verdict(spoilt);
  return {
    good,
    least: value(done),
    most: value(spoilt),
    advised: good ? value(done + INTO_RANGE * ((spoilt ?? 1) - done)) : null,
    leastLimit:
      done === null
        ? (verdict(first).short[0] ?? null)
        : (verdict(Math.max(0, done - JUST_OUTSIDE)).short[0] ?? null),
    mostLimit: after?.over[0] ?? after?.short[0] ?? null,
  };
}

const atThickness = (request: BakeRequest, thicknessMm: number): BakeRequest => ({
  ...request,
  setup: { ...request.setup, thicknessMm },
});

/**
 * The plate temperatures, °C, at which these seconds per side give good bread.
 * @param request the bread on its plate
 * @param seconds s by side
 */
export const heatFor = (request: BakeRequest, seconds: readonly number[]): Reach =>
  reach(request, seconds, {
    ...{ from: HEAT_FROM_C, to: HEAT_TO_C, now: request.setup.plateC },
    at: (plateC) => atHeat(request, plateC),
  });

/**
 * The thicknesses, mm, at which this heat and these seconds give good bread; `least` is the thickest.
 * @param request the bread on its plate
 * @param seconds s by side
 */
export const thicknessFor = (request: BakeRequest, seconds: readonly number[]): Reach =>
  reach(request, seconds, {
    ...{ from: THICK_MM, to: THIN_MM, now: request.setup.thicknessMm },
    at: (mm) => atThickness(request, mm),
  });

/** How one change moves the seconds of the sides. */
export interface Sensitivity {
  what: 'hotter' | 'thicker' | 'dough colder';
  /** °C, or mm. */
  by: number;
  /** Change of each side, s; null where no good bread is left. */
  changeS: number[] | null;
}

const HOTTER_C = 10;
const THICKER_MM = 0.2;
const COLDER_C = 10;
const CHANGES: (Pick<Sensitivity, 'what' | 'by'> & { to: (request: BakeRequest) => BakeRequest })[] = [
  {
    ...{ what: 'hotter', by: HOTTER_C },
    to: (r) => ({
      ...r,
      setup: {
        ...r.setup,
        plateC: r.setup.plateC + HOTTER_C,
        ...(r.setup.startC
          ? { startC: { under: r.setup.startC.under + HOTTER_C, rest: r.setup.startC.rest + HOTTER_C } }
          : {}),
      },
    }),
  },
  { what: 'thicker', by: THICKER_MM, to: (r) => atThickness(r, r.setup.thicknessMm + THICKER_MM) },
  {
    ...{ what: 'dough colder', by: COLDER_C },
    to: (r) => ({ ...r, setup: { ...r.setup, doughC: r.setup.doughC - COLDER_C } }),
  },
];

/**
 * What a hotter plate, a thicker disc and a colder dough do to the seconds of a solution. Yields the share of them that is
 * known: each takes as long as the solution did.
 * @param request the bread on its plate
 * @param solution its seconds
 */
export function* sensitivities(
  request: BakeRequest,
  { seconds }: Pick<Solution, 'seconds'>,
): Generator<number, Sensitivity[], void> {
  const found: Sensitivity[] = [];
  for (const { what, by, to } of CHANGES) {
    const changed = solveTimes(to(request));
    const changeS = changed.good ? changed.seconds.map((s, side) => s - (seconds[side] ?? s)) : null;
    found.push({ what, by, changeS });
    yield found.length / CHANGES.length;
  }
  return found;
}

/** A way to good bread from where there is none. */
export interface WayOut {
  what: 'heat' | 'thickness' | 'paler' | 'crisper';
  /** Plate temperature, thickness, cover or moisture to go to. */
  value: number;
  seconds: number[];
}

const HEAT_STEPS_C = [-10, 10, -20, 20, -30, 30, -45, 45, -60];
const THICKNESS_STEPS = [0.9, 1.1, 0.8, 1.25, 0.7, 1.5, 0.6, 1.8];
/** Paler than this is no colour at all, and no offer. */
const PALEST = 3;
const PALER = [0.5, 0.25];
const CRISPER_POINTS = [3, 6, 10, 15];

/** One setting that may be turned: where to, the nearest first, and what is offered there. */
type Turn = { changed: BakeRequest; way: Omit<WayOut, 'seconds'> };

function turnsOf(request: BakeRequest): Turn[][] {
  const { setup, standard } = request;
  return [
    HEAT_STEPS_C.map((by) => {
      const value = setup.plateC + by;
      return { changed: atHeat(request, value), way: { what: 'heat', value } };
    }),
    THICKNESS_STEPS.map((times) => {
      const value = Math.round(setup.thicknessMm * times * 20) / 20;
      return { changed: atThickness(request, value), way: { what: 'thickness', value } };
    }),
    PALER.map((times) => {
      const paler = (aim: number) => Math.min(aim, Math.max(PALEST, aim * times));
      const coverAim: BySide = [paler(standard.coverAim[0]), paler(standard.coverAim[1])];
      const coverLeast: BySide = [coverAim[0] * LEAST_OF_AIM, coverAim[1] * LEAST_OF_AIM];
      return {
        changed: { ...request, standard: { ...standard, coverAim, coverLeast } },
        way: { what: 'paler', value: Math.max(...coverAim) },
      };
    }),
    CRISPER_POINTS.map((points) => {
      const value = standard.moistureLeast - points;
      return {
        changed: { ...request, standard: { ...standard, moistureLeast: value } },
        way: { what: 'crisper', value },
      };
    }),
  ];
}

/**
 * The nearest changes that give good bread: of the heat, of the thickness, of what is asked for. Yields the share of them
 * that was tried, after each.
 * @param request the bread on its plate
 * @returns the nearest first; empty where nothing helps
 */
export function* waysOut(request: BakeRequest): Generator<number, WayOut[], void> {
  const all = turnsOf(request);
  const ways: WayOut[] = [];
  for (const [at, turns] of all.entries()) {
    for (const [along, { changed, way }] of turns.entries()) {
      // The earliest says whether; what is offered is what every other screen would say there.
      const helps = solveTimes(changed, true).good;
      if (helps) ways.push({ ...way, seconds: solveTimes(changed).seconds });
      yield (at + (along + 1) / turns.length) / all.length;
      if (helps) break;
    }
  }
  return ways;
}
