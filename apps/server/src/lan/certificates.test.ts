import 'reflect-metadata';
import { X509Certificate, webcrypto } from 'node:crypto';
import { mkdtempSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { get } from 'node:https';
import { createServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import * as x509 from '@peculiar/x509';
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

/** A certificate that somebody with the authority's stolen key makes for any names. */
async function forgedFor(authority: Certified, names: x509.JsonGeneralNames): Promise<Certified> {
  const algorithm = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' };
  const keys = await webcrypto.subtle.generateKey(algorithm, true, ['sign', 'verify']);
  const der = x509.PemConverter.decodeFirst(authority.key);
  const cert = await x509.X509CertificateGenerator.create({
    subject: 'CN=Forged',
    issuer: new x509.X509Certificate(authority.cert).subject,
    publicKey: keys.publicKey,
    signingKey: await webcrypto.subtle.importKey('pkcs8', der, algorithm, false, ['sign']),
    signingAlgorithm: algorithm,
    extensions: [new x509.SubjectAlternativeNameExtension(names)],
  });
  const key = await webcrypto.subtle.exportKey('pkcs8', keys.privateKey);
  return { cert: cert.toString('pem'), key: x509.PemConverter.encode(key, 'PRIVATE KEY') };
}

test.each([
  ['a mailbox', { type: 'email', value: 'owner@bank.example' }],
  ['a URI', { type: 'url', value: 'https://bank.example/' }],
] as const)('the authority vouches for no %s, and for servers alone', async (_kind, other) => {
  const authority = await makeAuthority(NAMES, NOW);
  const forged = await forgedFor(authority, [{ type: 'dns', value: 'kettle.local' }, other]);
  expect(await asked(forged, authority.cert, 'kettle.local')).toMatch(/permitted subtree violation/);
  const honest = await forgedFor(authority, [{ type: 'dns', value: 'kettle.local' }]);
  expect(await asked(honest, authority.cert, 'kettle.local')).toBe('ok');
  expect(new X509Certificate(authority.cert).keyUsage).toEqual(['1.3.6.1.5.5.7.3.1']);
});

test('what was made while the clock ran ahead is made again when it is right; a clock that was not set yet changes nothing', async () => {
  const folder = join(mkdtempSync(join(tmpdir(), 'kettle-')), 'certificates');
  const ahead = await keptCertificate(folder, NAMES, later(30));
  const right = await keptCertificate(folder, NAMES, NOW);
  expect([right.cert, right.authority]).not.toContain(ahead.cert);
  expect(right.authority).not.toEqual(ahead.authority);
  for (const { cert } of [right, right.authority ?? { cert: '' }]) {
    expect(Date.parse(new X509Certificate(cert).validFrom)).toBeLessThan(NOW.getTime());
  }
  // The authority stays where it can: phones trust it.
  await certifyAhead(folder);
  expect((await keptCertificate(folder, NAMES, NOW)).authority).toEqual(right.authority);
  expect(await keptCertificate(folder, NAMES, new Date(0))).toMatchObject({ authority: right.authority });
});

/** A new address while the clock runs ahead: the server's certificate alone is made then. */
const certifyAhead = (folder: string) => keptCertificate(folder, [...NAMES, '10.0.0.9'], later(30));

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
