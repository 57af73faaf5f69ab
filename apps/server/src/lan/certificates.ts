import 'reflect-metadata';
import { webcrypto } from 'node:crypto';
import { BlockList, isIP } from 'node:net';
import { AsnConvert } from '@peculiar/asn1-schema';
import {
  GeneralName,
  GeneralSubtree,
  GeneralSubtrees,
  NameConstraints,
  id_ce_nameConstraints,
} from '@peculiar/asn1-x509';
import * as x509 from '@peculiar/x509';

const ALGORITHM = { name: 'ECDSA', namedCurve: 'P-256', hash: 'SHA-256' } as const;
const DAY_MS = 24 * 3_600_000;
/** The authority is installed by hand on every phone: it must outlive them. */
const AUTHORITY_DAYS = 3650;
/** Browsers refuse a certificate that holds for more than 397 days. */
const CERTIFICATE_DAYS = 390;
/** Clocks of phones go wrong: what is made now holds since yesterday. */
const SINCE_MS = DAY_MS;

/** A certificate and its key, as PEM text. */
export interface Certified {
  cert: string;
  key: string;
}

/** Networks that are never of the open internet. */
const PRIVATE_NETWORKS = [
  '127.0.0.0/8',
  '10.0.0.0/8',
  '172.16.0.0/12',
  '192.168.0.0/16',
  '169.254.0.0/16',
  '::1/128',
  'fc00::/7',
  'fe80::/10',
] as const;
const PRIVATE_NAMES = ['local', 'localhost'] as const;

/** Whether a name or an address is among some: names stand for all below them, networks are `address/bits`. */
function among(bases: readonly string[]): (name: string) => boolean {
  const addresses = new BlockList();
  const family = (address: string) => (isIP(address) === 6 ? 'ipv6' : 'ipv4');
  for (const base of bases) {
    const [address = '', bits] = base.split('/');
    if (isIP(address)) addresses.addSubnet(address, Number(bits), family(address));
  }
  return (name) =>
    isIP(name)
      ? addresses.check(name, family(name))
      : bases.some((base) => name === base || name.endsWith(`.${base}`));
}
const isPrivate = among([...PRIVATE_NETWORKS, ...PRIVATE_NAMES]);

/** Kinds of names that nobody is vouched for: a name that the registries never give away stands for none (RFC 2606). */
const NOBODY = [{ rfc822Name: 'kettle.invalid' }, { uniformResourceIdentifier: 'kettle.invalid' }] as const;

/**
 * What an authority may vouch for: private networks, `.local`, and the kitchen's own names where they are neither; no mail and
 * no URI at all, since a kind of name that is not constrained is open. A key that is stolen from the kitchen opens nothing else
 * on the phones that trust it (RFC 5280, 4.2.1.10).
 */
function nameConstraints(names: readonly string[]): x509.Extension {
  const others = names.filter((name) => !isPrivate(name));
  const whole = (address: string) => `${address}/${isIP(address) === 6 ? 128 : 32}`;
  const bases = [
    ...[...PRIVATE_NAMES, ...others.filter((name) => !isIP(name))].map((dNSName) => ({ dNSName })),
    ...[...PRIVATE_NETWORKS, ...others.filter(isIP).map(whole)].map((iPAddress) => ({ iPAddress })),
    ...NOBODY,
  ];
  const permittedSubtrees = new GeneralSubtrees(
    bases.map((base) => new GeneralSubtree({ base: new GeneralName(base) })),
  );
  const constraints = AsnConvert.serialize(new NameConstraints({ permittedSubtrees }));
  return new x509.Extension(id_ce_nameConstraints, true, constraints);
}

/** Which names an authority may vouch for. */
export function vouchesFor(authority: string): (name: string) => boolean {
  const extension = new x509.X509Certificate(authority).getExtension(id_ce_nameConstraints);
  if (!extension) return () => true;
  const { permittedSubtrees = [] } = AsnConvert.parse(extension.value, NameConstraints);
  return among([...permittedSubtrees].flatMap(({ base }) => base.dNSName ?? base.iPAddress ?? []));
}

const makeKeys = () => webcrypto.subtle.generateKey(ALGORITHM, true, ['sign', 'verify']);

async function asPem(cert: x509.X509Certificate, key: webcrypto.CryptoKey): Promise<Certified> {
  const raw = await webcrypto.subtle.exportKey('pkcs8', key);
  return { cert: `${cert.toString('pem')}\n`, key: `${x509.PemConverter.encode(raw, 'PRIVATE KEY')}\n` };
}

const holding = (now: Date, days: number) => ({
  notBefore: new Date(now.getTime() - SINCE_MS),
  notAfter: new Date(now.getTime() - SINCE_MS + days * DAY_MS),
});

/**
 * Makes an authority for one kitchen.
 * @param names names and addresses that the kitchen has now
 */
export async function makeAuthority(names: readonly string[], now: Date): Promise<Certified> {
  const keys = await makeKeys();
  // One kitchen's authority is told from another's by the day it was made.
  const name = `CN=Kettle Scale kitchen ${now.toISOString().slice(0, 10)}`;
  const cert = await x509.X509CertificateGenerator.createSelfSigned({
    ...{ name, keys, signingAlgorithm: ALGORITHM },
    ...holding(now, AUTHORITY_DAYS),
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      // Of servers alone: no mail, no programs.
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
      nameConstraints(names),
    ],
  });
  return asPem(cert, keys.privateKey);
}

/**
 * Makes a certificate of the server for its names.
 * @param names names and addresses, of which the authority must be allowed to vouch for all
 */
export async function certify(authority: Certified, names: readonly string[], now: Date): Promise<Certified> {
  const issuer = new x509.X509Certificate(authority.cert);
  const der = x509.PemConverter.decodeFirst(authority.key);
  const signingKey = await webcrypto.subtle.importKey('pkcs8', der, ALGORITHM, false, ['sign']);
  const keys = await makeKeys();
  const cert = await x509.X509CertificateGenerator.create({
    ...{ subject: 'CN=Kettle Scale', issuer: issuer.subject },
    ...{ publicKey: keys.publicKey, signingKey, signingAlgorithm: ALGORITHM },
    ...holding(now, CERTIFICATE_DAYS),
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isIP(value) ? ('ip' as const) : ('dns' as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer.publicKey),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey),
    ],
  });
  return asPem(cert, keys.privateKey);
}
