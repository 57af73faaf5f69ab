import type { Baking } from '../model/baking';
import { browned } from '../model/browning';
import { type BakeRequest, firstStages, stagesWith } from '../solve/bakeRequest';
import { type FittedName, type OneChange, fitLogs, mostRuns } from './fitLogs';
import { type FittedParameter, fitPuff, intervalOf } from './fitPuff';
import { DEFAULT_MODEL, type ModelConstants } from '../model/model';
import { withFactors } from '../model/withFactors';
import type { BakeOutcome } from '../model/outcome';
import { followFirst } from '../model/track';
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
/** Linear theory takes the model for perfect; intervals are made so many times wider. */
const MODEL_FORM = 2;
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
  of: (outcome: Computed) => number | null;
}

/** What can be seen of a piece, as a bake computes it. */
type Computed = Pick<BakeOutcome, 'bubblesS' | 'weightLoss' | 'spotLightness'>;

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

/**
 * One piece with a model. Bubbles are those of the open face: a side that was flipped before they came is followed further
 * from there, unless nobody asks for them.
 */
function bakeLogged(
  request: BakeRequest,
  { thicknessMm, doughC, plateC, seconds, bubblesS }: LoggedPiece,
  model: ModelConstants,
  asks: boolean,
): BakeOutcome {
  const disc = { thicknessMm, doughC, plateC, model, startC: { under: plateC, rest: plateC } };
  const stages = firstStages(request.program, LONGEST_FIRST_S);
  const first = followFirst({ ...request.setup, ...disc, stages }, seeBubbles);
  const firstS = seconds[0]!;
  const outcome = first.turn(firstS, { stages: stagesWith(request.program, seconds) });
  if (!asks || bubblesS === undefined) return outcome;
  for (const seen of first.steps(Math.max(firstS, LONGEST_FIRST_S)))
    if (seen.bubblesS !== null) return { ...outcome, bubblesS: seen.bubblesS };
  return { ...outcome, bubblesS: null };
}

const seeBubbles = ({ timeS, bubblesS }: Baking) => ({ timeS, bubblesS });

/** Bakes every piece with a model; yields after each. */
function* bakeAll(
  request: BakeRequest,
  pieces: readonly LoggedPiece[],
  model: ModelConstants,
  asks: boolean,
): Generator<void, BakeOutcome[], void> {
  const outcomes: BakeOutcome[] = [];
  for (const piece of pieces) {
    outcomes.push(bakeLogged(request, piece, model, asks));
    yield;
  }
  return outcomes;
}

/** What a disc that is thicker than it was taken for does to a row counts as noise of that row. */
function withThickness(row: Seen, nominal: Computed, thicker: Computed): Seen {
  const [here, there] = [row.of(nominal), row.of(thicker)];
  return here === null || there === null ? row : { ...row, noise: Math.hypot(row.noise, there - here) };
}

/** Nothing counts as further off than this many sd. */
const FURTHEST = 5;

const residuals = (seen: readonly Seen[], outcomes: readonly Computed[]): number[] =>
  seen.map(({ piece, value, noise, of }) => {
    const computed = of(outcomes[piece]!);
    if (computed === null) return 0;
    return Math.max(-FURTHEST, Math.min(FURTHEST, (value - computed) / noise));
  });

const rootMeanSquare = (values: readonly number[]): number =>
  Math.sqrt(values.reduce((sum, r) => sum + r * r, 0) / Math.max(1, values.length));

/**
 * Refits the model to a kitchen's own pieces: contact, blisters and browning always, the draught where weight and bubbles are
 * known, the puff by itself. No parameter moves by more than two prior sd. Yields the share of the work done.
 * @param request the bake that the factors multiply
 * @param pieces logged pieces of one formula on one plate
 * @returns share of the work done, then factors with their intervals
 */
export function* calibrate(
  request: BakeRequest,
  pieces: readonly LoggedPiece[],
): Generator<number, Calibration, void> {
  const base = request.setup.model ?? DEFAULT_MODEL;
  const told = seenOf(pieces);
  const count = (what: string) => told.filter((row) => row.what === what).length;
  const names: FittedName[] = ['contact', 'films', 'browning'];
  if (count('weight loss') >= DRAUGHT_NEEDS && count('bubbles') >= DRAUGHT_NEEDS) names.push('convection');
  const total = pieces.length * mostRuns(names.length);
  let baked = 0;
  function* run(
    ln: readonly number[],
    { of = pieces, asks = true } = {},
  ): Generator<number, BakeOutcome[], void> {
    const factors = Object.fromEntries(names.map((name, i) => [name, Math.exp(ln[i]!)]));
    const steps = bakeAll(request, of, withFactors(base, factors), asks);
    for (;;) {
      const { done, value } = steps.next();
      if (done) return value;
      baked += 1;
      yield Math.min(1, baked / total);
    }
  }
  /** Every piece with one logarithm other than it was: what that parameter cannot change is not baked again. */
  function* changed(
    ln: readonly number[],
    { name, by, from }: OneChange,
  ): Generator<number, readonly Computed[], void> {
    if (name === 'browning') {
      return from.map((o) => ({ ...o, spotLightness: browned(o.spotLightness, Math.exp(by)) }));
    }
    if (name !== 'films') return yield* run(ln);
    const blistered = yield* run(ln, { asks: false });
    // Blisters take nothing from the column behind them: bubbles and weight stay.
    return from.map((o, piece) => ({ ...o, spotLightness: blistered[piece]!.spotLightness }));
  }
  const unmoved = names.map(() => 0);
  const before = yield* run(unmoved);
  const thicker = yield* run(unmoved, {
    of: pieces.map((piece) => ({ ...piece, thicknessMm: piece.thicknessMm * (1 + THICKNESS_SD) })),
  });
  const seen = told.map((row) => withThickness(row, before[row.piece]!, thicker[row.piece]!));
  const start = { outcomes: before, residuals: residuals(seen, before) };
  const fit = yield* fitLogs(names, start, {
    *all(ln) {
      const outcomes = yield* run(ln);
      return { outcomes, residuals: residuals(seen, outcomes) };
    },
    *one(ln, change) {
      return residuals(seen, yield* changed(ln, change));
    },
  });
  const { outcomes } = fit.at;
  const misfitAfter = rootMeanSquare(fit.at.residuals);
  // The model is not perfect, and where pieces scatter more than their noise the interval is as much wider.
  const wider = Math.max(MODEL_FORM, misfitAfter);
  const puff = fitPuff(pieces, outcomes);
  const parameters: FittedParameter[] = [
    ...names.map((what, i) => ({ what, ...intervalOf(fit.logs[i]!, wider * fit.sds[i]!) })),
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
