import { createServer } from 'node:http';
import pino from 'pino';
import { createApp } from './app';
import { StartProblem } from './db/startProblem';
import { seedDemo } from './demo/seedDemo';
import { openStandIns } from './demo/standIns';
import { addressesOf, namesOf } from './http/ownNames';
import { createHub } from './live/hub';
import { openKitchen } from './openKitchen';
import { readOptions } from './options';

// Sequelize makes an error object for every query; mapping its stack back to TypeScript would cost more than the query.
process.setSourceMapsEnabled(false);

/** Longer than anyone waits between two requests: a connection closed just as the next comes would look like a broken server. */
const KEEP_ALIVE_MS = 65_000;
/** Connections still busy after this are cut, so that a stop never hangs. */
const SHUTDOWN_MS = 5000;
const EXIT = { failed: 1, refused: 2 } as const;

/** Ends with a sentence when the kitchen cannot be opened as asked. */
function refuse(error: unknown): never {
  if (!(error instanceof StartProblem)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exit(EXIT.refused);
}

async function start(): Promise<void> {
  const { port, host, data, web, demo, simulate, deviceSeed } = readOptions(process.argv.slice(2));
  const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
  const kitchen = await openKitchen(data, demo ? (stores) => seedDemo(stores, new Date()) : undefined);

  const hub = createHub();
  const app = createApp({
    database: kitchen.database,
    stores: kitchen.stores,
    ...{ logger, hub, demo, names: namesOf(host) },
    standIns: openStandIns(simulate, () => new Date(), deviceSeed),
    ...(web ? { webDir: web } : {}),
  });
  const server = createServer(app);
  server.on('error', (error: NodeJS.ErrnoException) => {
    const reason =
      error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message;
    process.stderr.write(`${reason}\n`);
    process.exit(EXIT.failed);
  });
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.listen(port, host, () => {
    const address = server.address();
    const open = typeof address === 'object' && address ? address.port : port;
    process.stdout.write(`Kettle Scale is ready at ${addressesOf(host, open).join(' and ')}\n`);
  });

  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    setTimeout(() => server.closeAllConnections(), SHUTDOWN_MS).unref();
    server.close(() => void kitchen.close().then(() => process.exit(0)));
    hub.close();
    server.closeIdleConnections();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

await start().catch(refuse);
