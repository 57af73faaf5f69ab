import type { Step } from '@kettle-scale/core/plan';
import { sumG } from '@kettle-scale/core/quantity';
import { checkWeight } from '@kettle-scale/core/batch';
import { useEffect, useEffectEvent, useRef } from 'react';
import { Unreachable, api } from '../../../api/api';
import type { LiveBatch } from '../../../batch/useBatch';
import { tareOwn } from '../../../live/instruments/store';
import { useReading } from '../../../live/useReading';
import { usePreferences } from '../../../reader/preferences';

/** Waits for the tare, so that the next line does not start from this one's weight; a scale that is away is not waited for. */
export const tare = async (): Promise<void> => {
  if (!tareOwn()) await api.deviceAct('scale', { act: 'tare' }).catch(onlyUnreachable);
};

function onlyUnreachable(error: unknown): void {
  if (!(error instanceof Unreachable)) throw error;
}

/** What the scale says of the line that is weighed, and the ways to take it. */
export function useScaleWeight(live: LiveBatch, step: Step, on: boolean, beforeG: number, hands: boolean) {
  const { plan } = live.batch;
  const { autoAdvance } = usePreferences();
  const heard = useReading('scale', on);
  // What is old or made up is shown as such; nothing is weighed by it.
  const reading = heard?.takeable ? heard.reading : null;
  const scaleG = sumG([beforeG, reading?.massG ?? 0]);
  const check = reading && step.lineId ? checkWeight(plan, live.state, step, scaleG) : null;
  const taken = useRef(false);
  const takeRight = () => {
    if (taken.current || scaleG <= 0) return;
    taken.current = true;
    const source = heard?.source ?? 'device';
    void tare().then(() =>
      live.act({ type: 'weighed', stepId: step.id, massG: scaleG, by: 'scale', source }),
    );
  };
  const ready = autoAdvance && reading?.steady === true && check?.verdict === 'right' && hands;
  const takeNow = useEffectEvent(takeRight);
  useEffect(() => {
    if (ready) takeNow();
  }, [ready]);
  return { heard, reading, scaleG, check, takeRight };
}

export type ScaleWeight = ReturnType<typeof useScaleWeight>;
