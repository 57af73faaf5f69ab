import { randomUUID } from 'node:crypto';
import { EventEmitter } from 'node:events';
import type { BatchEvent } from '@kettle-scale/core/batch';

/** What happens in the kitchen, as it is told to every screen that listens. */
export type News =
  | { type: 'event'; batchId: string; event: BatchEvent }
  | { type: 'batch'; batchId: string }
  | { type: 'lots' }
  | { type: 'plans' }
  | { type: 'service'; day: string }
  | { type: 'book' }
  | { type: 'ingredients' }
  | { type: 'settings' }
  | { type: 'phones' }
  /** Everything may have changed: a backup was restored. */
  | { type: 'kitchen' };

/** Tells what was stored to whoever listens, after it is on the disk. */
export function createHub() {
  const emitter = new EventEmitter();
  emitter.setMaxListeners(0);
  const start = randomUUID();
  let told = 0;
  return {
    publish: (news: News): void => {
      told += 1;
      emitter.emit('news', news);
    },
    /** How much was told since this start of the server: who knows an older position has missed something. */
    position: (): string => `${start}.${told}`,
    /** Returns the way to stop listening. */
    subscribe: (listener: (news: News) => void): (() => void) => {
      emitter.on('news', listener);
      return () => emitter.off('news', listener);
    },
    /** How many listen now. */
    listening: (): number => emitter.listenerCount('news'),
    /** Runs once when the server stops, so that open streams do not hold it. */
    onClose: (listener: () => void): (() => void) => {
      emitter.once('close', listener);
      return () => emitter.off('close', listener);
    },
    /** Ends what a phone has open, whose key was taken away or whose role is another. */
    revoke: (phoneId: string): void => void emitter.emit('revoke', phoneId),
    onRevoke: (listener: (phoneId: string) => void): (() => void) => {
      emitter.on('revoke', listener);
      return () => emitter.off('revoke', listener);
    },
    close: (): void => void emitter.emit('close'),
  };
}

export type Hub = ReturnType<typeof createHub>;

/** What every resource needs beside its store. */
export interface Around {
  hub: Hub;
  now: () => Date;
  /** Whether the whole kitchen is made up. */
  demo: boolean;
}
