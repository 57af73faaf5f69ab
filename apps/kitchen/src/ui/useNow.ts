import { useEffect, useState } from 'react';

/**
 * The time now, renewed every `everyMs`; what is shown is always worked out from the clock, never counted.
 * @param phaseMs instant that the ticks are aligned to: a timer's start, so that its seconds change when they are full
 */
export function useNow(everyMs = 250, phaseMs = 0): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const wait = () => {
      // A start from a phone whose clock is ahead lies in the future.
      const into = (((Date.now() - phaseMs) % everyMs) + everyMs) % everyMs;
      timer = setTimeout(() => {
        setNow(Date.now());
        wait();
      }, everyMs - into);
    };
    wait();
    const onReturn = () => setNow(Date.now());
    document.addEventListener('visibilitychange', onReturn);
    return () => {
      clearTimeout(timer);
      document.removeEventListener('visibilitychange', onReturn);
    };
  }, [everyMs, phaseMs]);
  return now;
}
