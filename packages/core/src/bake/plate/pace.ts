import { type BakeRequest, bakeWith, stagesWith } from '../solve/bakeRequest';
import { bake } from '../model/bake';
import { plateAt, plateStep, STEEL_GRIDDLE } from '../model/plate';

/** What a cook's hands take, s; rolling counts where the same hands roll (assumptions, the kitchen sets its own). */
export interface Hands {
  onS: number;
  flipS: number;
  offS: number;
  rollS: number;
}
/** One touch of a piece, s: on, a turn, off. */
export const HAND_S = 4;
export const USUAL_HANDS: Hands = { onS: HAND_S, flipS: HAND_S, offS: HAND_S, rollS: 0 };

export const LIMITS = ['plate area', 'heat', 'hands', 'rolling'] as const;
export type PaceLimit = (typeof LIMITS)[number];

export interface Pace {
  /** Pieces an hour that each thing allows. */
  perHour: Record<PaceLimit, number>;
  limit: PaceLimit;
  piecesPerHour: number;
  /** One piece takes so much heat, kJ, and so long on the plate, s. */
  heatKJ: number;
  cycleS: number;
}

/** What a pace depends on beside the bake. */
export interface PaceFacts {
  places: number;
  pieceAreaM2: number;
  plateAreaM2: number;
  hands: Hands;
  gapS: number;
}

const S_PER_HOUR = 3600;
const J_PER_KJ = 1000;

/**
 * Pieces an hour, and what holds them back: room on the plate, its burner, the cook's hands, or rolling.
 * @param request the bread on its plate
 * @param seconds s by side
 * @param facts places, hands and rolling
 * @returns pieces an hour, with what binds
 */
export function paceOf(request: BakeRequest, seconds: readonly number[], facts: PaceFacts): Pace {
  const { places, pieceAreaM2, plateAreaM2, hands, gapS } = facts;
  const plate = request.setup.plate ?? STEEL_GRIDDLE;
  const airC = request.setup.air?.tempC ?? 25;
  const heatKJ = bakeWith(request, seconds).heatKJM2 * pieceAreaM2;
  const cycleS = seconds.reduce((sum, s) => sum + s, 0) + gapS;
  const spareW =
    Math.max(0, (plate.fixedWM2 ?? plate.maxPowerWM2) - plate.lossWM2K * (request.setup.plateC - airC)) *
    plateAreaM2;
  const handS = hands.onS + hands.flipS * (seconds.length - 1) + hands.offS;
  const perHour: Record<PaceLimit, number> = {
    'plate area': (places * S_PER_HOUR) / cycleS,
    heat: (S_PER_HOUR * spareW) / (heatKJ * J_PER_KJ),
    hands: S_PER_HOUR / handS,
    rolling: hands.rollS > 0 ? S_PER_HOUR / (hands.rollS + handS) : Infinity,
  };
  const limit = LIMITS.reduce((least, one) => (perHour[one] < perHour[least] ? one : least));
  return { perHour, limit, piecesPerHour: perHour[limit], heatKJ, cycleS };
}

export interface Settling {
  /** Plate under the place when each piece goes on. */
  onC: number[];
  /** Lowest it comes to under a piece. */
  lowestC: number;
  /** Seconds after a piece until it is back within 3 °C of where the piece went on; null when it is not back in an hour. */
  recoveryS: number | null;
}

const BACK_WITHIN_C = 3;
const LONGEST_S = 3600;

/**
 * What a run of pieces, one after the other on one place, does to the plate.
 * @param request the bread on its plate
 * @param seconds s by side
 * @param gapS between two pieces, s
 * @param pieces pieces in the run
 * @returns plate under each piece, °C
 */
export function settling(
  request: BakeRequest,
  seconds: readonly number[],
  gapS: number,
  pieces = 8,
): Settling {
  const { setup, program } = request;
  const plate = setup.plate ?? STEEL_GRIDDLE;
  const airC = setup.air?.tempC ?? 25;
  const state = plateAt(plate, setup.startC?.under ?? setup.plateC, setup.startC?.rest ?? setup.plateC);
  const onC: number[] = [];
  let lowestC = Infinity;
  let recoveryS: number | null = null;
  const idle = (s: number) => {
    for (let t = 0; t < s; t += 1) plateStep(plate, state, setup.plateC, airC, 0, 1, false);
  };
  for (let piece = 0; piece < pieces; piece += 1) {
    const under = state.underC[0]!;
    onC.push(under);
    const outcome = bake({
      ...setup,
      startC: { under, rest: state.restC },
      stages: stagesWith(program, seconds),
    });
    state.underC.fill(outcome.plateC);
    state.restC = outcome.restC;
    lowestC = Math.min(lowestC, setup.plateC - outcome.plateDipC);
    if (piece === 0) {
      const back = plateAt(plate, outcome.plateC, outcome.restC);
      for (let t = 0; t <= LONGEST_S && recoveryS === null; t += 1) {
        if (back.underC[0]! >= under - BACK_WITHIN_C) recoveryS = t;
        plateStep(plate, back, setup.plateC, airC, 0, 1, false);
      }
    }
    idle(gapS);
  }
  return { onC, lowestC, recoveryS };
}
