import type { EventEmitter } from 'node:events';
import { Bonjour } from 'bonjour-service';
import type { Logger } from 'pino';

const MDNS_PORT = 5353;
/** A goodbye that the network does not carry holds nobody up. */
const GOODBYE_MS = 1000;

/**
 * Tells the network by multicast DNS (RFC 6762, 6763) that the kitchen is here, under a name that stays when its address changes.
 * @param name the `.local` name
 * @param port where the kitchen answers
 * @param mdnsPort where the network listens
 * @returns the way to take it back
 */
export function announce(
  name: string,
  port: number,
  logger: Logger,
  mdnsPort = MDNS_PORT,
): () => Promise<void> {
  // A network that carries no multicast is no reason not to work: the addresses do.
  const cannot = (error: Error) => logger.warn({ err: error }, 'cannot announce the kitchen');
  const bonjour = new Bonjour({ port: mdnsPort }, cannot);
  // A port that another program holds alone is told to nobody by the library, and would end the server.
  (Reflect.get(bonjour, 'server') as { mdns: EventEmitter }).mdns.on('error', cannot);
  bonjour.publish({ name: 'Kettle Scale', type: 'https', port, host: name, txt: { path: '/' } });
  return () =>
    new Promise((resolve) => {
      const end = () => bonjour.destroy(resolve);
      const late = setTimeout(end, GOODBYE_MS);
      bonjour.unpublishAll(() => {
        clearTimeout(late);
        end();
      });
    });
}
