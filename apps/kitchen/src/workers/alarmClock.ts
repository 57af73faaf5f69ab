/** Calls `wake` at a time, also while the page is hidden, where the browser allows it. Returns how to stop. */
export function startAlarmClock(atMs: number, wake: () => void): () => void {
  let stop: () => void = () => undefined;
  const byTimer = () => {
    const timer = setTimeout(wake, Math.max(0, atMs - Date.now()));
    stop = () => clearTimeout(timer);
  };
  if (typeof Worker === 'undefined') byTimer();
  else {
    const worker = new Worker(new URL('./alarmClock.worker', window.location.href));
    worker.onmessage = wake;
    // A worker that does not load must not cost the alarm: the page's own timer rings, if a little late when hidden.
    worker.onerror = () => {
      worker.terminate();
      byTimer();
    };
    worker.postMessage(atMs);
    stop = () => worker.terminate();
  }
  return () => stop();
}
