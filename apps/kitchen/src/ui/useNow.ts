import { useEffect, useState } from 'react';

/** The time now, renewed every `everyMs`; what is shown is always worked out from the clock, never counted. */
export function useNow(everyMs = 250): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    const onReturn = () => setNow(Date.now());
    document.addEventListener('visibilitychange', onReturn);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', onReturn);
    };
  }, [everyMs]);
  return now;
}
