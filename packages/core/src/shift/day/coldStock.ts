import { coldStore } from '../../batch/coldStore';
import { warmUpS } from '../../dough/ballWarmUp';
import { FRIDGE_C } from '../../ingredient/perishable';
import { workableC } from '../../plan/today/restingDough';
import type { DayClock } from '../../quantity/clock';
import type { Cold } from '../shiftSchema';
import { ROOM_C } from './lineBread';
import type { FoldedBatch } from './serviceState';

/** Balls that a room never warms are given so long, s (assumption). */
const SLOWEST_WARMING_S = 4 * 3600;

/** From the fridge to a ball that can be rolled, s. */
function warmS({ batch: { plan }, state }: FoldedBatch): number {
  const airC = plan.today?.conditions.airC ?? ROOM_C;
  const ballG = state.divided?.ballG ?? plan.ballG;
  return Math.min(SLOWEST_WARMING_S, warmUpS(ballG, FRIDGE_C, airC, workableC(airC)));
}

/** The ball rest at its earliest, s. */
const ballRestS = ({ batch: { plan } }: FoldedBatch): number =>
  plan.formula.method.rests.reduce((sum, { of, earliestS }) => (of === 'balls' ? sum + earliestS : sum), 0);

/**
 * Balls and dough that wait in the fridge and may be the start of a plan, what goes first by its best-by. Dough is divided cold
 * and warms as balls: only what their rest is too short for is added before dividing.
 * @param batches batches that run, of any day
 * @param clock the day's clock
 * @param nowS s from midnight: what is over by then is none
 */
export const coldStock = (batches: readonly FoldedBatch[], { toS }: DayClock, nowS: number): Cold[] =>
  batches
    .flatMap((folded): Cold[] => {
      const { batch, state } = folded;
      if (state.status !== 'running') return [];
      const { balls, dough } = coldStore(batch.plan, state);
      const of = { id: batch.id, bread: batch.plan.formula.id };
      const ballG = state.divided?.ballG ?? batch.plan.ballG;
      const warm = warmS(folded);
      const pieces = dough ? Math.floor(dough.massG / ballG) : 0;
      return [
        ...(balls
          ? [{ ...of, as: 'balls' as const, pieces: balls.pieces, bestBy: toS(balls.bestByMs), warmS: warm }]
          : []),
        ...(dough && pieces > 0
          ? [
              {
                ...{ ...of, as: 'dough' as const, pieces, bestBy: toS(dough.bestByMs) },
                warmS: Math.max(0, warm - ballRestS(folded)),
              },
            ]
          : []),
      ];
    })
    .filter(({ bestBy }) => bestBy > nowS)
    .sort((a, b) => a.bestBy - b.bestBy);

/**
 * Balls that came out of the fridge since an instant, by batch and what they were there.
 * @param batches batches that run, of any day
 * @param since an instant, ISO
 */
export function takenOutSince(batches: readonly FoldedBatch[], since: string): Map<string, number> {
  const out = new Map<string, number>();
  const sinceMs = Date.parse(since);
  for (const { batch, state } of batches) {
    const pieces = (events: readonly { at: string; pieces: number }[]) =>
      events.reduce((sum, one) => (Date.parse(one.at) >= sinceMs ? sum + one.pieces : sum), 0);
    out.set(`${batch.id}/balls`, pieces(state.chilled.filter(({ type }) => type === 'taken-out')));
    out.set(`${batch.id}/dough`, pieces(state.drawn));
  }
  return out;
}
