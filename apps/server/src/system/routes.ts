import { z } from 'zod';
import type { Database } from '../db/openDatabase';
import { route, type Route } from '../http/route';

const healthSchema = z.strictObject({ status: z.literal('ok'), version: z.string(), time: z.string() });

export const systemRoutes = ({ sequelize }: Database, version: string, now: () => Date): Route[] => [
  route({
    method: 'get',
    path: '/health',
    summary: 'Says that the server and its database answer',
    response: healthSchema,
    run: async () => {
      await sequelize.query('SELECT 1');
      return { status: 'ok' as const, version, time: now().toISOString() };
    },
  }),
];
