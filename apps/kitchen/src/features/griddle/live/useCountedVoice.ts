import type { PlateAct } from '@kettle-scale/core/bake';
import { useEffect } from 'react';
import { usePreferences } from '../../../reader/preferences';
import { tick } from '../../../ui/alarm/alarm';
import { speak } from '../../../ui/voice';
import { actWords } from './handsWords';

const MS_PER_S = 1000;
/** An act is said so long before its time, and each second of it ticks. */
const SAID_BEFORE_S = 2;

/** Says the acts of a plate that counts by itself, a moment before each, with a tick on the second. */
export function useCountedVoice(next: PlateAct | null): void {
  const sound = usePreferences((state) => state.sound);
  const kind = next?.kind;
  const place = next?.place;
  const atMs = next?.atMs;
  useEffect(() => {
    if (kind === undefined || place === undefined || atMs === undefined) return;
    const inMs = (beforeS: number) => atMs - beforeS * MS_PER_S - Date.now();
    const said = setTimeout(() => speak(actWords(kind, place)), Math.max(0, inMs(SAID_BEFORE_S)));
    // A second that is over ticks no more.
    const ticks = Array.from({ length: SAID_BEFORE_S + 1 }, (_, s) => s)
      .filter((s) => inMs(s) >= 0)
      .map((s) => setTimeout(() => tick(sound, s === 0), inMs(s)));
    return () => [said, ...ticks].forEach(clearTimeout);
  }, [kind, place, atMs, sound]);
}
