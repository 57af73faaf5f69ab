import { opinionsSchema } from '@kettle-scale/core/bake';
import { z } from 'zod';
import { route, type Route } from '../http/route';
import type { OpinionStore } from './store';

const keyParams = z.object({
  key: z.string().regex(/^[0-9a-f]{8}-\d{1,7}$/, 'This is not the key of a question about a bake.'),
});

/** Phones work seconds out, in the background; the first to do so tells the others. */
export const bakeRoutes = (opinions: OpinionStore): Route[] => [
  route({
    method: 'get',
    path: '/bake-opinions/:key',
    summary:
      'Seconds of a bread on a plate, by the formula and by the model, as they were worked out; null where nobody has',
    params: keyParams,
    response: opinionsSchema.nullable(),
    run: ({ params }) => opinions.get(params.key),
  }),
  route({
    method: 'put',
    path: '/bake-opinions/:key',
    summary: 'Keep seconds that were worked out',
    params: keyParams,
    body: opinionsSchema,
    response: opinionsSchema,
    run: ({ params, body }) => opinions.put(params.key, body),
  }),
];
