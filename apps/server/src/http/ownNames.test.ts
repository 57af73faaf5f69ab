import { openTestKitchen } from '../test/kitchen';
import { namesOf, networkBases } from './ownNames';

type Kitchen = Awaited<ReturnType<typeof openTestKitchen>>;
let kitchen: Kitchen;
beforeAll(async () => {
  kitchen = await openTestKitchen();
});
afterAll(() => kitchen.close());

const KITCHEN = '/api/v1/kitchen';
const HERE = '127.0.0.1:4310';

test.each([
  ['a name that somebody points here', { Host: 'evil.example:4310' }, 421],
  ['no name', { Host: '' }, 421],
  ['a page from elsewhere', { Host: HERE, Origin: 'https://evil.example' }, 403],
  ['a page of another port of this machine', { Host: HERE, Origin: 'http://127.0.0.1:9999' }, 403],
  ['a page without an origin that it would tell', { Host: HERE, Origin: 'null' }, 403],
  [
    'a picture on a page from elsewhere',
    { Host: HERE, 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'no-cors' },
    403,
  ],
])('%s gets nothing and changes nothing', async (_, headers, status) => {
  const before = await kitchen.stores.kitchen.get();
  for (const ask of [
    kitchen.api.get(KITCHEN),
    kitchen.api.get('/api/v1/backup'),
    kitchen.api.put(KITCHEN).send({ ...before, benchStepG: 10 }),
  ]) {
    const { body, type } = await ask.set(headers).expect(status);
    expect(type).toBe('application/problem+json');
    expect(JSON.stringify(body)).not.toContain('benchStepG');
  }
  expect(await kitchen.stores.kitchen.get()).toEqual(before);
});

test.each([
  ['the app', { Host: HERE, Origin: `http://${HERE}`, 'Sec-Fetch-Site': 'same-origin' }],
  ['a program without a browser', { Host: 'localhost:4310' }],
  ['the machine by its six-part address', { Host: '[::1]:4310' }],
  [
    'a link on a page elsewhere',
    { Host: HERE, 'Sec-Fetch-Site': 'cross-site', 'Sec-Fetch-Mode': 'navigate' },
  ],
])('%s is answered', async (_, headers) => {
  await kitchen.api.get(KITCHEN).set(headers).expect(200);
});

test('a machine that listens everywhere answers to its addresses and the names it was given, and never to 0.0.0.0', () => {
  expect(namesOf('0.0.0.0', ['Kettle.local'])).toEqual(expect.arrayContaining(['127.0.0.1', 'kettle.local']));
  expect(namesOf('0.0.0.0')).not.toContain('0.0.0.0');
  expect(namesOf('192.0.2.7')).toContain('192.0.2.7');
  expect(networkBases('0.0.0.0', 4310, ['kettle.local'])[0]).toBe('https://kettle.local:4310');
  expect(networkBases('0.0.0.0', 4310, []).join()).not.toContain('0.0.0.0');
  expect(networkBases('fd00::7', 4310, [])).toEqual(['https://[fd00::7]:4310']);
});
