import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Certified, certify, makeAuthority } from './certificates';
import { givenCertificate, keptCertificate } from './keptCertificate';

const NOW = new Date();
const later = (days: number) => new Date(NOW.getTime() + days * 24 * 3_600_000);
const NAMES = ['kettle.local', '127.0.0.1', '192.168.4.20', 'fd00::7', '198.51.100.4'];

/** Asks a server that shows a certificate by one of its names, as who trusts an authority: `ok`, or why not. */
async function asked({ cert, key }: Certified, ca: string, servername: string): Promise<string> {
  const server = createServer({ cert, key }, (_request, response) => response.end('ok'));
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  const answer = await new Promise<string>((resolve) => {
    get({ host: '127.0.0.1', port, ca, servername }, (response) =>
      response.on('data', (data) => resolve(String(data))),
    ).on('error', (error: NodeJS.ErrnoException) => resolve(`${error.code}: ${error.message}`));
  });
  await new Promise((resolve) => server.close(resolve));
  return answer;
}

test('who trusts the authority trusts the kitchen by its name, and nobody else does', async () => {
  const authority = await makeAuthority(NAMES, NOW);
  const kitchen = await certify(authority, NAMES, NOW);
  const stranger = await makeAuthority(NAMES, NOW);
  expect(await asked(kitchen, authority.cert, 'kettle.local')).toBe('ok');
  expect(await asked(kitchen, authority.cert, 'other.local')).toMatch(/^ERR_TLS_CERT_ALTNAME_INVALID/);
  expect(await asked(kitchen, stranger.cert, 'kettle.local')).toMatch(/^(CERT_SIGNATURE|UNABLE_TO)/);
});

test('the authority vouches for the kitchen’s own networks and for nothing else', async () => {
  const authority = await makeAuthority(NAMES, NOW);
  const forged = await certify(authority, ['kettle.local', 'bank.example'], NOW);
  expect(await asked(forged, authority.cert, 'bank.example')).toMatch(/permitted subtree violation/);
  const address = await certify(authority, ['kettle.local', '203.0.113.9'], NOW);
  expect(await asked(address, authority.cert, 'kettle.local')).toMatch(/permitted subtree violation/);
});

test('a certificate names every address, and holds for no longer than browsers take', async () => {
  const read = new X509Certificate((await certify(await makeAuthority(NAMES, NOW), NAMES, NOW)).cert);
  expect(NAMES.slice(1).map((address) => read.checkIP(address))).not.toContain(undefined);
  const days = (Date.parse(read.validTo) - Date.parse(read.validFrom)) / 86_400_000;
  expect(days).toBeLessThanOrEqual(397);
});

test('both are kept, readable by their owner only, and made anew when an address is new or the end is near', async () => {
  const folder = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'certificates');
  const first = await keptCertificate(folder, NAMES, NOW);
  expect(await keptCertificate(folder, NAMES, NOW)).toEqual(first);
  expect(statSync(folder).mode & 0o777).toBe(0o700);
  for (const file of readdirSync(folder)) expect(statSync(join(folder, file)).mode & 0o777).toBe(0o600);

  const moved = await keptCertificate(folder, [...NAMES, '10.0.0.9'], NOW);
  expect(moved.cert).not.toBe(first.cert);
  expect(moved.authority).toEqual(first.authority);
  // An address that the authority may not vouch for is left out, and spoils nothing.
  const abroad = await keptCertificate(folder, [...NAMES, '203.0.113.9'], NOW);
  expect(await asked(abroad, first.authority?.cert ?? '', 'kettle.local')).toBe('ok');
  const inAYear = await keptCertificate(folder, NAMES, later(340));
  expect(inAYear.endsAt.getTime()).toBeGreaterThan(later(397).getTime());
  expect(inAYear.authority).toEqual(first.authority);
});

test('files that are damaged, or do not go together, are told in one sentence', async () => {
  const folder = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'certificates');
  await keptCertificate(folder, NAMES, NOW);
  const at = (name: string) => join(folder, name);
  const given = () => givenCertificate(at('kitchen.pem'), at('authority.key'));
  expect(given).toThrow(/kitchen.pem with its key .*authority.key cannot be used/);
  const ready = givenCertificate(at('kitchen.pem'), at('kitchen.key'));
  expect(ready.authority).toBeNull();
  writeFileSync(at('authority.pem'), 'no certificate');
  await expect(keptCertificate(folder, NAMES, NOW)).rejects.toThrow(
    /every phone has to trust the kitchen again/,
  );
});
