import { say } from '../reader/say';
import { type Queued, idOf } from '../api/waitingActs';

/** Where waiting acts are kept, so that a closed tab loses none. */
export interface QueueStorage {
  load: () => Promise<Queued[]>;
  put: (queued: Queued) => Promise<void>;
  remove: (eventId: string) => Promise<void>;
}

/** What came of sending one act: stored; refused for good, with a sentence; or to be tried again. */
export type SendResult =
  /** `as`: how the server keeps it, with what it knows besides. */
  { outcome: 'stored'; as?: Queued } | { outcome: 'refused'; message: string } | { outcome: 'later' };

/** An act that cannot join its batch as it stands, and why. */
export type RefusedEvent = Queued & { message: string };

export interface QueueState {
  pending: readonly Queued[];
  /** Opening: what an earlier visit left is not read yet. Saved: nothing waits. Sending: on its way, to this device's disk or to the server. Offline: all is kept, and no server answered. */
  status: 'opening' | 'saved' | 'sending' | 'offline';
  /** This device could not keep an act that waits: closing the page would lose it. */
  notKept: boolean;
  /** Acts that the server refused, kept until the cook says what becomes of them. */
  refused: readonly RefusedEvent[];
}

interface QueueOptions {
  storage: QueueStorage;
  send: (queued: Queued) => Promise<SendResult>;
  /** Called when the server has stored an act, before it leaves the queue. */
  onStored: (queued: Queued) => void;
  /** Runs `again` after a pause; the queue knows no clock, and asks for one pause at a time. */
  retryLater: (again: () => void) => void;
}

export interface EventQueue {
  /** The state now; a new object whenever something changed. */
  state: () => QueueState;
  subscribe: (listener: () => void) => () => void;
  /** Takes an act at once; it is sent after those before it. Done when it is kept on this device. */
  add: (queued: Queued) => Promise<void>;
  /** Takes up what an earlier visit left behind, and sends. Returns when nothing more can be sent now. */
  resume: () => Promise<void>;
  /** Tries again now. Does nothing while it is sending. */
  drain: () => Promise<void>;
  /** Sends the refused acts again, after what waits: what stood against them may be gone. */
  sendRefused: () => void;
  /** Gives the refused acts up. */
  dropRefused: () => Promise<void>;
}

/** What no rule foresaw sets one act aside, in sight of the cook; it must not hold up those behind it. */
const asRefused = (error: unknown): SendResult => ({
  outcome: 'refused',
  message: say('This act could not be sent ({message}).', {
    message: error instanceof Error ? error.message : String(error),
  }),
});

/** A queue of acts that are sent in order, once each, and survive a lost network and a closed tab. */
export function createEventQueue({ storage, send, onStored, retryLater }: QueueOptions): EventQueue {
  let state: QueueState = { pending: [], status: 'opening', notKept: false, refused: [] };
  let opened = false;
  let sending = false;
  /** The server did not answer when it was last tried. */
  let unreached = false;
  let retrying = false;
  /** Acts on their way to the disk of this device, and those that did not come to it. */
  const keeping = new Set<string>();
  const unkept = new Set<string>();
  const listeners = new Set<() => void>();

  const change = (changes: Partial<Pick<QueueState, 'pending' | 'refused'>> = {}) => {
    const now = { ...state, ...changes };
    const sent = opened ? 'saved' : 'opening';
    const waits = unreached && keeping.size === 0 ? 'offline' : 'sending';
    const status = now.pending.length === 0 ? sent : waits;
    state = { ...now, status, notKept: now.pending.some((queued) => unkept.has(idOf(queued))) };
    for (const listener of listeners) listener();
  };
  /** A refused act stays on the device: closing the tab must not decide for the cook. */
  const leave = async (queued: Queued, forget: boolean) => {
    const id = idOf(queued);
    unkept.delete(id);
    change({ pending: state.pending.filter((other) => idOf(other) !== id) });
    if (forget) await storage.remove(id);
  };
  const tryLater = () => {
    if (retrying) return;
    retrying = true;
    retryLater(() => {
      retrying = false;
      void drain();
    });
  };

  async function drain(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      for (let next = state.pending[0]; next; next = state.pending[0]) {
        const result = await send(next).catch(asRefused);
        unreached = result.outcome === 'later';
        if (result.outcome === 'later') {
          change();
          tryLater();
          return;
        }
        if (result.outcome === 'stored') onStored(result.as ?? next);
        else change({ refused: [...state.refused, { ...next, message: result.message }] });
        await leave(next, result.outcome === 'stored');
      }
    } finally {
      sending = false;
    }
  }

  /** On the disk, or not for want of room: either way it is sent. */
  const add = async (queued: Queued): Promise<void> => {
    const id = idOf(queued);
    keeping.add(id);
    // On its way before anything is drawn, which takes a slow phone a while.
    const kept = storage.put(queued);
    change({ pending: [...state.pending, queued] });
    try {
      await kept;
    } catch (error) {
      unkept.add(id);
      throw error;
    } finally {
      keeping.delete(id);
      change();
      void drain();
    }
  };

  return {
    state: () => state,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    add,
    resume: async () => {
      let left: Queued[] = [];
      try {
        left = await storage.load();
      } finally {
        opened = true;
        const known = new Set(state.pending.map(idOf));
        const before = left.filter((queued) => !known.has(idOf(queued)));
        change({ pending: [...before, ...state.pending] });
      }
      await drain();
    },
    drain,
    sendRefused: () => {
      const again = state.refused.map(({ message: _why, ...queued }): Queued => queued);
      change({ pending: [...state.pending, ...again], refused: [] });
      void drain();
    },
    dropRefused: async () => {
      const { refused } = state;
      change({ refused: [] });
      await Promise.all(refused.map((queued) => storage.remove(idOf(queued))));
    },
  };
}
