import { Bonjour } from 'bonjour-service';
import type { Logger } from 'pino';

/**
 * Tells the network by multicast DNS (RFC 6762, 6763) that the kitchen is here, under a name that stays when its address changes.
 * @param name the `.local` name
 * @returns the way to take it back
 */
export function announce(name: string, port: number, logger: Logger): () => Promise<void> {
  // A network that carries no multicast is no reason not to work: the addresses do.
  const bonjour = new Bonjour({}, (error: Error) =>
    logger.warn({ err: error }, 'cannot announce the kitchen'),
  );
  bonjour.publish({ name: 'Kettle Scale', type: 'https', port, host: name, txt: { path: '/' } });
  return () =>
    new Promise((resolve) => {
      bonjour.unpublishAll(() => bonjour.destroy(resolve));
    });
}
