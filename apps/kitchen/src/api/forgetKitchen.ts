import { forgetBatches } from './keptBatches';
import { queryClient } from './queries';

/** What is this phone's own, whatever kitchen it is in: its language, units and look. */
const OWN = new Set(['kettle-scale-preferences']);
/** The app itself, which holds nothing of a kitchen. */
const APP_CACHE = /precache/;

/**
 * Forgets what this phone knows of the kitchen whose key it no longer has: answers, batches, formulas that are being written.
 * What it did and has not sent stays, since it is nowhere else.
 */
export async function forgetKitchen(): Promise<void> {
  queryClient.clear();
  for (const name of Object.keys(localStorage)) if (!OWN.has(name)) localStorage.removeItem(name);
  const names = typeof caches === 'undefined' ? [] : await caches.keys();
  await Promise.all([
    forgetBatches(),
    ...names.filter((name) => !APP_CACHE.test(name)).map((name) => caches.delete(name)),
  ]);
}
