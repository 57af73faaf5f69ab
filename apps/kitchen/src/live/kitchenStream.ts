import type { DeviceKind } from '@kettle-scale/core/device';
import { ROOT } from '../api/api';

/** What comes down the kitchen's stream. */
export const STREAMED = [
  'event',
  'batch',
  'lots',
  'plans',
  'book',
  'ingredients',
  'settings',
  'kitchen',
  'reading',
] as const;
export type Streamed = (typeof STREAMED)[number];

/** What the tabs of a browser tell each other: the leader hands on what it hears, the others say what they want. */
type BetweenTabs =
  | { say: 'heard'; type: Streamed; data: unknown }
  | { say: 'state'; open: boolean }
  | { say: 'who' }
  | { say: 'want'; tab: string; kinds: DeviceKind[] };

interface Wish {
  kinds: readonly DeviceKind[];
  saidMs: number;
}

const NAME = 'kettle-scale-stream';
/** A stream that the server refused or cut is asked for again after this. */
const AGAIN_MS = 3000;
/** Tabs say again what they want; one that has not for long is gone. Browsers wake hidden tabs once a minute. */
const SAY_AGAIN_MS = 20_000;
const GONE_AFTER_MS = 150_000;

type Listener = (data: unknown) => void;

/**
 * The one stream of a browser: browsers allow six connections to a server, and every tab with a stream of its own would take
 * one for good. The tab that holds the lock listens and hands on; where a browser has no locks every tab listens for itself.
 */
export function createKitchenStream() {
  const tab = Math.random().toString(36).slice(2);
  const listeners = new Map<Streamed, Set<Listener>>();
  const stateListeners = new Set<(open: boolean) => void>();
  const wanted = new Map<DeviceKind, number>();
  const wishes = new Map<string, Wish>();
  let channel: BroadcastChannel | null = null;
  /** The one that follows what is wanted now, and those that it takes over from. */
  let source: EventSource | null = null;
  const sources = new Set<EventSource>();
  let following = '';
  let leading = false;
  let users = 0;
  let stop: () => void = () => undefined;
  let isOpen = false;
  let again: ReturnType<typeof setTimeout> | undefined;

  const close = (one: EventSource): void => {
    one.close();
    sources.delete(one);
  };
  const post = (message: BetweenTabs): void => channel?.postMessage(message);
  const hear = (type: Streamed, data: unknown): void =>
    listeners.get(type)?.forEach((listener) => listener(data));
  const setOpen = (open: boolean): void => {
    isOpen = open;
    stateListeners.forEach((listener) => listener(open));
  };
  const mine = (): DeviceKind[] => [...wanted.keys()].sort();

  function address(): string {
    const since = Date.now() - GONE_AFTER_MS;
    for (const [other, { saidMs }] of wishes) if (saidMs < since) wishes.delete(other);
    const kinds = new Set([...mine(), ...[...wishes.values()].flatMap((wish) => wish.kinds)]);
    return `${ROOT}/stream${kinds.size > 0 ? `?devices=${[...kinds].sort().join(',')}` : ''}`;
  }

  /** Opens the stream for what is wanted now; the old one ends when the new one is open, so that nothing falls between. */
  function listen(): void {
    const url = address();
    if (source && url === following && source.readyState !== source.CLOSED) return;
    clearTimeout(again);
    const before = [...sources];
    const opened = new EventSource(url);
    sources.add(opened);
    source = opened;
    following = url;
    opened.addEventListener('open', () => {
      before.forEach(close);
      setOpen(true);
      post({ say: 'state', open: true });
    });
    opened.addEventListener('error', () => {
      before.forEach(close);
      if (source !== opened) return;
      setOpen(false);
      post({ say: 'state', open: false });
      if (opened.readyState === opened.CLOSED) again = setTimeout(listen, AGAIN_MS);
    });
    for (const type of STREAMED) {
      opened.addEventListener(type, ({ data }: MessageEvent<string>) => {
        const message: unknown = JSON.parse(data);
        hear(type, message);
        post({ say: 'heard', type, data: message });
      });
    }
  }

  const wish = (): void => {
    if (leading) listen();
    else post({ say: 'want', tab, kinds: mine() });
  };

  const onMessage = ({ data }: MessageEvent<BetweenTabs>): void => {
    if (data.say === 'who') return wish();
    if (leading) {
      if (data.say !== 'want') return;
      wishes.set(data.tab, { kinds: data.kinds, saidMs: Date.now() });
      listen();
    } else if (data.say === 'heard') hear(data.type, data.data);
    else if (data.say === 'state') setOpen(data.open);
  };

  /** Runs until `released`: this tab is the one that listens. */
  async function lead(released: Promise<void>): Promise<void> {
    leading = true;
    // Whoever led before is gone, and what came meanwhile was heard by nobody.
    if (channel) setOpen(false);
    post({ say: 'state', open: false });
    post({ say: 'who' });
    listen();
    await released;
  }

  function endLead(): void {
    leading = false;
    clearTimeout(again);
    sources.forEach(close);
    source = null;
    wishes.clear();
  }

  function start(): void {
    let release: () => void = () => undefined;
    const released = new Promise<void>((resolve) => (release = resolve));
    const locks = typeof BroadcastChannel === 'undefined' ? undefined : navigator.locks;
    if (!locks) {
      void lead(released);
      stop = () => {
        endLead();
        release();
      };
      return;
    }
    channel = new BroadcastChannel(NAME);
    channel.onmessage = onMessage;
    const waiting = new AbortController();
    void locks
      .request(NAME, { signal: waiting.signal }, () => lead(released))
      .catch((error: unknown) => {
        // This tab stopped listening before its turn came.
        if ((error as Error).name !== 'AbortError') throw error;
      });
    post({ say: 'want', tab, kinds: mine() });
    const sayAgain = setInterval(wish, SAY_AGAIN_MS);
    const leave = () => post({ say: 'want', tab, kinds: [] });
    window.addEventListener('pagehide', leave);
    stop = () => {
      clearInterval(sayAgain);
      window.removeEventListener('pagehide', leave);
      leave();
      if (leading) endLead();
      else waiting.abort();
      release();
      channel?.close();
      channel = null;
    };
  }

  /** Counts who needs the stream: it runs from the first to the last. */
  function join(): () => void {
    users += 1;
    if (users === 1) start();
    let used = true;
    return () => {
      if (!used) return;
      used = false;
      users -= 1;
      if (users === 0) stop();
    };
  }

  return {
    /** Hears messages of a type until the returned function is called. */
    on: (type: Streamed, listener: Listener): (() => void) => {
      const all = listeners.get(type) ?? new Set();
      listeners.set(type, all.add(listener));
      const done = join();
      return () => {
        all.delete(listener);
        done();
      };
    },
    /** Hears when the stream opens and breaks. */
    onState: (listener: (open: boolean) => void): (() => void) => {
      stateListeners.add(listener);
      const done = join();
      return () => {
        stateListeners.delete(listener);
        done();
      };
    },
    isOpen: () => isOpen,
    /** Wants the readings of a device until the returned function is called. */
    want: (kind: DeviceKind): (() => void) => {
      const done = join();
      wanted.set(kind, (wanted.get(kind) ?? 0) + 1);
      wish();
      return () => {
        const left = (wanted.get(kind) ?? 1) - 1;
        if (left > 0) wanted.set(kind, left);
        else wanted.delete(kind);
        wish();
        done();
      };
    },
  };
}

export const kitchenStream = createKitchenStream();

/** Whether this browser can be told anything at all. */
export const canStream = (): boolean => typeof EventSource !== 'undefined';
