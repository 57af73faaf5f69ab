import { createSocket } from 'node:dgram';
import pino from 'pino';
import { announce } from './announce';

test('where another program holds the port alone, the kitchen goes on unannounced, and stops when it is to', async () => {
  const other = createSocket('udp4');
  await new Promise<void>((resolve) => other.bind(0, resolve));
  let told: (line: string) => void = () => undefined;
  const said = new Promise<string>((resolve) => (told = resolve));
  const logger = pino({ level: 'warn' }, { write: (line) => told(line) });
  const leave = announce('kettle.local', 4310, logger, other.address().port);
  expect(await said).toMatch(/cannot announce the kitchen/);
  await leave();
  await new Promise<void>((resolve) => other.close(resolve));
});
