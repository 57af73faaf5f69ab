import { BASE_CASE, bruteShare, openRandom } from '@kettle-scale/simulation';
import {
  type BakeRequest,
  type BakeOutcome,
  COMMON_STANDARD,
  DEFAULT_MODEL,
  type LoggedPiece,
  USUAL_SPREADS,
  bake,
  calibrate,
  computeWindow,
  evenDraws,
  finish,
  robustTimes,
  solve,
  stagesOfSeconds,
  withFactors,
} from '@kettle-scale/core/bake';
import type { Measured } from '../bench';
import { INTEGRATORS, integrateBake } from './griddleRates';

const { stages: _stages, ...setup } = BASE_CASE;
const REQUEST: BakeRequest = {
  setup,
  program: { surface: 'flat', plateC: 230, sides: [{ seconds: 25 }, { seconds: 25 }] },
  standard: COMMON_STANDARD,
};
const FINE = { cells: 96, stepS: 0.02 };
/** Settings of a general integrator, cells and tolerance, from the quickest on. */
const SETTINGS = {
  odex: [
    [12, 1e-4],
    [12, 1e-5],
    [16, 1e-5],
  ],
  implicit: [
    [12, 1e-2],
    [12, 1e-3],
    [12, 1e-4],
    [16, 1e-3],
    [16, 1e-4],
  ],
} as const;
/** How many times as long they take at least: both are too slow for the work, the explicit one by far. */
const SLOWER = { odex: 100, implicit: 10 } as const;
const CALIBRATED = 200;

function timed<T>(run: () => T): { ms: number; result: T } {
  const start = performance.now();
  const result = run();
  return { ms: performance.now() - start, result };
}

/** Median of many runs once the engine has compiled them. */
function medianMs(runs: number, run: () => unknown): number {
  for (let i = 0; i < runs / 2; i += 1) run();
  return Array.from({ length: runs }, () => timed(run).ms).sort((a, b) => a - b)[Math.floor(runs / 2)] ?? NaN;
}

const errorTo = (fine: BakeOutcome, one: { weightLoss: number; heatKJM2: number }): number =>
  Math.max(Math.abs(one.weightLoss / fine.weightLoss - 1), Math.abs(one.heatKJM2 / fine.heatKJM2 - 1));

/** How many times as long a general integrator takes, at the first setting that is no worse than ours. */
function againstIntegrator(by: keyof typeof SETTINGS, ourMs: number): Measured {
  const fine = bake(BASE_CASE, FINE);
  const ours = errorTo(fine, bake(BASE_CASE));
  const percent = (share: number) => `${(100 * share).toFixed(2)} %`;
  for (const [cells, tolerance] of SETTINGS[by]) {
    const run = () => integrateBake(BASE_CASE, cells, tolerance, INTEGRATORS[by]);
    const first = run();
    const theirs = errorTo(fine, first);
    if (first.failed || theirs > ours) continue;
    const ratio = medianMs(by === 'odex' ? 1 : 15, run) / ourMs;
    return {
      what: `the same bake by ${by === 'odex' ? 'odex, explicit' : 'an implicit integrator'}: ours ${percent(ours)} off, it ${percent(theirs)} (${cells} cells, ${tolerance})`,
      value: `${Math.round(ratio)} ×`,
      bar: `≥ ${SLOWER[by]} ×`,
      holds: ratio >= SLOWER[by],
    };
  }
  throw new Error(`${by} was never as near as the model`);
}

function loggedPieces(count: number): LoggedPiece[] {
  const random = openRandom(20_031);
  const model = withFactors(DEFAULT_MODEL, { contact: 0.85, browning: 1.4, convection: 1.2 });
  return Array.from({ length: count }, (_, i) => {
    const piece = {
      thicknessMm: random.normal(2, 0.15),
      doughC: 25,
      plateC: 205 + 15 * (i % 4),
      seconds: [random.normal(28, 3), random.normal(24, 3)],
    };
    const outcome = bake({ ...setup, ...piece, model, stages: stagesOfSeconds(piece.seconds) });
    return {
      ...piece,
      weightLoss: outcome.weightLoss + random.normal(0, 0.7),
      bubblesS: (outcome.bubblesS ?? 0) + random.normal(0, 2),
      firstLightness: outcome.spotLightness[0] + random.normal(0, 4),
      secondLightness: outcome.spotLightness[1] + random.normal(0, 4),
      puffed: outcome.puffIndex > 1,
    };
  });
}

const row = (what: string, ms: number, barMs: number): Measured => ({
  what,
  value: barMs >= 1000 ? `${(ms / 1000).toFixed(2)} s` : `${ms.toFixed(2)} ms`,
  bar: barMs >= 1000 ? `${barMs / 1000} s` : `${barMs} ms`,
  holds: ms <= barMs,
});

export function run(): Measured[] {
  const bakeMs = medianMs(1500, () => bake(BASE_CASE));
  const solution = solve(REQUEST);
  const solveMs = medianMs(60, () => solve(REQUEST));
  const window = timed(() => finish(computeWindow(REQUEST)));
  const robust = timed(() => finish(robustTimes(REQUEST, USUAL_SPREADS, solution.seconds)));
  const brute = bruteShare(REQUEST, USUAL_SPREADS, robust.result.seconds, evenDraws(1000));
  const pieces = loggedPieces(CALIBRATED);
  const fit = timed(() => finish(calibrate(REQUEST, pieces)));
  return [
    row('one bake of 50 s, 16 cells, steps of 0.25 to 0.5 s', bakeMs, 1),
    againstIntegrator('implicit', bakeMs),
    againstIntegrator('odex', bakeMs),
    row('seconds per side solved', solveMs, 30),
    row(`window of 48 × 32 (${window.result.solved} places solved)`, window.ms, 1500),
    row(
      `robust times of 2,000 pieces: ${(100 * robust.result.share).toFixed(1)} %, one by one ${(100 * brute).toFixed(1)} %`,
      robust.ms,
      2000,
    ),
    row(`calibration of ${CALIBRATED} pieces`, fit.ms, 10_000),
  ];
}
