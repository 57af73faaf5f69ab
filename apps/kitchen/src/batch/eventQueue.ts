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

/** The disk of this device: what is on its way to it, and what did not come to it. */
function openDisk(storage: QueueStorage) {
  const keeping = new Set<string>();
  const unkept = new Set<string>();
  return {
    isBusy: () => keeping.size > 0,
    hasNot: (queued: Queued) => unkept.has(idOf(queued)),
    put: async (queued: Queued): Promise<void> => {
      const id = idOf(queued);
      keeping.add(id);
      try {
        await storage.put(queued);
      } catch (error) {
        unkept.add(id);
        throw error;
      } finally {
        keeping.delete(id);
      }
    },
    remove: async (queued: Queued): Promise<void> => {
      unkept.delete(idOf(queued));
      await storage.remove(idOf(queued));
    },
  };
}

/** Pauses one at a time: what is asked for while one runs comes with its end. */
function onePause(retryLater: QueueOptions['retryLater']): QueueOptions['retryLater'] {
  let runs = false;
  return (again) => {
    if (runs) return;
    runs = true;
    retryLater(() => {
      runs = false;
      again();
    });
  };
}

/** A queue of acts that are sent in order, once each, and survive a lost network and a closed tab. */
export function createEventQueue({ storage, send, onStored, retryLater }: QueueOptions): EventQueue {
  let state: QueueState = { pending: [], status: 'opening', notKept: false, refused: [] };
  let opened = false;
  let sending = false;
  /** The server did not answer when it was last tried. */
  let unreached = false;
  const disk = openDisk(storage);
  const pause = onePause(retryLater);
  const listeners = new Set<() => void>();

  const change = (changes: Partial<Pick<QueueState, 'pending' | 'refused'>> = {}) => {
    const now = { ...state, ...changes };
    const sent = opened ? 'saved' : 'opening';
    const waits = unreached && !disk.isBusy() ? 'offline' : 'sending';
    const status = now.pending.length === 0 ? sent : waits;
    state = { ...now, status, notKept: now.pending.some(disk.hasNot) };
    for (const listener of listeners) listener();
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
          pause(() => void drain());
          return;
        }
        if (result.outcome === 'stored') onStored(result.as ?? next);
        else change({ refused: [...state.refused, { ...next, message: result.message }] });
        const id = idOf(next);
        change({ pending: state.pending.filter((other) => idOf(other) !== id) });
        // A refused act stays on the device: closing the tab must not decide for the cook.
        if (result.outcome === 'stored') await disk.remove(next);
      }
    } finally {
      sending = false;
    }
  }

  return {
    state: () => state,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    add: async (queued) => {
      // On its way before anything is drawn, which takes a slow phone a while.
      const kept = disk.put(queued);
      change({ pending: [...state.pending, queued] });
      try {
        await kept;
      } finally {
        // On the disk, or not for want of room: either way it is sent.
        change();
        void drain();
      }
    },
    resume: async () => {
      let left: Queued[] = [];
      try {
        left = await storage.load();
      } finally {
        opened = true;
        const known = new Set(state.pending.map(idOf));
        change({ pending: [...left.filter((queued) => !known.has(idOf(queued))), ...state.pending] });
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
      await Promise.all(refused.map(disk.remove));
    },
  };
}
