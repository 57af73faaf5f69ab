import { flourLotSchema, lotStateSchema } from '@kettle-scale/core/flourLot';
import { z } from 'zod';
import { checkRole } from '../access/gate';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { JsonText, route, type Route } from '../http/route';
import { checkVersion, taggedWithin } from '../http/versioned';
import type { BatchStore } from '../batches/store';
import type { KitchenStore } from '../kitchen/store';
import type { IngredientStore } from '../ingredients/store';
import type { Hub } from '../live/hub';
import { keepLotStates } from './keptStates';
import type { FlourLotStore } from './store';

interface Beside {
  ingredients: IngredientStore;
  kitchen: KitchenStore;
  batches: Pick<BatchStore, 'turns'>;
  hub: Hub;
  now: () => Date;
}

export function flourLotRoutes(store: FlourLotStore, beside: Beside): Route[] {
  const { ingredients, kitchen, batches, hub, now } = beside;
  const states = keepLotStates({ flourLots: store, batches, kitchen }, { hub, now });
  return [
    route({
      method: 'get',
      path: '/flour-lots',
      summary: 'Flour lots with what is left and what their batches have taught, the newest first',
      response: z.array(lotStateSchema),
      run: async () => new JsonText(await states()),
    }),
    route({
      method: 'put',
      path: '/flour-lots/:id',
      versioned: true,
      summary: 'Receive a lot, or correct one',
      params: idParams,
      body: flourLotSchema,
      response: lotStateSchema,
      run: async ({ params, body, access, ifMatch }) => {
        if (body.id !== params.id) {
          throw new HttpProblem(422, 'The id in the address and in the lot differ.', [
            { path: 'id', message: 'This is not the id in the address.' },
          ]);
        }
        await store.put(body, async (transaction) => {
          // A cook receives a lot; what is known of one is put right by a lead.
          const before = (await store.list(transaction)).find(({ id }) => id === body.id);
          if (before) checkRole(access, 'lead');
          checkVersion(ifMatch, before);
          const food = (await ingredients.list(transaction)).find(({ id }) => id === body.ingredient);
          if (food?.kind === 'flour') return;
          throw new HttpProblem(422, 'A lot is of a flour in the catalogue.', [
            { path: 'ingredient', message: 'This is not a flour in the catalogue.' },
          ]);
        });
        hub.publish({ type: 'lots' });
        const { timeZone } = await kitchen.get();
        const saved = (await store.states(now().getTime(), timeZone)).find(({ id }) => id === body.id);
        if (!saved) throw notFound('This lot');
        return taggedWithin(saved, body);
      },
    }),
  ];
}
