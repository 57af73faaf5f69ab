import { warmUpS, warmingBall } from '../dough/ballWarmUp';
import { FRIDGE_C } from '../ingredient/perishable';
import { DEFAULT_FRIDGE_DOUGH_H } from '../kitchen/kitchenDefaults';
import type { Plan } from '../plan/planSchema';
import { workableC } from '../plan/today/restingDough';
import { sumG } from '../quantity/roundToStep';
import type { BatchState } from './batchState';

const MS_PER_S = 1000;
const MS_PER_H = 3_600_000;

/** What of a batch waits in the fridge for a later draw, and since when. */
export interface ColdStore {
  balls: { pieces: number; sinceMs: number; bestByMs: number } | null;
  dough: { massG: number; sinceMs: number; bestByMs: number } | null;
}

type Chills = Pick<BatchState, 'chilled' | 'drawn' | 'leftovers'>;

interface Cold {
  /** Balls in the fridge, and since when without a break. */
  pieces: number;
  sinceMs: number;
  /** How long there were any, until the last of these events. */
  totalMs: number;
  atMs: number;
}

function coldBalls({ chilled }: Pick<BatchState, 'chilled'>): Cold {
  return chilled.reduce<Cold>(
    ({ pieces: before, sinceMs, totalMs, atMs: lastMs }, event) => {
      const atMs = Date.parse(event.at);
      return {
        pieces: Math.max(0, before + (event.type === 'chilled' ? 1 : -1) * event.pieces),
        sinceMs: before === 0 ? atMs : sinceMs,
        totalMs: before === 0 ? totalMs : totalMs + atMs - lastMs,
        atMs,
      };
    },
    { pieces: 0, sinceMs: 0, totalMs: 0, atMs: 0 },
  );
}

/**
 * Balls and dough of a batch in the fridge. The kitchen's limit for fridge dough runs from the first time that any of it went
 * there: an hour in the warm in between makes no dough younger.
 * @param plan with its kitchen
 * @param state what went into the fridge and came out
 */
export function coldStore({ kitchen }: Pick<Plan, 'kitchen'>, state: Chills): ColdStore {
  const limitMs = (kitchen.fridgeDoughH ?? DEFAULT_FRIDGE_DOUGH_H) * MS_PER_H;
  const { pieces, sinceMs } = coldBalls(state);
  const kept = state.leftovers.filter(({ as }) => as === 'fridge dough');
  const massG = sumG([...kept.map((one) => one.massG), ...state.drawn.map((one) => -one.massG)]);
  const [first] = kept;
  const doughMs = first ? Date.parse(first.at) : Infinity;
  const ballsMs = Math.min(...state.chilled.slice(0, 1).map(({ at }) => Date.parse(at)));
  const bestByMs = Math.min(doughMs, ballsMs) + limitMs;
  return {
    balls: pieces > 0 ? { pieces, sinceMs, bestByMs } : null,
    dough: first && massG > 0 ? { massG, sinceMs: doughMs, bestByMs } : null,
  };
}

/**
 * Balls that a batch has been made into: at dividing, and of dough drawn from the fridge later.
 * @param plan its pieces
 * @param state what was divided and drawn
 */
export const ballsMade = (plan: Pick<Plan, 'pieces'>, state: Pick<BatchState, 'divided' | 'drawn'>): number =>
  (state.divided?.pieces ?? plan.pieces) + state.drawn.reduce((sum, { pieces }) => sum + pieces, 0);

/** Balls that are neither bread nor here: dropped, missed, thrown out. Those that others baked are pieces that are off. */
const ballsLost = ({ gone }: Pick<BatchState, 'gone'>): number =>
  gone.reduce((sum, { how, pieces }) => (how === 'baked by others' ? sum : sum + pieces), 0);

/**
 * Balls that were never on the plate, do not lie in the fridge and are still there.
 * @param plan the plan
 * @param state its folded state
 */
export const ballsAtHand = (plan: Plan, state: BatchState): number =>
  Math.max(
    0,
    ballsMade(plan, state) -
      ballsLost(state) -
      coldBalls(state).pieces -
      state.piecesOff -
      state.onPlate.length,
  );

/**
 * When balls that were last taken out are warm enough to roll, ms: a sphere that cooled in the fridge and warms in the room.
 * Null where none were taken out, or nobody said how warm the room is; Infinity where the room is too cold.
 * @param plan the plan
 * @param state what was divided and chilled
 */
export function workableAtMs(plan: Plan, { chilled, divided }: BatchState): number | null {
  const out = chilled.at(-1);
  const airC = plan.today?.conditions.airC;
  if (out?.type !== 'taken-out' || airC === undefined) return null;
  const outMs = Date.parse(out.at);
  const { sinceMs } = coldBalls({ chilled: chilled.slice(0, -1) });
  const ballG = divided?.ballG ?? plan.ballG;
  const coldS = (outMs - sinceMs) / MS_PER_S;
  const fromC = warmingBall(ballG, airC, FRIDGE_C).centreC(coldS);
  return outMs + warmUpS(ballG, fromC, airC, workableC(airC)) * MS_PER_S;
}

/** Time in the fridge of a batch whose balls at hand are all baked: what is left of it was there all the while, ms. */
export function chilledMs(plan: Plan, state: BatchState, nowMs: number): number {
  if (state.chilled.length === 0 || ballsAtHand(plan, state) > 0) return 0;
  const { pieces, totalMs, atMs } = coldBalls(state);
  return pieces > 0 ? totalMs + Math.max(0, nowMs - atMs) : totalMs;
}
