import { say } from '../reader/say';
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
    const until = over
      ? say('its time was over {when}', { when: when(bestByMs, nowMs) })
      : say('best by {when}', { when: when(bestByMs, nowMs) });
    return {
      text: say('{what} in the fridge since {when}, {until}', { what, when: when(sinceMs, nowMs), until }),
      over,
    };
  };
  return {
    balls: balls && { ...balls, ...words(say('{pieces, number} balls', { pieces: balls.pieces }), balls) },
    dough: dough && {
      ...dough,
      ...words(say('{mass} of its dough', { mass: format.mass(dough.massG) }), dough),
    },
  };
}
