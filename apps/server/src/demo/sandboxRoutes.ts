import { z } from 'zod';
import { HttpProblem } from '../http/problem';
import { route, type Route } from '../http/route';
import type { SandboxSide } from './sandbox';

const portSchema = z.strictObject({
  /** Under the name that was asked. */
  port: z.int(),
});

/** The way to the demo kitchen and back. */
export const sandboxRoutes = (side: SandboxSide | null): Route[] => [
  route({
    method: 'post',
    path: '/sandbox',
    summary: 'Open a demo kitchen beside this one, to be thrown away: where it listens',
    response: portSchema,
    run: async () => {
      if (side?.at !== 'home') throw new HttpProblem(409, 'This kitchen has no demo kitchen beside it.');
      return { port: await side.open() };
    },
  }),
  route({
    method: 'delete',
    path: '/sandbox',
    summary: 'Throw this demo kitchen away: where the kitchen itself listens',
    response: portSchema,
    run: () => {
      if (side?.at !== 'sandbox') throw new HttpProblem(409, 'This kitchen cannot be deleted here.');
      side.leave();
      return Promise.resolve({ port: side.homePort });
    },
  }),
];
