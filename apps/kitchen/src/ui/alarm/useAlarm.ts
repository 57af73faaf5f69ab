import { useEffect } from 'react';
import { create } from 'zustand';
import { persist } from 'zustand/middleware';
import { usePreferences } from '../../reader/preferences';
import { ring } from './alarm';

const REMEMBERED = 100;

interface Acknowledged {
  keys: string[];
  add: (key: string) => void;
}

/** Which alarms were heard: a reload does not ring them again. */
const useAcknowledged = create<Acknowledged>()(
  persist(
    (set) => ({
      keys: [],
      add: (key) => set(({ keys }) => ({ keys: [...keys.filter((k) => k !== key), key].slice(-REMEMBERED) })),
    }),
    { name: 'kettle-scale-heard-alarms' },
  ),
);

/**
 * Rings while `key` is set and was not heard yet.
 * @param key names this one alarm for ever, as in "batch/step/start/open"; null while there is nothing to ring
 */
export function useAlarm(key: string | null): { ringing: boolean; quiet: () => void } {
  const sound = usePreferences((state) => state.sound);
  const heard = useAcknowledged((state) => key !== null && state.keys.includes(key));
  const add = useAcknowledged((state) => state.add);
  const ringing = key !== null && !heard;
  useEffect(() => (ringing ? ring(sound) : undefined), [ringing, sound]);
  return { ringing, quiet: () => key !== null && add(key) };
}

/** Rings while any of these was not heard yet: the first of them, until it is quieted. */
export function useAlarms(keys: readonly string[]): { ringing: string | null; quiet: () => void } {
  const heard = useAcknowledged((state) => state.keys);
  const first = keys.find((key) => !heard.includes(key)) ?? null;
  const { ringing, quiet } = useAlarm(first);
  return { ringing: ringing ? first : null, quiet };
}
