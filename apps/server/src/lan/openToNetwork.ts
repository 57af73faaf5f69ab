import { createServer } from 'node:http';
import { isIP, type Server } from 'node:net';
import type { Express } from 'express';
import type { Logger } from 'pino';
import type { Network } from '../access/network';
import { namesOf, networkBases } from '../http/ownNames';
import type { ServerOptions } from '../options';
import { announce } from './announce';
import { bothSchemes } from './bothSchemes';
import { DOOR_LIMITS, type DoorLimits, countConnections, httpLimits } from './doorLimits';
import { freeName } from './freeName';
import {
  type ServerCertificate,
  certificateFolder,
  givenCertificate,
  keptCertificate,
} from './keptCertificate';

/** A new address of the machine, or the end of the certificate, is noticed within this. */
const LOOK_AGAIN_MS = 5 * 60_000;
const LOCAL = '.local';

type Reach = Pick<ServerOptions, 'reach' | 'host' | 'port' | 'data' | 'names' | 'certificate'>;

/** How a kitchen is reached and by whom it is answered. */
export interface Door {
  server: Server;
  /** Names that the kitchen answers to at the moment. */
  names: () => string[];
  /** Null where it listens on its own machine alone. */
  network: () => Network | null;
  /** Once it listens. */
  opened: (port: number) => void;
  closeIdle: () => void;
  closeAll: () => void;
  /** How many connections are open. */
  open: () => number;
  /** Takes back what was told to the network. */
  leave: () => Promise<void>;
}

/** On its own machine, or behind a proxy that has the certificate: plain HTTP. */
function plainDoor(app: Express, { reach, host, names }: Reach, limits: DoorLimits): Door {
  const server = createServer(httpLimits(limits), app);
  const connections = countConnections(server, limits);
  const network = { addresses: names.map((name) => `https://${name}`), trust: null };
  return {
    server,
    names: () => namesOf(host, names),
    network: () => (reach === 'proxy' ? network : null),
    opened: () => undefined,
    closeIdle: () => server.closeIdleConnections(),
    ...connections,
    leave: () => Promise.resolve(),
  };
}

/** Where a phone learns to trust the kitchen: by number, since it may not find names yet. */
function trustAddress(bases: readonly string[]): string {
  const byNumber = bases.find((base) => isIP(new URL(base).hostname.replace(/^\[|\]$/g, '')));
  return `${(byNumber ?? bases[0] ?? '').replace('https:', 'http:')}/trust`;
}

/** Over HTTPS on the network, with a certificate that it keeps good by itself. */
async function lanDoor(app: Express, options: Reach, logger: Logger, limits: DoorLimits): Promise<Door> {
  const { host, data, certificate: files } = options;
  const given = await Promise.all(
    // Two machines under one name would answer for each other.
    options.names.map((name) => (name.endsWith(LOCAL) ? freeName(name, logger) : name)),
  );
  const names = () => namesOf(host, given);
  const load = (): Promise<ServerCertificate> =>
    files
      ? Promise.resolve(givenCertificate(files.cert, files.key))
      : keptCertificate(certificateFolder(data), names(), new Date());
  let certificate = await load();
  const both = bothSchemes(app, certificate, limits);
  let port = 0;
  let unannounce = () => Promise.resolve();

  const lookAgain = setInterval(() => {
    load().then(
      (next) => {
        if (next.cert !== certificate.cert) both.renew(next);
        certificate = next;
      },
      (error: unknown) => logger.error({ err: error }, 'the certificate cannot be renewed'),
    );
  }, LOOK_AGAIN_MS);
  lookAgain.unref();

  return {
    server: both.server,
    names,
    network: () => {
      const addresses = networkBases(host, port, given);
      const { authority } = certificate;
      return { addresses, trust: authority && { ...authority, address: trustAddress(addresses) } };
    },
    opened: (on) => {
      port = on;
      const local = given.find((name) => name.endsWith(LOCAL));
      if (local) unannounce = announce(local, port, logger);
    },
    closeIdle: both.closeIdle,
    closeAll: both.closeAll,
    open: both.open,
    leave: () => {
      clearInterval(lookAgain);
      return unannounce();
    },
  };
}

/**
 * Makes what a kitchen is reached through; it does not listen yet.
 * @throws StartProblem when a given certificate cannot be read
 */
export const makeDoor = async (
  app: Express,
  options: Reach,
  logger: Logger,
  limits: DoorLimits = DOOR_LIMITS,
): Promise<Door> =>
  options.reach === 'lan' ? lanDoor(app, options, logger, limits) : plainDoor(app, options, limits);
