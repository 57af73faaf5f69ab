import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { readOptions } from './options';

test('what is given is read; what is not has its default', () => {
  expect(readOptions(['--port', '0', '--demo'])).toMatchObject({
    port: 0,
    host: '127.0.0.1',
    demo: true,
    simulate: ['scale', 'room', 'probe', 'thermometer'],
  });
});

test('nothing is simulated unless it is named', () => {
  expect(readOptions([]).simulate).toEqual([]);
  expect(readOptions(['--simulate', 'probe, scale']).simulate).toEqual(['probe', 'scale']);
});

test.each([
  [['--colour', 'red'], /“--colour” is not an option/],
  [['--demos'], /“--demos” is not an option/],
  [['kitchen'], /“kitchen” is not an option/],
  [['--port', 'x'], /--port must be a whole number up to 65535/],
  [['--port', '70000'], /--port must be a whole number/],
  [['--port'], /--port.*is given without what it needs/],
  [['--demo=yes'], /--demo is given without what it needs, or with too much/],
  [['--host', '0.0.0.0'], /not opened to a network in the clear/],
  [['--lan', '--cert', 'a.pem'], /--cert and --key go together/],
  [['--cert', 'a.pem', '--key', 'a.key'], /are for --lan/],
  [['--lan', '--proxy', '10.0.0.1'], /choose one/],
  [['--proxy', 'proxy.example'], /--proxy takes addresses in numbers.*not “proxy.example”/],
  [['--proxy', 'loopback'], /--proxy takes addresses in numbers/],
  [['--proxy', '0.0.0.0/0'], /--proxy 0.0.0.0\/0 would believe strangers/],
  [['--proxy', '127.0.0.1, ::/0'], /--proxy ::\/0 would believe strangers/],
  [['--proxy', '10.0.0.0/33'], /would believe strangers/],
  [['--proxy', ' , '], /--proxy needs the address/],
  [['--simulate', 'toaster'], /--simulate takes scale, room, probe, thermometer/],
])('%j is refused in one sentence', (args, words) => {
  expect(() => readOptions(args)).toThrow(words);
});

test('a kitchen is reached from its own machine, over its own HTTPS, or through a proxy', () => {
  expect(readOptions([])).toMatchObject({ reach: 'own', host: '127.0.0.1', names: [], proxies: [] });
  expect(readOptions(['--lan'])).toMatchObject({ reach: 'lan', host: '0.0.0.0', names: ['kettle.local'] });
  const named = readOptions(['--lan', '--names', 'bakehouse.local, bread.example']);
  expect(named.names).toEqual(['bakehouse.local', 'bread.example']);
  const proxied = readOptions(['--proxy', '10.0.0.1', '--names', 'bread.example', '--host', '0.0.0.0']);
  expect(proxied).toMatchObject({ reach: 'proxy', proxies: ['10.0.0.1'], names: ['bread.example'] });
});

test('the same is set in a file beside the kitchen, and the command line goes before it', () => {
  const data = mkdtempSync(join(tmpdir(), 'kettle-'));
  const set = (text: string) => writeFileSync(join(data, 'server.json'), text);
  set('{ "lan": true, "names": "bakehouse.local" }');
  expect(readOptions(['--data', data])).toMatchObject({ reach: 'lan', names: ['bakehouse.local'] });
  expect(readOptions(['--data', data, '--names', 'cafe.local']).names).toEqual(['cafe.local']);
  set('{ "lan": "yes" }');
  expect(() => readOptions(['--data', data])).toThrow(/server.json cannot be read/);
  set('{ lan');
  expect(() => readOptions(['--data', data])).toThrow(/server.json cannot be read/);
});
