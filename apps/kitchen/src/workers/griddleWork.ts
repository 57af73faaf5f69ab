import type { FlameSetting } from '@kettle-scale/core/kitchen';
import {
  type BakeRequest,
  type BakeSeries,
  type BakeWindow,
  type PlateTimes,
  type Calibration,
  type LoggedPiece,
  type Opinions,
  opinionsOn,
  type Pace,
  type PaceFacts,
  type PanCycle,
  panOnBurner,
  type PlateMoment,
  type Reach,
  type RobustTimes,
  type Sensitivity,
  type Settling,
  type Solution,
  type SolvedBake,
  type Spreads,
  type WayOut,
  bakeSeries,
  calibrate,
  computeWindow,
  heatFor,
  paceOf,
  rangeHolding,
  readySeconds,
  robustTimes,
  sensitivities,
  settling,
  adviseSeconds,
  bakeWith,
  atHeat,
  solveTimes,
  stagesWith,
  thicknessFor,
  turnsOnce,
  twoWays,
  type TwoWays,
  warmUp,
  waysOut,
} from '@kettle-scale/core/bake';

/** What can be asked of the griddle: its input and its answer. */
export interface GriddleWork {
  /** Seconds per side, and the bake that they are. */
  solve: {
    asks: { request: BakeRequest; seconds?: number[] };
    gives: { solved: SolvedBake; series: BakeSeries };
  };
  /** What moves the seconds; and the ways out where there is no good bread. */
  details: {
    asks: { request: BakeRequest; solution: Solution };
    gives: { sensitivities: Sensitivity[]; waysOut: WayOut[] };
  };
  /** The heat and the thickness that suit given seconds. */
  reach: { asks: { request: BakeRequest; seconds: number[] }; gives: { heat: Reach; thickness: Reach } };
  /** Hotter and shorter, cooler and longer. */
  ways: { asks: { request: BakeRequest; facts: PaceFacts }; gives: TwoWays };
  /** A pan on a burner that nobody touches, with so long between pieces. */
  pan: {
    asks: { request: BakeRequest; flame: FlameSetting; gapS: number };
    gives: Record<'least' | 'middle' | 'most', PanCycle>;
  };
  /** The formula's seconds and the steady ones, each with the share of pieces that they keep. */
  opinions: { asks: { request: BakeRequest; spreads: Spreads }; gives: Opinions };
  robust: { asks: { request: BakeRequest; spreads: Spreads; seconds: number[] }; gives: RobustTimes };
  window: { asks: { request: BakeRequest }; gives: BakeWindow };
  calibrate: { asks: { request: BakeRequest; pieces: LoggedPiece[] }; gives: Calibration };
  /** Seconds of each side at several plate temperatures, for a live plate. */
  times: {
    asks: { request: BakeRequest; platesC: number[] };
    gives: PlateTimes[];
  };
  plate: {
    asks: {
      request: BakeRequest;
      seconds: number[];
      fromC: number;
      facts: PaceFacts;
    };
    gives: { readyS: number | null; preheat: PlateMoment[]; pace: Pace | null; settled: Settling };
  };
}

/** First sides that are looked at, as shares of what they should be. */
const LATE_SHARES = [0.7, 1, 1.4, 2] as const;

type Steps<T> = Generator<number, T, void>;

/** Between points of a series that is drawn. */
const SERIES_S = 0.5;
const PREHEAT = { everyS: 30, forS: 40 * 60 };

/** Every task as a generator that yields the share done, so that it can be shown and stopped. */
export const GRIDDLE_WORK: {
  [N in keyof GriddleWork]: (asks: GriddleWork[N]['asks']) => Steps<GriddleWork[N]['gives']>;
} = {
  *solve({ request, seconds }) {
    const solution = solveTimes(request);
    yield 0.5;
    const stages = stagesWith(request.program, seconds ?? solution.seconds);
    const series = bakeSeries({ ...request.setup, stages }, SERIES_S);
    const outcome = seconds ? bakeWith(request, solution.seconds) : series.outcome;
    return { solved: { ...solution, outcome }, series };
  },
  *details({ request, solution }) {
    return solution.good
      ? { sensitivities: yield* sensitivities(request, solution), waysOut: [] }
      : { sensitivities: [], waysOut: yield* waysOut(request) };
  },
  *reach({ request, seconds }) {
    const heat = heatFor(request, seconds);
    yield 0.5;
    return { heat, thickness: thicknessFor(request, seconds) };
  },
  *ways({ request, facts }) {
    return yield* twoWays(request, facts);
  },
  *pan({ request, flame, gapS }) {
    return yield* panOnBurner(request, flame, gapS);
  },
  *opinions({ request, spreads }) {
    return yield* opinionsOn(request, spreads);
  },
  *robust({ request, spreads, seconds }) {
    return yield* robustTimes(request, spreads, seconds);
  },
  *window({ request }) {
    return yield* computeWindow(request);
  },
  *calibrate({ request, pieces }) {
    return yield* calibrate(request, pieces);
  },
  *times({ request, platesC }) {
    const oneFlip = turnsOnce(request.program);
    const times: PlateTimes[] = [];
    for (const plateC of platesC) {
      const here = atHeat(request, plateC);
      const { seconds, good, least, most, keepsSplit = false } = solveTimes(here);
      const firstsS = oneFlip ? LATE_SHARES.map((share) => share * (seconds[0] ?? 0)) : [];
      yield times.length / platesC.length;
      const secondsS = adviseSeconds(here, firstsS, keepsSplit ? null : seconds);
      const after = firstsS.map((firstS, i): [number, number] => [firstS, secondsS[i] ?? 0]);
      times.push({ plateC, seconds, after, range: good ? rangeHolding({ least, most }, seconds) : null });
      yield times.length / platesC.length;
    }
    return times;
  },
  *plate({ request, seconds, fromC, facts }) {
    const plate = request.setup.plate;
    const airC = request.setup.air?.tempC ?? 25;
    const { plateC } = request.setup;
    const pace = facts.places > 0 ? paceOf(request, seconds, facts) : null;
    yield 0.3;
    const settled = settling(request, seconds, facts.gapS);
    yield 0.6;
    return {
      pace,
      settled,
      readyS: plate ? readySeconds(plate, fromC, plateC, airC) : null,
      preheat: plate ? warmUp(plate, fromC, plateC, airC, PREHEAT.everyS, PREHEAT.forS) : [],
    };
  },
};
