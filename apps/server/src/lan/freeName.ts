import { networkInterfaces } from 'node:os';
import type { Logger } from 'pino';
import multicastDns from 'multicast-dns';

const MDNS_PORT = 5353;
/** RFC 6762, 8.1: three questions, a quarter of a second apart. */
const QUESTIONS = 3;
const BETWEEN_MS = 250;
/** Kitchens under one name on one network: more than this is somebody's mistake, and the last is taken anyway. */
const MOST_NAMES = 9;

const ownAddresses = (): Set<string> =>
  new Set(Object.values(networkInterfaces()).flatMap((nets) => (nets ?? []).map(({ address }) => address)));

/** `kettle.local`, then `kettle-2.local` and so on. */
const nth = (name: string, n: number): string => (n === 1 ? name : name.replace(/\.local$/, `-${n}.local`));

/** The network's names, asked for and answered by multicast. */
export type Names = Pick<ReturnType<typeof multicastDns>, 'query' | 'on' | 'destroy'>;

/** Whether another machine of the network answers to a name; nobody does where no multicast is carried. */
function isTaken(name: string, openNames: () => Names): Promise<boolean> {
  return new Promise((resolve) => {
    const mdns = openNames();
    const ours = ownAddresses();
    let asked = 0;
    const end = (taken: boolean): void => {
      clearInterval(asking);
      mdns.destroy();
      resolve(taken);
    };
    mdns.on('error', () => end(false));
    mdns.on('response', ({ answers, additionals }) => {
      const others = [...answers, ...additionals].some(
        (answer) =>
          (answer.type === 'A' || answer.type === 'AAAA') &&
          answer.name.toLowerCase() === name.toLowerCase() &&
          !ours.has(answer.data),
      );
      if (others) end(true);
    });
    const ask = (): void => {
      if (asked === QUESTIONS) return end(false);
      asked += 1;
      mdns.query([
        { name, type: 'A' },
        { name, type: 'AAAA' },
      ]);
    };
    const asking = setInterval(ask, BETWEEN_MS);
    mdns.on('ready', ask);
  });
}

/**
 * A `.local` name that no other machine of the network has: that one, or the next after it.
 * @param name the wanted name
 * @param openNames the network; a test has one of its own, since not every machine carries multicast
 */
export async function freeName(
  name: string,
  logger: Logger,
  openNames: () => Names = () => multicastDns({ port: MDNS_PORT }),
): Promise<string> {
  for (let n = 1; n < MOST_NAMES; n += 1) {
    const candidate = nth(name, n);
    if (!(await isTaken(candidate, openNames))) return candidate;
    logger.warn({ name: candidate }, 'another machine of the network has this name');
  }
  return nth(name, MOST_NAMES);
}
