import { type Phone } from '@kettle-scale/core/phone';
import { v7 as uuidv7 } from 'uuid';
import { OWN_KEY, type OnNetwork, openOnNetwork, pairPhone } from '../test/network';

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
const KITCHEN = '/api/v1/kitchen';

let kitchen: OnNetwork;
beforeEach(async () => {
  kitchen = await openOnNetwork();
});
afterEach(() => kitchen.close());

describe('without a key', () => {
  test.each([
    ['GET', KITCHEN],
    ['GET', '/api/v1/backup'],
    ['GET', '/api/v1/stream'],
    ['GET', '/api/v1/openapi.json'],
    ['GET', '/api/v1/services/calendar.ics'],
    ['POST', '/api/v1/batches'],
    ['POST', '/api/v1/phones/codes'],
    ['POST', '/api/v1/devices/scale/readings'],
    ['GET', '/sw.js'],
    ['GET', '/manifest.webmanifest'],
  ])('%s %s answers nothing on the network', async (method, path) => {
    const overHttps = await kitchen.stranger(path, { method, headers: { accept: 'application/json' } });
    expect(overHttps).toMatchObject({ status: 401, body: { title: 'Not paired' } });
    expect((await kitchen.plain(path, { method, headers: { accept: 'application/json' } })).status).toBe(403);
  });

  test('health answers, and a person is led to pairing, or first to trust', async () => {
    expect((await kitchen.stranger('/api/v1/health')).status).toBe(200);
    const page = { headers: { accept: 'text/html' } };
    expect(await kitchen.stranger('/bench', page)).toMatchObject({
      status: 303,
      headers: { location: '/pair' },
    });
    expect(await kitchen.plain('/bench', page)).toMatchObject({
      status: 303,
      headers: { location: '/trust' },
    });
    // No code goes over the network in the clear.
    expect(await kitchen.plain('/pair', page)).toMatchObject({
      status: 303,
      headers: { location: '/trust' },
    });
    expect((await kitchen.plain('/pair', { form: { code: 'a', name: 'b' } })).status).toBe(403);
    expect((await kitchen.plain('/api/v1/pair', { body: { code: 'a', name: 'b' } })).status).toBe(403);
    const { text } = await kitchen.plain('/trust', page);
    const { body } = await kitchen.own('/api/v1/access');
    const { fingerprint } = (body as { network: { trust: { fingerprint: string } } }).network.trust;
    expect(fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    expect(text.replaceAll('<wbr>', '')).toContain(fingerprint);
    const spanish = { headers: { ...page.headers, 'accept-language': 'es-MX, en;q=0.5' } };
    expect((await kitchen.plain('/trust', spanish)).text).toMatch(
      /<html lang="es">[^]*Confiar en esta cocina/,
    );
    const untold = { form: { code: 'AAAA', name: '' }, headers: { 'accept-language': 'es' } };
    expect((await kitchen.stranger('/pair', untold)).text).toContain('está vacío.');
    expect((await kitchen.plain('/trust/authority.crt')).headers['content-type']).toBe(
      'application/x-x509-ca-cert',
    );
  });

  test('a request that somebody passed on is none of the server’s own screen', async () => {
    for (const header of ['X-Forwarded-For', 'Forwarded', 'X-Real-IP']) {
      const { status } = await kitchen.own(KITCHEN, { headers: { [header]: '203.0.113.9' } });
      expect(status).toBe(403);
    }
    const { status } = await kitchen.own(KITCHEN, {
      headers: { 'X-Forwarded-Proto': 'https', 'X-Forwarded-For': '127.0.0.1' },
    });
    expect(status).toBe(403);
  });
});

describe('pairing', () => {
  test('a code gives one phone a key that scripts cannot read; it is listed, and works', async () => {
    const phone = await pairPhone(kitchen, 'cook', 'Griddle phone');
    expect(phone.status).toBe(303);
    expect(phone.cookie).toMatch(
      /^__Host-kettle-key=[\w-]{43}; Max-Age=\d+; Path=\/; .*HttpOnly; Secure; SameSite=Strict$/,
    );
    expect((await phone.ask(KITCHEN)).status).toBe(200);
    expect((await phone.ask('/api/v1/access')).body).toMatchObject({
      role: 'cook',
      phone: { name: 'Griddle phone' },
    });
    const { body } = await kitchen.own('/api/v1/phones');
    expect(body).toEqual([expect.objectContaining({ name: 'Griddle phone', role: 'cook' })]);
    const key = /=([\w-]{43});/.exec(phone.cookie)?.[1] ?? '';
    expect(kitchen.logged.join()).toContain('a phone was paired');
    for (const secret of [key, phone.code]) expect(kitchen.logged.join()).not.toContain(secret);
    // The same code again.
    expect((await kitchen.stranger('/pair', { form: { code: phone.code, name: 'Second' } })).status).toBe(
      403,
    );
    // The key is for HTTPS alone, even if a phone would send it.
    const cookie = phone.cookie.split(';')[0] ?? '';
    expect((await kitchen.plain(KITCHEN, { headers: { cookie } })).status).toBe(403);
  });

  test('a code is typed as it comes, and is over after five minutes', async () => {
    const offer = async () => {
      const { body } = await kitchen.own('/api/v1/phones/codes', { body: { role: 'cook' } });
      return (body as { code: string }).code;
    };
    const code = await offer();
    const typed = ` ${code.toLowerCase().replace('-', ' ')} `;
    expect((await kitchen.stranger('/pair', { form: { code: typed, name: 'a' } })).status).toBe(303);
    const late = await offer();
    kitchen.clock.now += 5 * MINUTE_MS;
    const { status, text } = await kitchen.stranger('/pair', { form: { code: late, name: 'Late "phone"' } });
    expect(status).toBe(403);
    // What was entered stays, and the sentence stands at its field.
    expect(text).toContain('value="Late &quot;phone&quot;"');
    expect(text).toMatch(/id="code-wrong" role="alert">This code is wrong or too old/);
  });

  test('guesses from one address are slowed', async () => {
    const guess = (n: number) => kitchen.stranger('/api/v1/pair', { body: { code: `AAAA-${n}`, name: 'x' } });
    for (let n = 0; n < 10; n += 1) expect((await guess(n)).status).toBe(403);
    expect((await guess(10)).status).toBe(429);
    const { body } = await kitchen.own('/api/v1/phones/codes', { body: { role: 'lead' } });
    const right = await kitchen.stranger('/api/v1/pair', {
      body: { code: (body as { code: string }).code, name: 'x' },
    });
    expect(right.status).toBe(429);
    // Another phone, and the kitchen's own screen, are not held up by it.
    const { code } = body as { code: string };
    const other = { body: { code, name: 'y' }, from: '127.0.0.9' };
    expect((await kitchen.stranger('/api/v1/pair', other)).status).toBe(201);
    for (let n = 0; n < 12; n += 1) {
      const own = await kitchen.own('/api/v1/pair', { body: { code: `BBBB-${n}`, name: 'z' } });
      expect(own.status).toBe(403);
    }
  });

  test('what is tried, taken and changed stands in the log of the server, by whom, and without a code', async () => {
    const { ask, code } = await pairPhone(kitchen, 'lead', 'Office');
    const { ask: cook } = await pairPhone(kitchen, 'cook', 'Bench');
    await kitchen.stranger('/api/v1/pair', { body: { code: 'AAAA-AAAA', name: 'x' } });
    const phones = (await ask('/api/v1/phones')).body as Phone[];
    const bench = phones.find(({ name }) => name === 'Bench');
    await ask(`/api/v1/phones/${bench?.id}`, { method: 'PUT', body: { name: 'Bench', role: 'lead' } });
    expect((await cook('/api/v1/backup')).status).toBe(200);
    await ask(`/api/v1/phones/${bench?.id}`, { method: 'DELETE' });
    const text = kitchen.logged.join('');
    for (const words of [
      /"from":"[^"]*127\.0\.0\.1".*a wrong code for pairing/,
      /"before":"cook","role":"lead","by":"Office \(.*the role of a phone was changed/,
      /"by":"Bench \(.*a backup is downloaded/,
      /"by":"Office \(.*the key of a phone was taken away/,
    ]) {
      expect(text).toMatch(words);
    }
    expect(text).not.toContain(code);
  });

  test('nothing on the way keeps a code or a key, and no page of elsewhere gives fonts or styles', async () => {
    const { headers } = await kitchen.own('/api/v1/phones/codes', { body: { role: 'device' } });
    const wrong = { code: 'AAAA-AAAA', name: 'x' };
    const tried = await kitchen.stranger('/api/v1/pair', { body: wrong });
    const paired = await pairPhone(kitchen, 'lead');
    const form = await kitchen.stranger('/pair', { form: wrong });
    for (const answer of [headers, form.headers, (await kitchen.stranger('/pair')).headers]) {
      expect(answer['cache-control']).toBe('no-store');
    }
    expect((await paired.ask('/api/v1/backup')).headers['cache-control']).toBe('no-store');
    expect(tried.headers['content-security-policy']).not.toMatch(/https:/);
  });
});

describe('roles', () => {
  test('a cook works and reads; what is a lead’s is refused in words', async () => {
    const { ask } = await pairPhone(kitchen, 'cook');
    const settings = (await ask(KITCHEN)).body as object;
    for (const [method, path, body] of [
      ['PUT', KITCHEN, settings],
      ['POST', '/api/v1/book', {}],
      ['POST', '/api/v1/formulas', {}],
      ['PUT', '/api/v1/ingredients/water', {}],
      ['POST', '/api/v1/backup', {}],
      ['GET', '/api/v1/backup', undefined],
      ['GET', '/api/v1/phones', undefined],
      ['POST', '/api/v1/phones/codes', { role: 'lead' }],
    ] as const) {
      const { status, body: problem } = await ask(path, { method, body });
      expect([path, status]).toEqual([path, 403]);
      expect(problem).toMatchObject({ detail: expect.stringMatching(/Only a lead may do this/) });
    }
    // A cook receives a lot, but does not put one right.
    const lot = { id: 'mill-7', ingredient: 'flour-plain', name: 'Mill 7', receivedOn: '2026-03-01' };
    const put = (bagKg: number) =>
      ask('/api/v1/flour-lots/mill-7', { method: 'PUT', body: { ...lot, bagKg } });
    expect((await put(25)).status).toBe(200);
    expect((await put(20)).status).toBe(403);
  });

  test('a lead’s phone may all that the server’s screen may', async () => {
    const { ask } = await pairPhone(kitchen, 'lead');
    const { body, headers } = await ask(KITCHEN);
    const changed = { ...(body as object), benchStepG: 5 };
    const from = { 'if-match': headers.etag ?? '' };
    expect((await ask(KITCHEN, { method: 'PUT', body: changed, headers: from })).status).toBe(200);
    expect((await ask('/api/v1/phones')).status).toBe(200);
  });

  test('a device’s bridge has its key in hand, tells readings, and does nothing else', async () => {
    const { body } = await kitchen.own('/api/v1/phones/codes', { body: { role: 'device' } });
    const { code } = body as { code: string };
    const paired = await kitchen.stranger('/api/v1/pair', { body: { code, name: 'Scale bridge' } });
    expect(paired.headers['set-cookie']).toBeUndefined();
    const headers = { authorization: `Bearer ${(paired.body as { key: string }).key}` };
    const at = new Date(kitchen.clock.now).toISOString();
    const reading = { kind: 'scale', at, massG: 105.2, steady: true, overload: false };
    const told = await kitchen.stranger('/api/v1/devices/scale/readings', { body: reading, headers });
    expect(told.status).toBe(201);
    expect((await kitchen.stranger(KITCHEN, { headers })).status).toBe(403);
    expect((await kitchen.stranger('/api/v1/stream', { headers })).status).toBe(403);
  });
});

describe('a key', () => {
  const phoneId = async () => ((await kitchen.own('/api/v1/phones')).body as Phone[])[0]?.id ?? '';

  test('that is taken away ends its streams at once and opens nothing more', async () => {
    const { ask } = await pairPhone(kitchen, 'cook');
    const heard = ask('/api/v1/stream');
    // The stream is open once somebody listens.
    while (kitchen.hub.listening() < 1) await new Promise((resolve) => setImmediate(resolve));
    await kitchen.own(`/api/v1/phones/${await phoneId()}`, { method: 'DELETE' });
    expect((await heard).text).toContain('event: hello');
    expect((await ask(KITCHEN)).status).toBe(401);
    expect(await kitchen.stores.phones.list()).toEqual([]);
    const missing = await kitchen.own(`/api/v1/phones/${uuidv7()}`, { method: 'DELETE' });
    expect(missing.status).toBe(404);
  });

  test('is forgotten after ninety days away, and says meanwhile when it was last seen', async () => {
    const { ask } = await pairPhone(kitchen, 'cook');
    const lastSeen = () => Date.parse(kitchen.stores.phones.list()[0]?.lastSeenAt ?? '');
    kitchen.clock.now += 89 * DAY_MS;
    expect((await ask(KITCHEN)).status).toBe(200);
    // Whoever opens the app keeps the key for as long again.
    const { headers } = await ask('/api/v1/access');
    expect(headers['set-cookie']?.[0]).toMatch(/^__Host-kettle-key=.* Max-Age=34560000/);
    expect(lastSeen()).toBe(kitchen.clock.now);
    kitchen.clock.now += 91 * DAY_MS;
    expect((await ask(KITCHEN)).status).toBe(401);
  });

  test('changes nothing for a page that is not the app', async () => {
    const { ask } = await pairPhone(kitchen, 'lead');
    const { body } = await ask(KITCHEN);
    const put = (headers: Record<string, string>) =>
      ask(KITCHEN, { method: 'PUT', body: body as object, headers });
    expect((await put({ 'content-type': 'text/plain' })).status).toBe(415);
    expect((await put({ origin: 'https://evil.example' })).status).toBe(403);
    expect((await put({ host: 'evil.example' })).status).toBe(421);
    const bare = await kitchen.own(KITCHEN, {
      method: 'PUT',
      body: body as object,
      headers: { 'Kettle-App': '' },
    });
    expect(bare.status).toBe(403);
  });
});

describe('behind a proxy', () => {
  const reach = { reach: 'proxy', names: ['bread.example'], proxies: ['127.0.0.1'] } as const;
  const through = { host: 'bread.example', 'x-forwarded-for': '203.0.113.9', 'x-forwarded-proto': 'https' };
  const own = { authorization: `Bearer ${OWN_KEY}` };
  let proxied: OnNetwork;
  beforeAll(async () => (proxied = await openOnNetwork(reach)));
  afterAll(() => proxied.close());

  test('the proxy’s word counts, and no other’s', async () => {
    expect((await proxied.own(KITCHEN, { headers: through })).status).toBe(401);
    const { body } = await proxied.own('/api/v1/phones/codes', { body: { role: 'cook' }, headers: own });
    const form = { code: (body as { code: string }).code, name: 'Pass' };
    const paired = await proxied.own('/pair', { form, headers: through });
    const cookie = (paired.headers['set-cookie'] ?? [''])[0]?.split(';')[0] ?? '';
    expect((await proxied.own(KITCHEN, { headers: { ...through, cookie } })).status).toBe(200);
    const clear = { ...through, cookie, 'x-forwarded-proto': 'http' };
    expect((await proxied.own(KITCHEN, { headers: clear })).status).toBe(403);
    // From an address that is no proxy’s, whatever it says.
    const direct = await proxied.own(KITCHEN, { headers: { ...through, cookie }, from: '127.0.0.3' });
    expect([direct.status, direct.body]).toMatchObject([
      403,
      { detail: 'This kitchen is reached through its proxy alone.' },
    ]);
  });

  test('a proxy that does not say whom it passes on is told what to set, and opens nothing', async () => {
    const { host, 'x-forwarded-for': address, 'x-forwarded-proto': scheme } = through;
    const lacking: Record<string, string>[] = [
      {},
      { host },
      { host, 'x-forwarded-proto': scheme },
      { host, 'x-forwarded-for': address },
    ];
    for (const headers of lacking) {
      const refused = await proxied.own('/api/v1/phones', { headers });
      expect(refused.status).toBe(403);
      expect(refused.text).toMatch(/set X-Forwarded-For, X-Forwarded-Proto on every request/);
      expect((await proxied.own('/', { headers })).status).toBe(403);
    }
    expect((await proxied.own('/api/v1/health')).status).toBe(200);
  });

  test('the machine itself is known by its key and not by its address, and nobody borrows that key', async () => {
    expect((await proxied.own('/api/v1/phones', { headers: own })).status).toBe(200);
    const wrong = { authorization: 'Bearer another-key' };
    expect((await proxied.own('/api/v1/phones', { headers: wrong })).status).toBe(403);
    expect((await proxied.own('/api/v1/phones', { headers: { ...through, ...own } })).status).toBe(401);
  });
});
