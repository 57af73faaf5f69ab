import { sourceUsable } from '@kettle-scale/core/device';
import { type Kitchen, kitchenChangeSchema, kitchenSchema, withChange } from '@kettle-scale/core/kitchen';
import { InputError, parseInput } from '@kettle-scale/core/message';
import { route, type Route } from '../http/route';
import type { Around } from '../live/hub';
import type { KitchenStore } from './store';

/** What is known of a plate was measured on it, unless the whole kitchen is made up. */
function checkGriddles({ griddles = [] }: Kitchen, demo: boolean): void {
  griddles.forEach(({ marks, readings }, index) => {
    const madeUp = [...marks, ...(readings ? [readings] : [])].some(
      ({ source }) => source && !sourceUsable(source, demo),
    );
    if (!madeUp) return;
    throw InputError.at(
      `griddles[${index}]`,
      'A reading of this plate is simulated and this kitchen is real: type what you measured.',
    );
  });
}

export const kitchenRoutes = (store: KitchenStore, { hub, demo }: Around): Route[] => [
  route({
    method: 'get',
    path: '/kitchen',
    summary: 'Scales, bowl and losses of the kitchen',
    response: kitchenSchema,
    run: () => store.get(),
  }),
  route({
    method: 'put',
    path: '/kitchen',
    summary: 'Change them; running batches keep their plan',
    for: 'lead',
    body: kitchenSchema,
    response: kitchenSchema,
    run: async ({ body }) => {
      checkGriddles(body, demo);
      const kept = await store.put(body);
      hub.publish({ type: 'settings' });
      return kept;
    },
  }),
  route({
    method: 'patch',
    path: '/kitchen',
    summary: 'Change some of them, the others stay; null takes one away',
    for: 'lead',
    body: kitchenChangeSchema,
    response: kitchenSchema,
    run: async ({ body }) => {
      const kept = await store.change((now) => {
        // Each setting was looked at; now whether they fit each other.
        const changed = parseInput(kitchenSchema, withChange(now, body));
        if (body.griddles) checkGriddles(changed, demo);
        return changed;
      });
      hub.publish({ type: 'settings' });
      return kept;
    },
  }),
];
