import { hostname, networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problem';

const LOOPBACK = ['127.0.0.1', 'localhost', '::1'];
/** Listening on all of them is no name of its own. */
const EVERYWHERE = new Set(['0.0.0.0', '::']);

/** Addresses of this machine on its networks. */
const networkAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((nets) =>
    (nets ?? []).flatMap(({ address, internal }) => (internal ? [] : [address])),
  );

/**
 * Names that this kitchen answers to, where it listens on a host: itself on the machine, and on a network the machine's
 * addresses and its own name.
 * @param host what it listens on
 */
export function namesOf(host: string): string[] {
  if (EVERYWHERE.has(host)) {
    const own = hostname().toLowerCase();
    return [...LOOPBACK, ...networkAddresses(), own, `${own}.local`];
  }
  return [...LOOPBACK, host.toLowerCase()];
}

/**
 * Where the kitchen can be opened: a machine that listens everywhere is told by its addresses.
 * @param host what it listens on
 * @param port the port
 */
export const addressesOf = (host: string, port: number): string[] =>
  (EVERYWHERE.has(host) ? ['127.0.0.1', ...networkAddresses()] : [host]).map(
    (name) => `http://${name.includes(':') ? `[${name}]` : name}:${port}`,
  );

/** An address taken apart; null where it is none. */
const urlOf = (address: string): URL | null => (URL.canParse(address) ? new URL(address) : null);

/** The name in a Host header, without port and brackets; null where there is none. */
const nameIn = (host: string): string | null =>
  urlOf(`http://${host}`)
    ?.hostname.replace(/^\[|\]$/g, '')
    .toLowerCase() ?? null;

/**
 * Answers only to the kitchen's own names, and changes nothing for a page from elsewhere: a name that somebody points here
 * must not let a stranger's page read or write the kitchen.
 * @param names what the kitchen answers to
 */
export function ownNamesOnly(names: readonly string[]): RequestHandler {
  const own = new Set(names);
  return (request, _response, next) => {
    const { host = '', origin } = request.headers;
    const name = nameIn(host);
    if (name === null || !own.has(name)) {
      throw new HttpProblem(
        421,
        'This kitchen does not answer to that name: use the address that it printed.',
      );
    }
    const fromElsewhere =
      (origin !== undefined && urlOf(origin)?.host !== host) ||
      (request.path.startsWith('/api/') &&
        request.headers['sec-fetch-site'] === 'cross-site' &&
        request.headers['sec-fetch-mode'] !== 'navigate');
    if (fromElsewhere) throw new HttpProblem(403, 'A page from elsewhere may not use this kitchen.');
    next();
  };
}
