import { sourceUsable } from '@kettle-scale/core/device';
import {
  type Kitchen,
  kitchenChangeSchema,
  kitchenSchema,
  timesChosenSchema,
  withChange,
  withTimesChosen,
} from '@kettle-scale/core/kitchen';
import { InputError, parseInput } from '@kettle-scale/core/message';
import type { Logger } from 'pino';
import { nameOf } from '../access/gate';
import type { BatchStore } from '../batches/store';
import type { Database } from '../db/openDatabase';
import { idParams } from '../http/params';
import { route, type Route } from '../http/route';
import { checkVersion, tagged } from '../http/versioned';
import type { Around } from '../live/hub';
import { makeNameless } from './nameless';
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

interface Records {
  database: Database;
  kitchen: KitchenStore;
  /** Batches in hand are read again. */
  batches: Pick<BatchStore, 'forget'>;
  logger: Logger;
}

export const kitchenRoutes = (
  { database, kitchen: store, batches, logger }: Records,
  { hub, demo }: Around,
): Route[] => [
  route({
    method: 'get',
    path: '/kitchen',
    summary: 'Scales, bowl and losses of the kitchen',
    response: kitchenSchema,
    run: async () => tagged(await store.get()),
  }),
  route({
    method: 'put',
    path: '/kitchen',
    versioned: true,
    summary: 'Change them; running batches keep their plan',
    for: 'lead',
    body: kitchenSchema,
    response: kitchenSchema,
    run: async ({ body, ifMatch }) => {
      checkGriddles(body, demo);
      const kept = await store.change((now) => {
        checkVersion(ifMatch, now);
        return body;
      });
      hub.publish({ type: 'settings' });
      return tagged(kept);
    },
  }),
  route({
    method: 'patch',
    path: '/kitchen',
    versioned: true,
    summary: 'Change some of them, the others stay; null takes one away',
    for: 'lead',
    body: kitchenChangeSchema,
    response: kitchenSchema,
    run: async ({ body, ifMatch }) => {
      const kept = await store.change((now) => {
        checkVersion(ifMatch, now);
        // Each setting was looked at; now whether they fit each other.
        const changed = parseInput(kitchenSchema, withChange(now, body));
        if (body.griddles) checkGriddles(changed, demo);
        return changed;
      });
      hub.publish({ type: 'settings' });
      return tagged(kept);
    },
  }),
  route({
    method: 'post',
    path: '/kitchen/times-chosen',
    summary: 'Say whose seconds hold for a formula on a plate; running batches follow',
    body: timesChosenSchema,
    response: kitchenSchema,
    run: async ({ body }) => {
      const kept = await store.change((now) => withTimesChosen(now, body));
      hub.publish({ type: 'settings' });
      return tagged(kept);
    },
  }),
  route({
    method: 'post',
    path: '/kitchen/cooks/:id/nameless',
    summary:
      'Make a cook nameless in all records: acts, batches, lessons, shifts and notes; it cannot be taken back',
    for: 'lead',
    params: idParams,
    response: kitchenSchema,
    run: async ({ params, access }) => {
      const id = await makeNameless(database, params.id, store.changeIn);
      store.forget();
      logger.warn({ now: id, by: nameOf(access) }, 'a cook was made nameless in all records');
      batches.forget();
      hub.publish({ type: 'kitchen' });
      return tagged(await store.get());
    },
  }),
];
