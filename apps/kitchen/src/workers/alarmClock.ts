/** Calls `wake` at a time, also while the page is hidden, where the browser allows it. Returns how to stop. */
export function startAlarmClock(atMs: number, wake: () => void): () => void {
  if (typeof Worker === 'undefined') {
    const timer = setTimeout(wake, Math.max(0, atMs - Date.now()));
    return () => clearTimeout(timer);
  }
  const worker = new Worker(new URL('./alarmClock.worker', window.location.href));
  worker.onmessage = wake;
  worker.postMessage(atMs);
  return () => worker.terminate();
}
