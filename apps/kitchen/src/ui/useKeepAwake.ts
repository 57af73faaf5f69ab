import { useEffect } from 'react';

/** Keeps the screen on while a batch is open, where the browser can. */
export function useKeepAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let closed = false;
    const hold = async () => {
      if (document.visibilityState !== 'visible' || !('wakeLock' in navigator)) return;
      try {
        lock = await navigator.wakeLock.request('screen');
        if (closed) await lock.release();
      } catch (error) {
        // A low battery makes the browser say no; the batch goes on without it.
        if (!(error instanceof DOMException)) throw error;
      }
    };
    void hold();
    const onVisible = () => void hold();
    document.addEventListener('visibilitychange', onVisible);
    return () => {
      closed = true;
      document.removeEventListener('visibilitychange', onVisible);
      void lock?.release();
    };
  }, []);
}
