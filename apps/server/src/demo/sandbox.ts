import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { DEVICE_KINDS } from '@kettle-scale/core/device';
import type { Express } from 'express';
import type { Logger } from 'pino';
import type { PhoneStore } from '../access/phones';
import type { AppOptions } from '../app';
import { type Door, makeDoor } from '../lan/openToNetwork';
import { createHub } from '../live/hub';
import { openKitchen } from '../openKitchen';
import type { ServerOptions } from '../options';
import { seedDemo } from './seedDemo';
import { openStandIns } from './standIns';

/** The demo kitchen beside a real one: its side, and that of the real kitchen. */
export type SandboxSide =
  { at: 'home'; open: () => Promise<number> } | { at: 'sandbox'; homePort: number; leave: () => void };

interface Home {
  options: ServerOptions;
  logger: Logger;
  now: () => Date;
  /** Keys to the kitchen are keys to its sandbox, and are taken away in both. */
  phones: PhoneStore;
  /** Where the kitchen itself listens. */
  port: () => number;
  build: (options: AppOptions) => Express;
}

/** The answer to who leaves is on its way for no longer than this. */
const LAST_ANSWER_MS = 500;

interface Open {
  port: number;
  close: () => Promise<void>;
}

const listening = ({ server }: Door, host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(0, host, () => {
      const address = server.address();
      resolve(typeof address === 'object' && address ? address.port : 0);
    });
  });

async function openDemo(
  { options, logger, now, phones, port, build }: Home,
  left: (closed: Promise<void>) => void,
): Promise<Open> {
  const data = mkdtempSync(join(options.data, 'sandbox-'));
  const kitchen = await openKitchen(data, (stores) => seedDemo(stores, now()));
  const hub = createHub();
  let door: Door | null = null;
  let closed: Promise<void> | null = null;
  async function end(): Promise<void> {
    hub.close();
    await new Promise<void>((resolve) => {
      door?.server.close(() => resolve());
      door?.closeIdle();
      // Whoever asked last may keep the connection for a next question.
      setTimeout(() => door?.closeAll(), LAST_ANSWER_MS);
    });
    await door?.leave();
    await kitchen.close();
    rmSync(data, { recursive: true });
  }
  const close = (): Promise<void> => {
    closed ??= end();
    left(closed);
    return closed;
  };
  const leave = (): void => {
    close().catch((error: unknown) =>
      logger.error({ err: error }, 'the demo kitchen could not be thrown away'),
    );
  };
  const app = build({
    ...{ database: kitchen.database, stores: { ...kitchen.stores, phones }, logger, hub, demo: true, now },
    names: () => door?.names() ?? [],
    standIns: openStandIns(DEVICE_KINDS, now, options.deviceSeed),
    sandbox: { at: 'sandbox', homePort: port(), leave },
    ...(options.web ? { webDir: options.web } : {}),
  });
  door = await makeDoor(app, options, logger);
  return { port: await listening(door, options.host), close };
}

/**
 * A demo kitchen beside the kitchen itself, on a port of its own, in a folder that is thrown away: another origin, so that a
 * browser keeps nothing of the one for the other. There is one at a time.
 */
export function keepSandbox(home: Home) {
  let open: Promise<Open> | null = null;
  let leaving = Promise.resolve();
  return {
    side: {
      at: 'home',
      open: async () => {
        open ??= openDemo(home, (closed) => {
          open = null;
          leaving = closed;
        });
        try {
          return (await open).port;
        } catch (error) {
          open = null;
          throw error;
        }
      },
    } satisfies SandboxSide,
    /** Throws it away, and waits for one that is being left. */
    close: async () => {
      await (await open)?.close();
      await leaving;
    },
  };
}
