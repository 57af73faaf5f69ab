import { message } from '@kettle-scale/core/message';
import type { RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { accessOf, nameOf } from '../access/gate';
import type { Database } from '../db/openDatabase';
import { atItsOwnPace } from '../http/bodyInTime';
import { HttpProblem } from '../http/problem';
import type { Around } from '../live/hub';
import type { Stores } from '../stores';
import { backupLines } from './backup';
import { restore } from './restore';

export const BACKUP_TYPE = 'application/x-ndjson';

/** Sends the whole kitchen, line by line, as fast as the other side takes it. */
export const backupHandler =
  (database: Database, now: () => Date, logger: Logger): RequestHandler =>
  async (_request, response) => {
    const madeAt = now().toISOString();
    logger.warn({ by: nameOf(accessOf(response)) }, 'a backup is downloaded');
    response.set('Cache-Control', 'no-store');
    response.attachment(`kettle-scale-${madeAt.slice(0, 10)}.jsonl`).type(BACKUP_TYPE);
    // One moment of the kitchen, however long the other side takes and whatever is written meanwhile.
    const whole = await database.snapshot(async (transaction) => {
      for await (const line of backupLines(database, madeAt, transaction)) {
        if (!response.write(line) && !(await drained(response))) return false;
      }
      return true;
    });
    // Whoever has the last line may close the kitchen: nothing of it is read any more.
    if (whole) response.end();
  };

/** A receiver that takes nothing for this long is gone; it must not hold the old pages of the kitchen for ever. */
const STALL_MS = 60_000;

/** Waits until the receiver takes more; false, and the end of it, when it does not. */
const drained = (response: Response): Promise<boolean> =>
  new Promise((resolve) => {
    const settle = (more: boolean) => {
      clearTimeout(stalled);
      response.off('drain', onDrain).off('close', onClose);
      if (!more) response.destroy();
      resolve(more);
    };
    const onDrain = () => settle(true);
    const onClose = () => settle(false);
    const stalled = setTimeout(onClose, STALL_MS);
    response.once('drain', onDrain).once('close', onClose);
  });

/**
 * Takes a backup, line by line; `?replace=true` empties a kitchen that is not empty first, `?without=unusable` leaves out what
 * cannot be used as it is, which the refusal before it has told line by line.
 */
export const restoreHandler =
  (
    database: Database,
    stores: Stores,
    { hub, now, logger }: Pick<Around, 'hub' | 'now'> & { logger: Logger },
  ): RequestHandler =>
  async (request, response) => {
    if (!request.is(BACKUP_TYPE)) {
      throw new HttpProblem(
        415,
        message('Send the backup with the content type {type}.', { type: { name: BACKUP_TYPE } }),
      );
    }
    atItsOwnPace(request);
    const { counts, unusable } = await restore(database, stores, request, {
      replace: request.query.replace === 'true',
      withoutUnusable: request.query.without === 'unusable',
      now: now(),
    });
    const { replace } = request.query;
    logger.warn(
      { by: nameOf(accessOf(response)), replace, counts, leftOut: unusable.length },
      'a backup was restored',
    );
    hub.publish({ type: 'kitchen' });
    response.status(201).json(unusable.length > 0 ? { ...counts, 'left out': unusable.length } : counts);
  };
