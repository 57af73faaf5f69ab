import type { DeviceKind } from '@kettle-scale/core/device';
import { ROOT } from '../api/api';
import { createStreamSource } from './streamSource';
import type { Streamed } from './streamed';
import { type BetweenTabs, GONE_AFTER_MS, type Tabs, joinTabs } from './tabs';

interface Wish {
  kinds: readonly DeviceKind[];
  saidMs: number;
}

type Listener = (data: unknown, position: string) => void;

/** Who listens in this tab, and what it wants to hear; counted, so that the last to go is known. */
function createListeners() {
  const byType = new Map<Streamed, Set<Listener>>();
  const ofState = new Set<(open: boolean) => void>();
  const wanted = new Map<DeviceKind, number>();
  return {
    hear: (type: Streamed, data: unknown, position: string): void =>
      byType.get(type)?.forEach((listener) => listener(data, position)),
    tell: (open: boolean): void => ofState.forEach((listener) => listener(open)),
    kinds: (): DeviceKind[] => [...wanted.keys()].sort(),
    add: (type: Streamed, listener: Listener): (() => void) => {
      const all = byType.get(type) ?? new Set();
      byType.set(type, all.add(listener));
      return () => all.delete(listener);
    },
    addState: (listener: (open: boolean) => void): (() => void) => {
      ofState.add(listener);
      return () => ofState.delete(listener);
    },
    want: (kind: DeviceKind): (() => void) => {
      wanted.set(kind, (wanted.get(kind) ?? 0) + 1);
      return () => {
        const left = (wanted.get(kind) ?? 1) - 1;
        if (left > 0) wanted.set(kind, left);
        else wanted.delete(kind);
      };
    },
  };
}

/** What the other tabs want to hear; a tab that says nothing for long is gone. */
function createWishes() {
  const wishes = new Map<string, Wish>();
  return {
    add: (tab: string, kinds: readonly DeviceKind[]) => wishes.set(tab, { kinds, saidMs: Date.now() }),
    clear: () => wishes.clear(),
    /** The query of the stream's address for these kinds of device and those that were wished. */
    query: (own: readonly DeviceKind[]): string => {
      const since = Date.now() - GONE_AFTER_MS;
      for (const [other, { saidMs }] of wishes) if (saidMs < since) wishes.delete(other);
      const kinds = new Set([...own, ...[...wishes.values()].flatMap((wish) => wish.kinds)]);
      return kinds.size > 0 ? `?devices=${[...kinds].sort().join(',')}` : '';
    },
  };
}

/** Counts who needs the stream: it runs from the first to the last. */
function counted({ begin, stop }: { begin: () => void; stop: () => void }) {
  let users = 0;
  function join(): () => void {
    users += 1;
    if (users === 1) begin();
    let used = true;
    return () => {
      if (!used) return;
      used = false;
      users -= 1;
      if (users === 0) stop();
    };
  }
  /** What is undone when whoever asked is done with it. */
  const whileJoined = (start: () => () => void): (() => void) => {
    const end = start();
    const done = join();
    return () => {
      end();
      done();
    };
  };
  return { join, whileJoined };
}

/**
 * The one stream of a browser: browsers allow six connections to a server, and every tab with a stream of its own would take
 * one for good. The tab that holds the lock listens and hands on; where a browser has no locks every tab listens for itself.
 */
export function createKitchenStream() {
  const tab = Math.random().toString(36).slice(2);
  const listeners = createListeners();
  const wishes = createWishes();
  let tabs: Tabs | null = null;
  let leading = false;
  let isOpen = false;

  const post = (message: BetweenTabs): void => tabs?.post(message);
  const setOpen = (open: boolean): void => {
    isOpen = open;
    listeners.tell(open);
  };

  const address = () => `${ROOT}/stream${wishes.query(listeners.kinds())}`;

  const source = createStreamSource({
    address,
    onMessage: (type, data, position) => {
      listeners.hear(type, data, position);
      post({ say: 'heard', type, data, position });
    },
    onState: (open) => {
      setOpen(open);
      post({ say: 'state', open });
    },
  });

  const wish = (): void => {
    if (leading) source.listen();
    else post({ say: 'want', tab, kinds: listeners.kinds() });
  };

  const onMessage = (message: BetweenTabs): void => {
    if (message.say === 'who') return wish();
    if (leading) {
      if (message.say !== 'want') return;
      wishes.add(message.tab, message.kinds);
      source.listen();
      // A tab that has just come learns where the stream is.
      if (!isOpen) return;
      post({ say: 'state', open: true });
      post({ say: 'heard', type: 'hello', data: {}, position: source.position() });
    } else if (message.say === 'heard') listeners.hear(message.type, message.data, message.position);
    else if (message.say === 'state') setOpen(message.open);
  };

  function onLead(alone: boolean): void {
    leading = true;
    // Whoever led before is gone, and what came meanwhile was heard by nobody.
    if (!alone) setOpen(false);
    post({ say: 'state', open: false });
    post({ say: 'who' });
    source.listen();
  }

  function stop(): void {
    if (leading) {
      leading = false;
      source.end();
      wishes.clear();
    }
    tabs?.leave();
    tabs = null;
  }

  const { join, whileJoined } = counted({
    begin: () => {
      const farewell = () => ({ say: 'want' as const, tab, kinds: [] });
      tabs = joinTabs({ onMessage, onLead, onSayAgain: wish, farewell });
      if (!leading) wish();
    },
    stop,
  });

  return {
    /** Hears messages of a type until the returned function is called. */
    on: (type: Streamed, listener: Listener) => whileJoined(() => listeners.add(type, listener)),
    /** Hears when the stream opens and breaks. */
    onState: (listener: (open: boolean) => void) => whileJoined(() => listeners.addState(listener)),
    isOpen: () => isOpen,
    /** Wants the readings of a device until the returned function is called. */
    want: (kind: DeviceKind): (() => void) => {
      const done = join();
      const end = listeners.want(kind);
      wish();
      return () => {
        end();
        wish();
        done();
      };
    },
  };
}

export const kitchenStream = createKitchenStream();

/** Whether this browser can be told anything at all. */
export const canStream = (): boolean => typeof EventSource !== 'undefined';
