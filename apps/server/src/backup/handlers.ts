import { once } from 'node:events';
import type { RequestHandler } from 'express';
import type { Database } from '../db/openDatabase';
import { HttpProblem } from '../http/problem';
import type { Hub } from '../live/hub';
import type { Stores } from '../stores';
import { backupLines } from './backup';
import { restore } from './restore';

export const BACKUP_TYPE = 'application/x-ndjson';

/** Sends the whole kitchen, line by line, as fast as the other side takes it. */
export const backupHandler =
  (database: Database, now: () => Date): RequestHandler =>
  async (_request, response) => {
    const madeAt = now().toISOString();
    response.attachment(`kettle-scale-${madeAt.slice(0, 10)}.jsonl`).type(BACKUP_TYPE);
    for await (const line of backupLines(database, madeAt)) {
      if (!response.write(line)) await once(response, 'drain');
    }
    response.end();
  };

/** Takes a backup, line by line; `?replace=true` empties a kitchen that is not empty first. */
export const restoreHandler =
  (database: Database, stores: Stores, hub: Hub): RequestHandler =>
  async (request, response) => {
    if (!request.is(BACKUP_TYPE)) {
      throw new HttpProblem(415, `Send the backup with the content type ${BACKUP_TYPE}.`);
    }
    const restored = await restore(database, stores, request, request.query.replace === 'true');
    for (const type of ['lots', 'plans', 'kitchen'] as const) hub.publish({ type });
    response.status(201).json(restored);
  };
