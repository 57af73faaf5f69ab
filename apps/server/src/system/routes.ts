import type { Database } from '../db/openDatabase';
import { route, type Route } from '../http/route';
import type { NightlyState } from '../keeping/nightly';
import { healthOf, healthSchema } from './health';

interface About {
  version: string;
  demo: boolean;
  sandbox: boolean;
  now: () => Date;
  nightly: () => NightlyState | null;
}

export const systemRoutes = (
  database: Database,
  { version, demo, sandbox, now, nightly }: About,
): Route[] => [
  route({
    method: 'get',
    path: '/health',
    for: 'anyone',
    summary: 'Whether the kitchen can be saved: the disk, the folder, the database, and when it last was',
    response: healthSchema,
    run: ({ access }) => {
      const about = { version, demo, sandbox, now: now(), backup: nightly() };
      return healthOf(database, { ...about, toLead: access.role === 'lead' });
    },
  }),
];
