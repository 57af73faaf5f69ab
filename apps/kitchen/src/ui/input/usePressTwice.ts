import { say } from '../../reader/say';
import { useEffect, useState } from 'react';

/** A second press within this time means it, ms. */
const WITHIN_MS = 4000;

/**
 * An act that a pedal or a key alone must not do by a slip: the first press says what the second would do.
 * @param means what the act would do ("end the rest 6 min early"); null where one press is enough
 */
export function usePressTwice(means: string | null, act: () => void) {
  const [armed, setArmed] = useState<string | null>(null);
  useEffect(() => {
    if (armed === null) return;
    const timer = setTimeout(() => setArmed(null), WITHIN_MS);
    return () => clearTimeout(timer);
  }, [armed]);
  const isArmed = armed !== null && means !== null;
  return {
    /** What the next press would do, once the first was heard. */
    words: isArmed ? say('Press again to {means}', { means }) : null,
    press: () => {
      if (means === null || isArmed) {
        setArmed(null);
        act();
      } else setArmed(means);
    },
  };
}
