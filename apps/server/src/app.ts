import type { Language } from '@kettle-scale/core/message';
import { DEVICE_KINDS, type DeviceKind } from '@kettle-scale/core/device';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet, { type HelmetOptions } from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { appOnly, gate, only } from './access/gate';
import type { Network } from './access/network';
import { openPages } from './access/pages';
import { pairPhone, slowGuesses } from './access/pairPhone';
import { type Pairing, createPairing } from './access/pairing';
import { phoneRoutes } from './access/routes';
import { type AsideWork, openAsideWork } from './aside/work';
import { backupHandler, restoreHandler } from './backup/handlers';
import { bakeRoutes } from './bakes/routes';
import { batchRoutes } from './batches/routes';
import { openSql } from './batches/sql';
import { bookRoutes } from './book/routes';
import type { Database } from './db/openDatabase';
import type { SandboxSide } from './demo/sandbox';
import { sandboxRoutes } from './demo/sandboxRoutes';
import { openDevices } from './devices/devices';
import { followPlateLoad } from './devices/plateLoad';
import { deviceRoutes } from './devices/routes';
import type { StandIn } from './devices/standIn';
import { formulaRoutes } from './formulas/routes';
import { flourLotRoutes } from './flourLots/routes';
import { readableAddress } from './http/address';
import { bodyInTime } from './http/bodyInTime';
import { jsonBody } from './http/jsonBody';
import { LOOPBACK_NAMES, ownNamesOnly } from './http/ownNames';
import { noSuchAddress, problemHandler } from './http/problem';
import { routerOf } from './http/route';
import { ingredientRoutes } from './ingredients/routes';
import { kitchenRoutes } from './kitchen/routes';
import { kitchenStream, streamHandler } from './live/eventStream';
import type { NightlyState } from './keeping/nightly';
import { type Around, type Hub, createHub } from './live/hub';
import { logRoutes } from './log/routes';
import { planRoutes } from './plans/routes';
import { calendarHandler } from './services/calendar';
import { serviceRoutes } from './services/routes';
import type { Stores } from './stores';
import { openApiDocument } from './system/openApi';
import { systemRoutes } from './system/routes';
import { serveWebApp } from './system/webApp';

const VERSION = '0.1.0';
const BODY_LIMIT = '1mb';
/** A whole book in one file. */
const BOOK_LIMIT = '20mb';
/** Answers are compressed while the phone waits, so lightly: zlib's quickest level. */
const API_COMPRESSION = 1;
/** How far the kitchen's news had come when an answer was made; see the stream. */
const POSITION_HEADER = 'Kitchen-News';
/** Headers hold keys, and addresses codes: neither is logged. */
const WITHOUT_SECRETS = {
  req: ({ method, url }: { method: string; url: string }) => ({ method, path: url.split('?')[0] }),
  res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
};

export interface AppOptions {
  database: Database;
  stores: Stores;
  logger: Logger;
  /** Folder of the exported web app; without it only the API is served. */
  webDir?: string;
  now?: () => Date;
  /** Tells screens what was stored; closing it ends their streams. */
  hub?: Hub;
  /** Whether the whole kitchen is made up: only then may made-up readings enter its records. */
  demo?: boolean;
  /** Stand-ins for devices; nothing else is simulated. */
  standIns?: ReadonlyMap<DeviceKind, StandIn>;
  /** Names that the kitchen answers to; itself on its machine where nobody says. */
  names?: () => readonly string[];
  /** Addresses of proxies that tell the truth about whom they pass on. */
  proxies?: readonly string[];
  /** What the machine itself shows a kitchen behind a proxy. */
  ownKey?: string | null;
  /** How phones reach the kitchen; null where it listens on its own machine alone. */
  network?: () => Network | null;
  /** The demo kitchen beside this one, or this one as that. */
  sandbox?: SandboxSide | null;
  /** Where the long work is done: here, unless it is given a helper. */
  aside?: AsideWork;
  /** How the backups of the nights are. */
  nightly?: () => NightlyState | null;
  /** Codes for phones. */
  pairing?: Pairing;
  /** Refusals are said in these beside English. */
  languages?: readonly Language[];
  /** How long a body may take. */
  bodyMs?: number;
  /** Holds every answer against its schema, for tests. */
  checkAnswers?: boolean;
}

/** Everything is one origin on plain HTTP inside the kitchen; React Native for Web writes its styles into the page. */
const POLICY: HelmetOptions = {
  contentSecurityPolicy: {
    directives: {
      'upgrade-insecure-requests': null,
      // Helmet would take fonts and styles from any page of the internet.
      'font-src': ["'self'", 'data:'],
      'style-src': ["'self'", "'unsafe-inline'"],
    },
  },
  strictTransportSecurity: false,
  // With no referrer at all browsers hide the origin of a form as well, and a form of the kitchen’s own would be a stranger’s.
  referrerPolicy: { policy: 'same-origin' },
};

interface Others {
  database: Database;
  stores: Stores;
  devices: ReturnType<typeof openDevices>;
  around: Around;
  logger: Logger;
}

/** The addresses that give or take something else than one JSON document; `system/otherPaths` describes them. */
function addOthers(app: Express, { database, stores, devices, around, logger }: Others): void {
  const { hub, now } = around;
  app.get('/api/v1/services/calendar.ics', only(undefined), calendarHandler(stores, now));
  app.get('/api/v1/backup', only('lead'), backupHandler(database, now, logger));
  app.post('/api/v1/backup', only('lead'), restoreHandler(database, stores, { hub, now, logger }));
  app.get('/api/v1/stream', only(undefined), kitchenStream(hub, devices));
  for (const kind of DEVICE_KINDS) {
    app.get(
      `/api/v1/devices/${kind}/stream`,
      only('device'),
      streamHandler(hub, (send) => devices.follow(kind, send)),
    );
  }
}

/** Builds the whole server as a value: no port, no signals, no clock of its own. */
export function createApp({
  database,
  stores,
  logger,
  webDir,
  now = () => new Date(),
  hub = createHub(),
  demo = false,
  standIns = new Map(),
  names = () => LOOPBACK_NAMES,
  proxies = [],
  ownKey = null,
  network = () => null,
  pairing = createPairing(now),
  aside = openAsideWork(openSql(database)),
  sandbox = null,
  nightly = () => null,
  languages = [],
  bodyMs,
  checkAnswers = false,
}: AppOptions): Express {
  const devices = openDevices({ now, standIns, demo });
  if (standIns.has('thermometer')) followPlateLoad(hub, stores.batches, devices);
  const around = { hub, now, demo };
  // A demo kitchen beside this one has the same phones: what is taken away in either ends the streams of both.
  hub.onClose(stores.phones.onRevoked(hub.revoke));
  const pair = pairPhone(stores.phones, { pairing, hub, logger, now });
  const routes = [
    // Asked most, so looked for first.
    ...batchRoutes(stores, around),
    ...systemRoutes(database, { version: VERSION, demo, sandbox: sandbox?.at === 'sandbox', now, nightly }),
    ...sandboxRoutes(sandbox),
    ...ingredientRoutes(stores.ingredients, stores, hub),
    ...kitchenRoutes({ ...stores, database, logger }, around),
    ...flourLotRoutes(stores.flourLots, { ...stores, hub, now }),
    ...formulaRoutes(stores.formulas, stores.ingredients, around),
    ...bookRoutes(database, stores, around),
    ...bakeRoutes(stores.opinions),
    ...planRoutes(stores.plans, stores.ingredients, hub),
    ...serviceRoutes(stores, around),
    ...logRoutes({ ...stores, aside }, around),
    ...deviceRoutes(devices),
    ...phoneRoutes(stores.phones, { hub, pairing, pair, network, logger }),
  ];
  // A quarter of a start is saved where nobody asks for it.
  let openApi: object | null = null;

  const app = express();
  app.disable('x-powered-by');
  app.set('trust proxy', [...proxies]);
  app.use(pinoHttp({ logger, autoLogging: logger.isLevelEnabled('info'), serializers: WITHOUT_SECRETS }));
  app.use(bodyInTime(bodyMs));
  app.use(helmet(POLICY));
  app.use(ownNamesOnly(names));
  app.use(readableAddress);
  app.use(gate(stores.phones, now, proxies.length > 0 ? { ownKey } : null));
  app.post(['/pair', '/api/v1/pair'], ...slowGuesses(logger));
  app.use(openPages({ network, pair, languages }));
  app.use('/api', appOnly);
  app.use('/api/v1/book', jsonBody(BOOK_LIMIT));
  app.use('/api', compression({ level: API_COMPRESSION }), jsonBody(BODY_LIMIT));
  app.use('/api', (_request, response, next) => {
    response.set(POSITION_HEADER, hub.position());
    next();
  });
  app.get('/api/v1/openapi.json', (_request, response) => {
    response.json((openApi ??= openApiDocument(routes, VERSION)));
  });
  addOthers(app, { database, stores, devices, around, logger });
  app.use('/api/v1', routerOf(routes, { now, checkAnswers }));
  app.use('/api', noSuchAddress);
  if (webDir) app.use(serveWebApp(webDir));
  app.use(noSuchAddress);
  app.use(problemHandler(logger, languages));
  return app;
}
