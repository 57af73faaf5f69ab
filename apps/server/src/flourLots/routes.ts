import { flourLotSchema } from '@kettle-scale/core';
import { z } from 'zod';
import { route, type Route } from '../http/route';
import type { FlourLotStore } from './store';

export const flourLotRoutes = (store: FlourLotStore): Route[] => [
  route({
    method: 'get',
    path: '/flour-lots',
    summary: 'Flour lots, the newest first',
    response: z.array(flourLotSchema),
    run: () => store.list(),
  }),
];
