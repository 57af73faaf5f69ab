import type { DeviceKind } from '@kettle-scale/core/device';
import type { Streamed } from './streamed';

/** What the tabs of a browser tell each other: the leader hands on what it hears, the others say what they want. */
export type BetweenTabs =
  | { say: 'heard'; type: Streamed; data: unknown; position: string }
  | { say: 'state'; open: boolean }
  | { say: 'who' }
  | { say: 'want'; tab: string; kinds: DeviceKind[] };

const NAME = 'kettle-scale-stream';
/** Tabs say again what they want; one that has not for long is gone. Browsers wake hidden tabs once a minute. */
const SAY_AGAIN_MS = 20_000;
export const GONE_AFTER_MS = 150_000;

interface TabsOptions {
  onMessage: (message: BetweenTabs) => void;
  /** This tab leads from now on; `alone` where the browser knows no other tabs. */
  onLead: (alone: boolean) => void;
  /** Says once more what this tab wants. */
  onSayAgain: () => void;
  /** This tab goes: what it says to the others before that. */
  farewell: () => BetweenTabs;
}

export interface Tabs {
  post: (message: BetweenTabs) => void;
  /** Leaves the others; whoever waits leads next. */
  leave: () => void;
}

/** Joins the tabs of this browser: one leads at a time, as long as it holds the lock. */
export function joinTabs({ onMessage, onLead, onSayAgain, farewell }: TabsOptions): Tabs {
  const locks = typeof BroadcastChannel === 'undefined' ? undefined : navigator.locks;
  if (!locks) {
    onLead(true);
    return { post: () => undefined, leave: () => undefined };
  }
  let release: () => void = () => undefined;
  const released = new Promise<void>((resolve) => (release = resolve));
  const channel = new BroadcastChannel(NAME);
  const post = (message: BetweenTabs): void => channel.postMessage(message);
  channel.onmessage = ({ data }: MessageEvent<BetweenTabs>) => onMessage(data);
  const waiting = new AbortController();
  let leads = false;
  void locks
    .request(NAME, { signal: waiting.signal }, () => {
      leads = true;
      onLead(false);
      return released;
    })
    .catch((error: unknown) => {
      // This tab stopped listening before its turn came.
      if ((error as Error).name !== 'AbortError') throw error;
    });
  const sayAgain = setInterval(onSayAgain, SAY_AGAIN_MS);
  const bye = () => post(farewell());
  window.addEventListener('pagehide', bye);
  return {
    post,
    leave: () => {
      clearInterval(sayAgain);
      window.removeEventListener('pagehide', bye);
      bye();
      if (!leads) waiting.abort();
      release();
      channel.close();
    },
  };
}
