import type { Reject } from '@kettle-scale/core/batch';
import {
  type PlateAct,
  handsFreeMs,
  isJustTold,
  nextPlateAct,
  plateActs,
  putActOff,
  putAllOff,
} from '@kettle-scale/core/bake';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { LiveBatch } from '../../../batch/useBatch';
import { beginCounting, endCounting, useCounting } from './byItselfStore';
import type { LiveGriddle } from './useLiveGriddle';

const MS_PER_S = 1000;
/** How often the clock is looked at. */
const LOOK_MS = 200;
/** How often it is kept that somebody looked. */
const SEEN_EVERY_MS = 2000;
/** Acts are on their way for no longer than this; what is refused never comes back. */
const ON_THEIR_WAY_MS = 3000;
/** Nobody has looked for so long: what became of the plate is asked, not assumed. */
const AWAY_MS = 45_000;

/** Somebody was away, and these acts would have been done by the plan meanwhile. */
export interface Away {
  forS: number;
  acts: readonly PlateAct[];
}

/** When the hands last did something on this plate, ms. */
function lastActMs({ byItself, onPlate, baked }: LiveBatch['state']): number {
  const off = baked.at(-1);
  const offMs = off ? off.onMs + off.sidesS.reduce((sum, s) => sum + s, 0) * MS_PER_S : 0;
  return Math.max(byItself?.sinceMs ?? 0, offMs, ...onPlate.map(({ sinceMs }) => sinceMs));
}

/** Whether this device counts the batch, and the plate's work as it is counted. */
function useCountedWork({ batch, state }: LiveBatch, { counted, work }: LiveGriddle) {
  const sinceMs = useCounting((counting) => (counting.batchId === batch.id ? counting.sinceMs : null));
  const off = useCounting((counting) => counting.off);
  const isOwn = state.byItself !== null && state.byItself.sinceMs === sinceMs;
  const begun = state.onPlate.length > 0 || state.baked.some(({ onMs }) => onMs >= (sinceMs ?? Infinity));
  const active = isOwn && begun;
  const fromMs = handsFreeMs(lastActMs(state));
  const next = useMemo(
    () => (active ? nextPlateAct(work, counted, off, fromMs) : null),
    [active, work, counted, off, fromMs],
  );
  const until = (nowMs: number): PlateAct[] => (active ? plateActs(work, counted, off, fromMs, nowMs) : []);
  return { isOwn, active, next, until };
}

interface Clock {
  /** Acts of the batch, as far as they are seen here. */
  seen: number;
  running: boolean;
  /** Acts whose time has come by an instant. */
  until: (nowMs: number) => PlateAct[];
  onActs: (acts: readonly PlateAct[]) => void;
  onAway: (away: Away) => void;
}

/** Looks at the clock while it counts: acts are taken at their time; where nobody looked for long, what they were is asked. */
function useCountClock({ seen, running, until, onActs, onAway }: Clock): void {
  /** Acts that were there once; while some of them are out of sight, on their way to the server, the same would be taken twice. */
  const known = useRef({ acts: 0, atMs: 0 });
  const look = (nowMs: number) => {
    if (seen < known.current.acts && nowMs - known.current.atMs < ON_THEIR_WAY_MS) return;
    known.current = { acts: seen, atMs: nowMs };
    const { seenMs } = useCounting.getState();
    const acts = until(nowMs);
    if (nowMs - seenMs > AWAY_MS && acts.length > 0) {
      onAway({ forS: Math.round((nowMs - seenMs) / MS_PER_S), acts });
      return;
    }
    if (nowMs - seenMs > SEEN_EVERY_MS) useCounting.setState({ seenMs: nowMs });
    if (acts.length === 0) return;
    known.current = { acts: seen + acts.length, atMs: nowMs };
    onActs(acts);
  };
  // An effect event goes stale inside of a memo in this React.
  const latest = useRef(look);
  useEffect(() => {
    latest.current = look;
  });
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => latest.current(Date.now()), LOOK_MS);
    return () => clearInterval(timer);
  }, [running]);
}

/** The plate counts by itself: acts are taken as done at their time, and the cook says only what went otherwise. */
export function useByItself(live: LiveBatch, griddle: LiveGriddle) {
  const { batch, state, act, actAt } = live;
  const { left, act: hands } = griddle;
  const { isOwn, active, next, until } = useCountedWork(live, griddle);
  const [away, setAway] = useState<Away | null>(null);
  const [told, setTold] = useState<PlateAct | null>(null);
  const take = (acts: readonly PlateAct[]) => {
    for (const one of acts) actAt(one.atMs, hands.bodyOf(one));
    setTold(acts.at(-1) ?? null);
  };
  useCountClock({
    seen: batch.events.length,
    until,
    running: active && away === null,
    onActs: take,
    onAway: setAway,
  });

  const start = () => {
    const nowMs = Date.now();
    beginCounting(batch.id, nowMs);
    actAt(nowMs, { type: 'by-itself', on: true });
  };
  const stop = () => {
    setAway(null);
    endCounting();
    act({ type: 'by-itself', on: false });
  };
  /** The act that was told just now and is still the last of the record: what was done after it is not taken back for it. */
  const justTold = (nowMs: number): PlateAct | null => {
    const lastMs = state.lastAct ? Date.parse(state.lastAct.at) : 0;
    return told && isJustTold(told, nowMs) && told.atMs === lastMs ? told : null;
  };
  /** What a press is about: the act that was told just now, else the one that comes. */
  const about = (nowMs: number) => justTold(nowMs) ?? next;
  const putOff = (by: typeof putAllOff) => {
    const nowMs = Date.now();
    if (justTold(nowMs)) live.undo();
    setTold(null);
    useCounting.setState({ off: by(useCounting.getState().off, nowMs) });
  };
  return {
    /** This device counts. */
    active,
    /** Switched on and waiting for the first piece. */
    ready: isOwn && !active,
    /** Another device counts. */
    elsewhere: state.byItself !== null && !isOwn,
    /** The way into it, or out again before the first piece; null where there is nothing to count, or another phone does. */
    offer:
      active || left === 0 || (state.byItself !== null && !isOwn)
        ? null
        : isOwn
          ? { label: 'Count by hand', onPress: stop }
          : { label: 'Count by itself', onPress: start },
    next,
    away,
    about,
    stop,
    late: () => putOff(putAllOff),
    skip: () => {
      const act = about(Date.now());
      if (act) putOff((was, nowMs) => putActOff(was, act, nowMs));
    },
    /** The piece that was told just now, or is told next, is waste. */
    waste: (reason: Reject) => {
      const one = about(Date.now());
      if (one) hands.reject(one.piece, reason);
    },
    asPlanned: () => {
      if (away) take(away.acts);
      setAway(null);
      useCounting.setState({ seenMs: Date.now() });
    },
    allBurnt: () => {
      hands.burnt(griddle.pieces);
      stop();
    },
  };
}

export type ByItself = ReturnType<typeof useByItself>;
