import { createServer } from 'node:http';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import pino from 'pino';
import { createApp } from './app';
import { openDatabase } from './db/openDatabase';
import { seedDemo } from './demo/seedDemo';
import { createHub } from './live/hub';
import { openStores } from './stores';

// Sequelize makes an error object for every query; mapping its stack back to TypeScript would cost more than the query.
process.setSourceMapsEnabled(false);

const { values } = parseArgs({
  options: {
    port: { type: 'string', default: '4310' },
    host: { type: 'string', default: '127.0.0.1' },
    data: { type: 'string', default: '.data/kitchen' },
    web: { type: 'string' },
    demo: { type: 'boolean', default: false },
    'device-seed': { type: 'string', default: '1' },
  },
});

const HIGHEST_PORT = 65_535;
/** Connections still busy after this are cut, so that a stop never hangs. */
const KEEP_ALIVE_MS = 65_000;
const SHUTDOWN_MS = 5000;

const port = Number(values.port);
if (!Number.isInteger(port) || port < 0 || port > HIGHEST_PORT) {
  process.stderr.write(`--port must be a whole number up to ${HIGHEST_PORT}, not “${values.port}”.\n`);
  process.exit(2);
}

const deviceSeed = Number(values['device-seed']);
if (!Number.isInteger(deviceSeed)) {
  process.stderr.write(`--device-seed must be a whole number, not “${values['device-seed']}”.\n`);
  process.exit(2);
}
const logger = pino({ level: process.env.LOG_LEVEL ?? 'warn' });
const database = await openDatabase(join(values.data, 'kitchen.sqlite'));
const stores = await openStores(database);
if (values.demo) await seedDemo(stores, new Date());

const hub = createHub();
const app = createApp({
  database,
  stores,
  logger,
  hub,
  deviceSeed,
  ...(values.web ? { webDir: values.web } : {}),
});
const server = createServer(app);
server.on('error', (error: NodeJS.ErrnoException) => {
  const reason =
    error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message;
  process.stderr.write(`${reason}\n`);
  process.exit(1);
});
// Longer than anyone waits between two requests: a connection closed just as the next comes would look like a broken server.
server.keepAliveTimeout = KEEP_ALIVE_MS;
server.listen(port, values.host, () => {
  const address = server.address();
  const open = typeof address === 'object' && address ? address.port : port;
  process.stdout.write(`Kettle Scale is ready at http://${values.host}:${open}\n`);
});

let stopping = false;
function stop(): void {
  if (stopping) return;
  stopping = true;
  setTimeout(() => server.closeAllConnections(), SHUTDOWN_MS).unref();
  server.close(() => {
    void database.close().then(() => process.exit(0));
  });
  hub.close();
  server.closeIdleConnections();
}
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
