import { coldStore } from '@kettle-scale/core/batch';
import type { LiveBatch } from '../batch/useBatch';
import { useFormat } from '../ui/useFormat';
import { useDays } from './useDays';

/** What of a batch lies in the fridge, in words: since when, and how long it is good. */
export function useColdWords({ batch, state }: Pick<LiveBatch, 'batch' | 'state'>, nowMs: number) {
  const format = useFormat();
  const { when } = useDays();
  const { balls, dough } = coldStore(batch.plan, state);
  const words = (what: string, { sinceMs, bestByMs }: { sinceMs: number; bestByMs: number }) => {
    const over = bestByMs < nowMs;
    const until = over ? `its time was over ${when(bestByMs, nowMs)}` : `best by ${when(bestByMs, nowMs)}`;
    return { text: `${what} in the fridge since ${when(sinceMs, nowMs)}, ${until}`, over };
  };
  return {
    balls: balls && { ...balls, ...words(`${balls.pieces} balls`, balls) },
    dough: dough && { ...dough, ...words(`${format.mass(dough.massG)} of its dough`, dough) },
  };
}
