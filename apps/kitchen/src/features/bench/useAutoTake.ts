import type { ReadingSource } from '@kettle-scale/core/device';
import { useEffect, useRef } from 'react';
import { useReading } from '../../live/useReading';

/** On the scale there is a ball between these shares of the wanted weight; none below `LIFTED`, something else above. */
const THERE = 0.5;
const NO_BALL = 1.6;
const LIFTED = 0.15;
export type BallPhase = 'empty' | 'settling' | 'taken' | 'lifting' | 'no ball';

export const PHASE_WORDS: Record<BallPhase, string> = {
  empty: 'put the next ball on',
  settling: 'steadying …',
  taken: 'taken: lift it',
  lifting: 'lift it off',
  'no ball': 'too heavy for a ball: clear the scale',
};

/** Takes a ball by itself when it lies steady; the next one only when the scale was empty in between. */
export function useAutoTake(
  on: boolean,
  targetG: number,
  take: (massG: number, source: ReadingSource) => void,
) {
  const heard = useReading('scale');
  const reading = heard?.takeable ? heard.reading : null;
  const armed = useRef(true);
  const latest = useRef(take);
  useEffect(() => {
    latest.current = take;
  });
  const massG = reading?.massG ?? 0;
  const source = heard?.source ?? 'device';
  const heavy = massG > NO_BALL * targetG;
  const there = massG > THERE * targetG && !heavy;
  const steady = reading?.steady ?? false;
  const empty = massG < LIFTED * targetG;
  useEffect(() => {
    if (empty) armed.current = true;
    else if (on && there && steady && armed.current) {
      armed.current = false;
      latest.current(massG, source);
    }
  }, [on, empty, there, steady, massG, source]);
  const phase: BallPhase = heavy
    ? 'no ball'
    : there
      ? steady && on
        ? 'taken'
        : 'settling'
      : empty
        ? 'empty'
        : 'lifting';
  return { heard, reading, phase, there };
}
