import { kitchenSchema } from '@kettle-scale/core';
import { route, type Route } from '../http/route';
import type { KitchenStore } from './store';

export const kitchenRoutes = (store: KitchenStore): Route[] => [
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
    body: kitchenSchema,
    response: kitchenSchema,
    run: ({ body }) => store.put(body),
  }),
];
