/** Wakes the page at a time. A worker's timer is not slowed down in a hidden page the way the page's own timers are. */
const LONGEST_MS = 60_000;

const scope = self as unknown as {
  onmessage: ((message: MessageEvent<number>) => void) | null;
  postMessage: (message: 'due') => void;
};

let timer: ReturnType<typeof setTimeout> | undefined;

scope.onmessage = ({ data: atMs }) => {
  clearTimeout(timer);
  const wait = () => {
    const leftMs = atMs - Date.now();
    if (leftMs <= 0) scope.postMessage('due');
    // In short stretches, so that a device that slept is right again soon after it wakes.
    else timer = setTimeout(wait, Math.min(leftMs, LONGEST_MS));
  };
  wait();
};
