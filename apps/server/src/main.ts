import { join } from 'node:path';
import pino from 'pino';
import { dropOwnKey, makeOwnKey } from './access/ownKey';
import { CODE_MS, createPairing } from './access/pairing';
import { createApp } from './app';
import { openAsideHelper } from './aside/openHelper';
import { StartProblem } from './db/startProblem';
import { keepSandbox } from './demo/sandbox';
import { seedDemo } from './demo/seedDemo';
import { openStandIns } from './demo/standIns';
import { keepNightly } from './keeping/nightly';
import { readLanguages } from './http/languages';
import { ownAddress } from './http/ownNames';
import { type Door, makeDoor } from './lan/openToNetwork';
import { codeWords, howToPair, networkWords } from './lan/words';
import { createHub } from './live/hub';
import { KITCHEN_FILE, openKitchen } from './openKitchen';
import { readOptions } from './options';

/** A file for each language of the product. */
const LANGUAGES = join(import.meta.dirname, '../../../languages');

// Sequelize makes an error object for every query; mapping its stack back to TypeScript would cost more than the query.
process.setSourceMapsEnabled(false);

/** Connections still busy after this are cut, so that a stop never hangs. */
const SHUTDOWN_MS = 5000;
const MINUTE_MS = 60_000;
/** The first seconds belong to whoever waits for the first page. */
const WARM_AFTER_MS = 5000;
const OTHERS_NOTHING = 0o077;
const EXIT = { failed: 1, refused: 2 } as const;
/** On a terminal a stack of calls tells a person nothing; a journal keeps it for whoever looks for the fault. */
const withoutStack = { err: ({ message }: Error) => message };
const log = pino({
  level: process.env.LOG_LEVEL ?? 'warn',
  ...(process.stdout.isTTY ? { serializers: withoutStack } : {}),
});
const now = () => new Date();

/** Ends with a sentence: what was foreseen in its own words, anything else by what it says of itself. Its stack is in the log. */
function refuse(error: unknown): never {
  const foreseen = error instanceof StartProblem;
  if (!foreseen) log.fatal({ err: error }, 'stopped by what nobody foresaw');
  process.stderr.write(`${foreseen ? '' : 'Kettle Scale stopped: '}${(error as Error).message}\n`);
  process.exit(foreseen ? EXIT.refused : EXIT.failed);
}

/** Says how the kitchen is reached, with a code where a person reads it; a journal gets the way to one. */
async function tellNetwork(
  reached: NonNullable<ReturnType<Door['network']>>,
  code: () => Omit<Parameters<typeof codeWords>[1], 'minutes'>,
  wayToCode: string,
): Promise<void> {
  const how = process.stdout.isTTY
    ? await codeWords(reached, { ...code(), minutes: CODE_MS / MINUTE_MS })
    : wayToCode;
  process.stdout.write(`${networkWords(reached)}\n${how}\n`);
}

async function start(): Promise<void> {
  const options = readOptions(process.argv.slice(2));
  const { port, host, demo, web, proxies } = options;
  const logger = log;
  const kitchen = await openKitchen(options.data, demo ? (stores) => seedDemo(stores, now()) : undefined);

  // Another start's key opens nothing any more.
  dropOwnKey(options.data);
  const ownKey = options.reach === 'proxy' ? makeOwnKey(options.data) : null;
  const hub = createHub();
  const pairing = createPairing(now);
  const { stores } = kitchen;
  // The demo's kitchen is made up; losing it loses nothing.
  const nights = demo
    ? null
    : keepNightly({ data: options.data, logger, zone: async () => (await stores.kitchen.get()).timeZone });
  const aside = openAsideHelper(join(options.data, KITCHEN_FILE));
  // The app says how it is reached, and what it is reached through serves the app.
  let door: Door | null = null;
  let ownPort = port;
  const sandbox = keepSandbox({
    options,
    logger,
    now,
    phones: stores.phones,
    port: () => ownPort,
    build: createApp,
  });
  const app = createApp({
    database: kitchen.database,
    stores,
    aside,
    logger,
    hub,
    demo,
    proxies,
    ownKey,
    pairing,
    now,
    names: () => door?.names() ?? [],
    network: () => door?.network() ?? null,
    nightly: () => nights?.state() ?? null,
    // Behind a proxy no other port is reached.
    sandbox: options.reach === 'proxy' ? null : sandbox.side,
    standIns: openStandIns(options.simulate, now, options.deviceSeed),
    languages: readLanguages(LANGUAGES),
    ...(web ? { webDir: web } : {}),
  });
  const opening = await makeDoor(app, options, logger);
  door = opening;
  const { server } = opening;
  server.on('error', (error: NodeJS.ErrnoException) => {
    const reason =
      error.code === 'EADDRINUSE' ? `Port ${port} is in use; choose another with --port.` : error.message;
    process.stderr.write(`${reason}\n`);
    process.exit(EXIT.failed);
  });
  server.listen(port, host, () => void ready(opening));

  async function ready({ opened, network }: Door): Promise<void> {
    const address = server.address();
    const on = typeof address === 'object' && address ? address.port : port;
    ownPort = on;
    opened(on);
    setTimeout(aside.warm, WARM_AFTER_MS).unref();
    process.stdout.write(`Kettle Scale is ready at ${ownAddress(host, on)}\n`);
    const reached = network();
    if (!reached) return;
    const code = () => ({ ...pairing.offer('lead'), paired: stores.phones.list().length > 0 });
    await tellNetwork(reached, code, howToPair({ port: on, data: options.data }));
  }

  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    setTimeout(opening.closeAll, SHUTDOWN_MS).unref();
    nights?.stop();
    void aside.close();
    const left = Promise.all([opening.leave(), sandbox.close()]);
    server.close(() => void left.then(kitchen.close).then(() => process.exit(0)));
    hub.close();
    opening.closeIdle();
  };
  process.on('SIGINT', stop);
  process.on('SIGTERM', stop);
}

// Nothing that was made here is for anybody else on this machine.
process.umask(OTHERS_NOTHING);
process.on('uncaughtException', refuse);
await start().catch(refuse);
