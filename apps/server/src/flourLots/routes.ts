import { flourLotSchema, lotStateSchema } from '@kettle-scale/core/flourLot';
import { z } from 'zod';
import { checkRole } from '../access/gate';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { route, type Route } from '../http/route';
import { checkVersion, tagged } from '../http/versioned';
import type { KitchenStore } from '../kitchen/store';
import type { IngredientStore } from '../ingredients/store';
import type { Hub } from '../live/hub';
import type { FlourLotStore } from './store';

interface Around {
  ingredients: IngredientStore;
  kitchen: KitchenStore;
  hub: Hub;
  now: () => Date;
}

export const flourLotRoutes = (store: FlourLotStore, { ingredients, kitchen, hub, now }: Around): Route[] => [
  route({
    method: 'get',
    path: '/flour-lots',
    summary: 'Flour lots with what is left and what their batches have taught, the newest first',
    response: z.array(lotStateSchema),
    run: async () => store.states(now().getTime(), (await kitchen.get()).timeZone),
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
      return tagged(saved, body);
    },
  }),
];
