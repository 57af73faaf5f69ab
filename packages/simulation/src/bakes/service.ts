import {
  bake,
  type BakeRequest,
  stagesWith,
  type BakeOutcome,
  type PlateState,
  plateAt,
  plateStep,
  STEEL_GRIDDLE,
  readySeconds,
  solveTimes,
  type Spreads,
  type BakeStandard,
  pliableFrom,
  isGood,
  judge,
  type Colour,
  type PieceSeen,
  NO_TRIM,
  type Trim,
  trimBy,
  trimmedSeconds,
} from '@kettle-scale/core/bake';

/** Draws that a simulated service needs, passed in. */
export interface Chance {
  normal: (mean: number, sd: number) => number;
}

export interface ServiceSetup {
  /** What the kitchen really does: its true model, plate and dough. */
  truth: BakeRequest;
  /** What the app believes. */
  belief: BakeRequest;
  /** Times for the wanted heat, that keep most pieces in standard; the ratio to the solver's is kept at other heats. */
  robustSeconds: readonly number[];
  pieces: number;
  /** Plate when the shift begins, °C, and how far its thermostat wanders in the course of it. */
  startC: number;
  driftC: number;
  spreads: Spreads;
  /** Noise of the surface thermometer, °C, and of the cook's eye, as a share of the cover. */
  thermometerC: number;
  eye: number;
  /** Between one piece and the next, s. */
  gapS: number;
  how: 'app' | 'fixed times' | 'fixed times, plate awaited';
}

export interface ServicePiece {
  plateC: number;
  readC: number;
  seconds: number[];
  good: boolean;
  outcome: BakeOutcome;
  trim: Trim;
}

/**
 * How the cook judges a colour, with an eye that is not perfect: pale when it is near the least that is sold, dark when
 * hardly a blister is left pale or the first black shows.
 */
const PALE_BELOW = 1.8;
const DARK_ABOVE = 40;
const CHARRED = 0.5;

export function colourSeen(
  { cover, char }: Pick<BakeOutcome, 'cover' | 'char'>,
  side: 0 | 1,
  standard: BakeStandard,
  blur: number,
): Colour {
  const seen = cover[side] * Math.exp(blur);
  if (char[side] > CHARRED || seen > DARK_ABOVE * Math.exp(Math.abs(blur))) return 'dark';
  return seen < PALE_BELOW * standard.coverLeast[side] ? 'pale' : 'right';
}

/** Points of moisture around the least at which a piece feels stiff. */
const STIFF_POINTS = 0.5;
const STEP_S = 0.5;

function idle(request: BakeRequest, state: PlateState, setC: number, seconds: number): void {
  const plate = request.setup.plate ?? STEEL_GRIDDLE;
  const airC = request.setup.air?.tempC ?? 25;
  for (let s = 0; s < seconds; s += STEP_S) plateStep(plate, state, setC, airC, 0, STEP_S, false);
}

/**
 * A service, piece after piece on one place of a plate that starts cold and whose thermostat wanders, worked with the
 * app's times, trims and wait, or with fixed times.
 */
export function simulateService(setup: ServiceSetup, chance: Chance): ServicePiece[] {
  const { truth, belief, standard, robustSeconds, how } = { ...setup, standard: setup.belief.standard };
  const wantedC = belief.setup.plateC;
  const nominal = solveTimes(belief).seconds;
  const ratios = robustSeconds.map((s, side) => s / (nominal[side] ?? s));
  const state = plateAt(truth.setup.plate ?? STEEL_GRIDDLE, setup.startC);
  if (how !== 'fixed times') {
    idle(truth, state, wantedC, readySeconds(truth.setup.plate ?? STEEL_GRIDDLE, setup.startC, wantedC) ?? 0);
  }
  let trim = NO_TRIM;
  const pieces: ServicePiece[] = [];
  for (let piece = 0; piece < setup.pieces; piece += 1) {
    const setC = wantedC + (setup.driftC * piece) / (setup.pieces - 1) + (how === 'app' ? trim.heatC : 0);
    const plateC = state.underC[0]!;
    const readC = plateC + chance.normal(0, setup.thermometerC);
    const solved =
      how === 'app'
        ? solveTimes({
            ...belief,
            setup: { ...belief.setup, plateC: readC, startC: { under: readC, rest: readC } },
          }).seconds.map((s, side) => s * (ratios[side] ?? 1))
        : [...robustSeconds];
    const seconds = how === 'app' ? trimmedSeconds(solved, trim) : solved;
    const really = seconds.map((s) => Math.max(1, s + chance.normal(0, setup.spreads.timingS)));
    const meanMm = truth.setup.thicknessMm;
    const mm =
      meanMm * (1 + chance.normal(0, setup.spreads.ballShare)) + chance.normal(0, setup.spreads.thicknessMm);
    const spotC = chance.normal(0, setup.spreads.plateC);
    const outcome = bake({
      ...truth.setup,
      thicknessMm: Math.max(0.4, mm),
      plateC: setC,
      startC: { under: plateC + spotC, rest: state.restC },
      stages: stagesWith(truth.program, really),
    });
    const seen: PieceSeen = {
      firstSide: colourSeen(outcome, 0, standard, chance.normal(0, setup.eye)),
      secondSide: colourSeen(outcome, 1, standard, chance.normal(0, setup.eye)),
      bite:
        outcome.fatFreeMoisture < pliableFrom(standard, outcome.thicknessMm) + STIFF_POINTS
          ? 'stiff'
          : outcome.gelatinised < standard.gelatinised
            ? 'soft'
            : 'right',
    };
    pieces.push({ plateC, readC, seconds, good: isGood(judge(outcome, standard)), outcome, trim });
    if (how === 'app') trim = trimBy(trim, seen).trim;
    state.underC.fill(outcome.plateC - spotC);
    state.restC = outcome.restC;
    idle(truth, state, setC, setup.gapS);
  }
  return pieces;
}

export const shareGood = (pieces: readonly ServicePiece[]): number =>
  pieces.filter(({ good }) => good).length / pieces.length;
