import { hostname, networkInterfaces } from 'node:os';
import type { RequestHandler } from 'express';
import { HttpProblem } from './problem';

/** The server on its own machine. */
export const LOOPBACK_NAMES = ['127.0.0.1', 'localhost', '::1'];
/** What its own connections come from. */
export const LOOPBACK_ADDRESSES: ReadonlySet<string> = new Set(['127.0.0.1', '::1', '::ffff:127.0.0.1']);
/** Listening on all of them is no name of its own. */
const EVERYWHERE = new Set(['0.0.0.0', '::']);

/** Good on one cable, and only with the name of a socket behind it. */
const LINK_LOCAL = 'fe80:';

/** Addresses of this machine on its networks. */
const networkAddresses = (): string[] =>
  Object.values(networkInterfaces()).flatMap((nets) =>
    (nets ?? []).flatMap(({ address, internal }) =>
      internal || address.startsWith(LINK_LOCAL) ? [] : [address],
    ),
  );

/**
 * Names that this kitchen answers to, where it listens on a host: itself on the machine, and on a network the machine's
 * addresses, its own name and those that it was given.
 * @param host what it listens on
 * @param given names that were told at the start
 */
export function namesOf(host: string, given: readonly string[] = []): string[] {
  const told = given.map((name) => name.toLowerCase());
  if (!EVERYWHERE.has(host)) return [...new Set([...LOOPBACK_NAMES, host.toLowerCase(), ...told])];
  const own = hostname().toLowerCase();
  return [...new Set([...LOOPBACK_NAMES, ...told, ...networkAddresses(), own, `${own}.local`])];
}

/** A name or number as it stands in an address. */
const inAddress = (name: string): string => (name.includes(':') ? `[${name}]` : name);

/** Where the server's own screen opens the kitchen. */
export const ownAddress = (host: string, port: number): string =>
  `http://${EVERYWHERE.has(host) ? '127.0.0.1' : inAddress(host)}:${port}`;

/**
 * Where phones open the kitchen, the name that stays before addresses that may change.
 * @param host what it listens on
 * @param port the port
 * @param given names that were told at the start
 */
export const networkBases = (host: string, port: number, given: readonly string[]): string[] =>
  [...given, ...(EVERYWHERE.has(host) ? networkAddresses() : [host])].map(
    (name) => `https://${inAddress(name)}:${port}`,
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
 * @param names what the kitchen answers to at the moment
 */
export function ownNamesOnly(names: () => readonly string[]): RequestHandler {
  return (request, _response, next) => {
    const { host = '', origin } = request.headers;
    const name = nameIn(host);
    if (name === null || !names().includes(name)) {
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
