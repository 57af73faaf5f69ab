import { EventEmitter } from 'node:events';
import pino from 'pino';
import { type Names, freeName } from './freeName';

const logger = pino({ level: 'silent' });

/** A network on which other machines answer to some names, and who left it again. */
function network(names: Record<string, string>) {
  const counted = { opened: 0, left: 0 };
  const openNames = (): Names => {
    counted.opened += 1;
    const mdns = new EventEmitter();
    process.nextTick(() => mdns.emit('ready'));
    const query = (questions: { name: string }[]) => {
      const answers = questions.flatMap(({ name }) => {
        const data = names[name];
        return data === undefined ? [] : [{ name: name.toUpperCase(), type: 'A', ttl: 120, data }];
      });
      if (answers.length > 0) mdns.emit('response', { answers, additionals: [] });
    };
    const destroy = () => void (counted.left += 1);
    return Object.assign(mdns, { query, destroy }) as unknown as Names;
  };
  return { openNames, counted };
}

test('a name that another machine has gives the next one; one that only this machine has is kept', async () => {
  const { openNames, counted } = network({
    'kettle.local': '192.0.2.7',
    'kettle-2.local': '192.0.2.8',
    'bakehouse.local': '127.0.0.1',
  });
  expect(await freeName('kettle.local', logger, openNames)).toBe('kettle-3.local');
  expect(await freeName('bakehouse.local', logger, openNames)).toBe('bakehouse.local');
  expect(counted).toEqual({ opened: 4, left: 4 });
});

test('a network that carries no multicast is no reason to look for another name', async () => {
  const silent = () => {
    const mdns = new EventEmitter();
    process.nextTick(() => mdns.emit('error', new Error('EADDRNOTAVAIL')));
    return Object.assign(mdns, { query: () => undefined, destroy: () => undefined }) as unknown as Names;
  };
  expect(await freeName('kettle.local', logger, silent)).toBe('kettle.local');
});
