import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';

type Flat = string | number | boolean | null | undefined | Readonly<Record<string, unknown>>;

/** Equal as they stand, or field by field. */
const same = (a: Flat, b: Flat): boolean => {
  if (Object.is(a, b)) return true;
  if (typeof a !== 'object' || typeof b !== 'object' || !a || !b) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => Object.is(a[key], b[key]));
};

/** How often a figure of whole seconds looks at the clock, ms; it is drawn only when it has changed. */
export const LOOK_MS = 100;

const MS_PER_S = 1000;

/** Whole seconds until an instant, as every countdown and its ring say them; 0 once it is past. */
export const secondsTo = (dueMs: number, nowMs: number): number =>
  Math.max(0, Math.ceil((dueMs - nowMs) / MS_PER_S));

/** Who listens to a beat; those of one length share a timer, so that a page is drawn once a beat, not once a place. */
const beats = new Map<number, { listeners: Set<() => void>; timer: ReturnType<typeof setInterval> }>();

function listen(everyMs: number, listener: () => void): () => void {
  let beat = beats.get(everyMs);
  if (!beat) {
    const listeners = new Set<() => void>();
    const timer = setInterval(() => {
      for (const one of listeners) one();
    }, everyMs);
    beat = { listeners, timer };
    beats.set(everyMs, beat);
  }
  const { listeners, timer } = beat;
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size > 0) return;
    clearInterval(timer);
    beats.delete(everyMs);
  };
}

/** Looks at every beat, and when the page is seen again. */
function useBeat(look: () => void, everyMs: number): void {
  useEffect(() => {
    document.addEventListener('visibilitychange', look);
    const stop = listen(everyMs, look);
    return () => {
      document.removeEventListener('visibilitychange', look);
      stop();
    };
  }, [everyMs, look]);
}

/**
 * What the clock makes of something: worked out every `everyMs`, drawn again only when it has changed. A page of many
 * countdowns stays still but for the figures that move.
 * @param sample a figure, a word, or a flat record of them; called with the time now, ms
 */
export function useSampled<T extends Flat>(sample: (nowMs: number) => T, everyMs: number): T {
  const [nowMs, setNow] = useState(() => Date.now());
  const value = sample(nowMs);
  const drawn = useRef({ value, sample, nowMs });
  const look = useCallback(() => {
    const now = Date.now();
    if (!same(drawn.current.value, drawn.current.sample(now))) setNow(now);
  }, []);
  // What is asked may have changed since the last beat: looked at before it is painted. Not after a look of its own: what
  // changes with every millisecond would be drawn without end.
  useLayoutEffect(() => {
    const looked = drawn.current.nowMs !== nowMs;
    drawn.current = { value, sample, nowMs };
    if (!looked) look();
  });
  useBeat(look, everyMs);
  return value;
}

/**
 * Writes what the clock makes of something into the page itself, when it has changed: nothing is drawn again. For what changes
 * every second on a page full of it, where a drawing of each takes longer than all else.
 * @param sample a figure, a word, or a flat record of them; called with the time now, ms
 * @param write puts it where it stands; called again after each drawing
 */
export function useWritten<T extends Flat>(
  sample: (nowMs: number) => T,
  write: (value: T) => void,
  everyMs: number,
): void {
  const asked = useRef({ sample, write });
  const written = useRef<{ value: T } | null>(null);
  const look = useCallback(() => {
    const value = asked.current.sample(Date.now());
    if (written.current && same(written.current.value, value)) return;
    written.current = { value };
    asked.current.write(value);
  }, []);
  useLayoutEffect(() => {
    asked.current = { sample, write };
    written.current = null;
    look();
  });
  useBeat(look, everyMs);
}
