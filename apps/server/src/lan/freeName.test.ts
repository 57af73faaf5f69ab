import multicastDns from 'multicast-dns';
import pino from 'pino';
import { freeName } from './freeName';

const PORT = 5399;
const logger = pino({ level: 'silent' });

/** Another machine of the network that answers to some names. */
function machine(names: Record<string, string>) {
  const mdns = multicastDns({ port: PORT });
  mdns.on('query', ({ questions }) => {
    for (const { name } of questions) {
      const data = names[name];
      if (data) mdns.respond([{ name, type: 'A', ttl: 120, data }]);
    }
  });
  return new Promise<() => void>((resolve) => mdns.on('ready', () => resolve(() => mdns.destroy())));
}

test('a name that another machine has gives the next one; one that only this machine has is kept', async () => {
  const leave = await machine({
    'kettle.local': '192.0.2.7',
    'kettle-2.local': '192.0.2.8',
    'bakehouse.local': '127.0.0.1',
  });
  expect(await freeName('kettle.local', logger, PORT)).toBe('kettle-3.local');
  expect(await freeName('bakehouse.local', logger, PORT)).toBe('bakehouse.local');
  leave();
});
