import { useMutation } from '@tanstack/react-query';
import { api } from './api';

/** To the other kitchen: the same name, another port. */
function goTo({ port }: { port: number }): void {
  const there = new URL(window.location.origin);
  there.port = String(port);
  window.location.assign(there);
}

/** What this browser keeps of the kitchen that the page came from. */
async function forgetHere(): Promise<void> {
  localStorage.clear();
  for (const { name } of await indexedDB.databases()) if (name) indexedDB.deleteDatabase(name);
  for (const name of await caches.keys()) await caches.delete(name);
  for (const worker of await navigator.serviceWorker.getRegistrations()) await worker.unregister();
}

/** Opens a demo kitchen beside this one, and goes there. */
export const useOpenSandbox = () => useMutation({ mutationFn: api.openSandbox, onSuccess: goTo });

/** Throws this demo kitchen away, with what the browser keeps of it, and goes back to the kitchen beside which it was opened. */
export const useLeaveSandbox = () =>
  useMutation({
    mutationFn: async () => {
      const home = await api.leaveSandbox();
      try {
        await forgetHere();
      } finally {
        // It is gone: whatever the browser would not forget, nobody is left on its page.
        goTo(home);
      }
    },
  });
