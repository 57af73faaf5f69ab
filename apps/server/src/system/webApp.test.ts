import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import pino from 'pino';
import request from 'supertest';
import { createApp } from '../app';
import { openDatabase } from '../db/openDatabase';
import { openStores } from '../stores';

const HASHED = 'entry-0123456789abcdef0123456789abcdef.js';

/** A small exported app on disk, and the server that serves it. */
async function openServer() {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-web-'));
  mkdirSync(join(folder, 'web', 'js'), { recursive: true });
  writeFileSync(join(folder, 'web', 'index.html'), '<!doctype html><title>Kettle Scale</title>');
  writeFileSync(join(folder, 'web', 'js', HASHED), 'run()');
  writeFileSync(join(folder, 'web', 'js', `${HASHED}.gz`), gzipSync('run()'));
  const scripts = join(folder, 'web', '_expo/static/js/web');
  mkdirSync(scripts, { recursive: true });
  for (const name of ['_layout-1', 'shift-1', 'rest-1']) writeFileSync(join(scripts, `${name}.js`), 'run()');
  const database = await openDatabase(join(folder, 'kitchen.sqlite'), { upgrade: true });
  const stores = await openStores(database);
  const app = createApp({ database, stores, logger: pino({ level: 'silent' }), webDir: join(folder, 'web') });
  return { api: request(app), close: database.close };
}

let server: Awaited<ReturnType<typeof openServer>>;
beforeAll(async () => {
  server = await openServer();
});
afterAll(() => server.close());

test.each(['/', '/formulas/deckhand-wrap', '/bench/019a0000-0000-7000-8000-000000000000', '/no/such/place'])(
  'the page answers at %s, and is asked for anew each time',
  async (path) => {
    const answer = await server.api.get(path).set('accept', 'text/html').expect(200);
    expect(answer.text).toContain('Kettle Scale');
    expect(answer.headers['cache-control']).toBe('no-cache');
  },
);

test.each([
  ['/shift', 'shift', 'rest'],
  ['/bench/019a0000-0000-7000-8000-000000000000', 'rest', 'shift'],
])('%s is told to fetch its own script (%s) while the first one loads', async (path, own, other) => {
  const { headers } = await server.api.get(path).set('accept', 'text/html').expect(200);
  expect(headers.link).toContain(`/_expo/static/js/web/${own}-1.js>; rel=preload; as=script`);
  expect(headers.link).not.toContain(other);
});

test('hashed files are kept for a year and come compressed', async () => {
  const answer = await server.api.get(`/js/${HASHED}`).set('accept-encoding', 'gzip').expect(200);
  expect(answer.headers['cache-control']).toContain('immutable');
  expect(answer.headers['content-encoding']).toBe('gzip');
  expect(answer.text).toBe('run()');
});

test.each(['/js/missing.js', '/../kitchen.sqlite', '/%2e%2e/kitchen.sqlite', '/api/v1/nothing'])(
  '%s is not the page',
  async (path) => {
    const answer = await server.api.get(path).set('accept', 'text/html');
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.status).toBeLessThan(500);
    expect(answer.text).not.toContain('SQLite format');
  },
);

test('the page may run only its own scripts', async () => {
  const { headers } = await server.api.get('/').set('accept', 'text/html');
  expect(headers['content-security-policy']).toContain("script-src 'self'");
  expect(headers['content-security-policy']).not.toContain('upgrade-insecure-requests');
  expect(headers['x-powered-by']).toBeUndefined();
});
