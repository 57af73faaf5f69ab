import { Matrix, inverse, solve as solveLinear } from 'ml-matrix';
import { bake } from '../model/bake';
import { type BakeRequest, firstStages, stagesWith } from '../solve/bakeRequest';
import { type FittedParameter, MOST_SD, fitPuff, intervalOf } from './fitPuff';
import { FITTED, type Fitted } from '../../kitchen/fittedNames';
import { DEFAULT_MODEL, type ModelConstants } from '../model/model';
import { withFactors } from '../model/withFactors';
import type { BakeOutcome } from '../model/outcome';
import type { LoggedPiece } from './loggedPieceSchema';
import type { SideColour } from '../live/judging';

/**
 * How well each thing is seen: bubbles as a share of their time and never better than so many s, for eyes differ on when
 * they are there; points; L* by instrument; L* by a colour word (assumptions).
 */
const NOISE = { bubblesShare: 0.3, bubblesS: 2, weightLoss: 0.7, lightness: 4, word: 6 } as const;
/** A piece is as thick as its log says within this share, one sd (assumption). */
const THICKNESS_SD = 0.05;
/** L* of the spots that a colour word stands for. */
const WORD_LIGHTNESS: Record<SideColour, number> = {
  raw: 82,
  pale: 75,
  'light freckles': 68,
  freckles: 61,
  'deep freckles': 50,
  burnt: 25,
};
/** Differences are taken towards less of a parameter: towards more, bubbles may suddenly never come. */
const STEP = -0.1;
/** Nothing counts as further off than this many sd. */
const FURTHEST = 5;
const ITERATIONS = 8;
const SMALLEST_SHARE = 1 / 8;
const CONVERGED = 5e-3;
/** Linear theory takes the model for perfect; intervals are made so many times wider. */
const MODEL_FORM = 2;
/** Huber: further off than this many sd a piece counts less. */
const HUBER = 1.5;
/** A draught is told from browning only where weight and bubbles are both known of so many pieces. */
const DRAUGHT_NEEDS = 4;

export interface Calibration {
  parameters: FittedParameter[];
  model: ModelConstants;
  pieces: number;
  /** Root mean square of what was seen less what was computed, in units of its noise. */
  misfitBefore: number;
  misfitAfter: number;
  /** For each thing seen: seen, computed before and after. */
  points: { what: string; seen: number; before: number; after: number }[];
}

interface Seen {
  what: string;
  piece: number;
  value: number;
  noise: number;
  of: (outcome: BakeOutcome) => number | null;
}

function seenOf(pieces: readonly LoggedPiece[]): Seen[] {
  return pieces.flatMap((piece, index) => {
    const rows: (Seen | null)[] = [
      piece.bubblesS === undefined
        ? null
        : {
            what: 'bubbles',
            piece: index,
            value: piece.bubblesS,
            noise: Math.max(NOISE.bubblesS, NOISE.bubblesShare * piece.bubblesS),
            of: (o) => o.bubblesS ?? LONGEST_FIRST_S,
          },
      piece.weightLoss === undefined
        ? null
        : {
            what: 'weight loss',
            piece: index,
            value: piece.weightLoss,
            noise: NOISE.weightLoss,
            of: (o) => o.weightLoss,
          },
      ...([0, 1] as const).map((side): Seen | null => {
        const lightness = side === 0 ? piece.firstLightness : piece.secondLightness;
        const word = side === 0 ? piece.firstSide : piece.secondSide;
        if (lightness === undefined && word === undefined) return null;
        return {
          what: side === 0 ? 'first side' : 'second side',
          piece: index,
          value: lightness ?? WORD_LIGHTNESS[word ?? 'freckles'],
          noise: lightness === undefined ? NOISE.word : NOISE.lightness,
          of: (o) => o.spotLightness[side],
        };
      }),
    ];
    return rows.filter((row) => row !== null);
  });
}

/** A first side is followed so long for its bubbles. */
const LONGEST_FIRST_S = 150;

/** One piece with a model. Bubbles are those of the open face: a side that was flipped before is followed further. */
function bakeLogged(request: BakeRequest, piece: LoggedPiece, model: ModelConstants): BakeOutcome {
  const { thicknessMm, doughC, plateC, seconds, bubblesS } = piece;
  const setup = {
    ...request.setup,
    ...{ thicknessMm, doughC, plateC, model, startC: { under: plateC, rest: plateC } },
  };
  const outcome = bake({ ...setup, stages: stagesWith(request.program, seconds) });
  const seenInTime = outcome.bubblesS !== null && outcome.bubblesS <= (seconds[0] ?? 0);
  if (bubblesS === undefined || seenInTime) return outcome;
  const first = bake(
    { ...setup, stages: firstStages(request.program, LONGEST_FIRST_S) },
    { watch: (baking) => (baking.bubblesS === null ? 'on' : 'end') },
  );
  return { ...outcome, bubblesS: first.bubblesS };
}

/** Bakes every piece with a model; yields after each. */
function* bakeAll(
  request: BakeRequest,
  pieces: readonly LoggedPiece[],
  model: ModelConstants,
): Generator<void, BakeOutcome[], void> {
  const outcomes: BakeOutcome[] = [];
  for (const piece of pieces) {
    outcomes.push(bakeLogged(request, piece, model));
    yield;
  }
  return outcomes;
}

/** What a disc that is thicker than it was taken for does to a row counts as noise of that row. */
function withThickness(row: Seen, nominal: BakeOutcome, thicker: BakeOutcome): Seen {
  const [here, there] = [row.of(nominal), row.of(thicker)];
  return here === null || there === null ? row : { ...row, noise: Math.hypot(row.noise, there - here) };
}

const residuals = (seen: readonly Seen[], outcomes: readonly BakeOutcome[]): number[] =>
  seen.map(({ piece, value, noise, of }) => {
    const computed = of(outcomes[piece]!);
    if (computed === null) return 0;
    return Math.max(-FURTHEST, Math.min(FURTHEST, (value - computed) / noise));
  });

const rootMeanSquare = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, r) => sum + r * r, 0) / Math.max(1, values.length));
const huberWeight = (r: number): number => (Math.abs(r) <= HUBER ? 1 : HUBER / Math.abs(r));

/** What the fit makes small: Huber's loss of the residuals, and how far the parameters are from what was believed. */
function cost(r: readonly number[], logs: readonly number[], names: readonly Fitted[]): number {
  const loss = (x: number) => (Math.abs(x) <= HUBER ? (x * x) / 2 : HUBER * (Math.abs(x) - HUBER / 2));
  const prior = names.reduce((sum, name, i) => sum + (logs[i]! / FITTED[name].priorSd) ** 2 / 2, 0);
  return r.reduce((sum, x) => sum + loss(x), prior);
}

/**
 * Refits the model to a kitchen's own pieces: contact, blisters and browning always, the draught where weight and bubbles are
 * known, the puff by itself. Maximum a posteriori by Gauss-Newton on ln p, with finite differences and Huber weights; no
 * parameter moves by more than two prior sd. Yields the share of the work done.
 */
export function* calibrate(
  request: BakeRequest,
  pieces: readonly LoggedPiece[],
): Generator<number, Calibration, void> {
  const base = request.setup.model ?? DEFAULT_MODEL;
  const told = seenOf(pieces);
  const count = (what: string) => told.filter((row) => row.what === what).length;
  const names: Exclude<Fitted, 'puff'>[] = ['contact', 'films', 'browning'];
  if (count('weight loss') >= DRAUGHT_NEEDS && count('bubbles') >= DRAUGHT_NEEDS) names.push('convection');
  const logs = names.map(() => 0);
  const factorsOf = (ln: readonly number[]) =>
    Object.fromEntries(names.map((name, i) => [name, Math.exp(ln[i]!)])) as Partial<Record<Fitted, number>>;
  const total = pieces.length * ((names.length + 1) * ITERATIONS + 3);
  let baked = 0;
  function* run(ln: readonly number[], of = pieces): Generator<number, BakeOutcome[], void> {
    const steps = bakeAll(request, of, withFactors(base, factorsOf(ln)));
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      baked += 1;
      yield Math.min(1, baked / total);
    }
  }
  const before = yield* run(logs);
  const thicker = yield* run(
    logs,
    pieces.map((piece) => ({ ...piece, thicknessMm: piece.thicknessMm * (1 + THICKNESS_SD) })),
  );
  const seen = told.map((row) => withThickness(row, before[row.piece]!, thicker[row.piece]!));
  let outcomes = before;
  let covariance = Matrix.diag(names.map((name) => FITTED[name].priorSd ** 2));
  for (let iteration = 0; iteration < ITERATIONS; iteration += 1) {
    const r = residuals(seen, outcomes);
    const slopes: number[][] = [];
    for (const [i] of names.entries()) {
      const moved = residuals(seen, yield* run(logs.map((ln, j) => (i === j ? ln + STEP : ln))));
      slopes.push(moved.map((value, k) => (r[k]! - value) / STEP));
    }
    const normal = Matrix.zeros(names.length, names.length);
    const right = Matrix.zeros(names.length, 1);
    for (const [i, name] of names.entries()) {
      const prior = FITTED[name].priorSd ** -2;
      for (const [j] of names.entries()) {
        const sum = r.reduce((s, value, k) => s + huberWeight(value) * slopes[i]![k]! * slopes[j]![k]!, 0);
        normal.set(i, j, sum + (i === j ? prior : 0));
      }
      right.set(
        i,
        0,
        r.reduce((s, value, k) => s + huberWeight(value) * slopes[i]![k]! * value, 0) - prior * logs[i]!,
      );
    }
    const step = solveLinear(normal, right);
    covariance = inverse(normal);
    // A full step may overshoot where bubbles hardly come at all: halve it until the fit is better.
    const here = cost(r, logs, names);
    let largest = Infinity;
    for (let share = 1; share >= SMALLEST_SHARE; share /= 2) {
      const tried = names.map((name, i) => {
        const most = MOST_SD * FITTED[name].priorSd;
        return Math.max(-most, Math.min(most, logs[i]! + share * step.get(i, 0)));
      });
      const then = yield* run(tried);
      if (cost(residuals(seen, then), tried, names) > here) continue;
      largest = Math.max(...tried.map((ln, i) => Math.abs(ln - logs[i]!)));
      logs.splice(0, logs.length, ...tried);
      outcomes = then;
      break;
    }
    if (largest < CONVERGED || largest === Infinity) break;
  }
  const misfitAfter = rootMeanSquare(residuals(seen, outcomes));
  // The model is not perfect, and where pieces scatter more than their noise the interval is as much wider.
  const wider = Math.max(MODEL_FORM, misfitAfter);
  const puff = fitPuff(pieces, outcomes);
  const parameters: FittedParameter[] = [
    ...names.map((what, i) => ({ what, ...intervalOf(logs[i]!, wider * Math.sqrt(covariance.get(i, i))) })),
    ...(puff ? [puff] : []),
  ];
  return {
    parameters,
    model: withFactors(base, Object.fromEntries(parameters.map(({ what, factor }) => [what, factor]))),
    pieces: pieces.length,
    misfitBefore: rootMeanSquare(residuals(seen, before)),
    misfitAfter,
    points: seen.map(({ what, piece, value, of }) => ({
      what,
      seen: value,
      before: of(before[piece]!) ?? value,
      after: of(outcomes[piece]!) ?? value,
    })),
  };
}
