import { useSyncExternalStore } from 'react';

/** Pages on which somebody works a batch with wet hands: nothing is changed under them. */
const AT_WORK = /^\/(bench\/[^/]+|griddle\/live\/)/;

interface Updates {
  /** Tells where the app stands now; a new version that waits is taken when no batch is on the screen. */
  at: (path: string) => void;
  /** Whether a new version waits for the batch on the screen to be left. */
  waits: () => boolean;
  subscribe: (listener: () => void) => () => void;
}

/**
 * Keeps the app on this device, so that it opens without a network, and takes a new version over when it disturbs nobody:
 * it is fetched beside the old one, and the page begins anew only where no batch is on the screen.
 */
export function followUpdates(
  container: ServiceWorkerContainer,
  reload: () => void,
  script = '/sw.js',
): Updates {
  let waiting: ServiceWorker | null = null;
  let path: string | null = null;
  let taken = false;
  const listeners = new Set<() => void>();

  const take = (): void => {
    if (!waiting || taken || path === null || AT_WORK.test(path)) return;
    taken = true;
    container.addEventListener('controllerchange', reload, { once: true });
    waiting.postMessage({ type: 'SKIP_WAITING' });
  };
  const offer = (worker: ServiceWorker | null): void => {
    // The first version of all has nobody to wait for.
    if (!worker || !container.controller) return;
    waiting = worker;
    take();
    for (const listener of listeners) listener();
  };
  const watch = (registration: ServiceWorkerRegistration): void => {
    offer(registration.waiting);
    registration.addEventListener('updatefound', () => {
      const { installing } = registration;
      installing?.addEventListener('statechange', () => {
        if (installing.state === 'installed') offer(registration.waiting);
      });
    });
  };
  container.register(script).then(watch, (error: unknown) => {
    // The app works without; it is only not there when the network is away.
    console.warn('This device does not keep the app.', error);
  });
  return {
    at: (now) => {
      path = now;
      take();
    },
    waits: () => waiting !== null && !taken,
    subscribe: (listener) => {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}

let updates: Updates | undefined;

/** Keeps the app on this device and follows its new versions, where the browser can. */
export function keepApp(): void {
  if (updates || typeof navigator === 'undefined' || !('serviceWorker' in navigator)) return;
  updates = followUpdates(navigator.serviceWorker, () => window.location.reload());
  updates.at(window.location.pathname);
}

/** Where the app stands now; see `followUpdates`. */
export const appIsAt = (path: string): void => updates?.at(path);

const subscribe = (listener: () => void) => updates?.subscribe(listener) ?? (() => undefined);
const waits = (): boolean => updates?.waits() ?? false;

/** Whether a new version of the app waits for the batch on the screen to be left. */
export const useUpdateWaits = (): boolean => useSyncExternalStore(subscribe, waits, () => false);
