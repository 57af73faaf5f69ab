import { X509Certificate } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { join } from 'node:path';
import { createSecureContext } from 'node:tls';
import { OWNER_ONLY, privateFolder } from '../db/ownerOnly';
import { putInPlace } from '../db/putInPlace';
import { StartProblem } from '../db/startProblem';
import { type Certified, certify, makeAuthority, vouchesFor } from './certificates';

const DAY_MS = 24 * 3_600_000;
/** A certificate is made anew so long before it ends. */
const RENEW_DAYS = 60;

/** Where a kitchen keeps its certificates. */
export const certificateFolder = (data: string): string => join(data, 'certificates');
/** The server's own in there. */
export const OWN = 'kitchen';

/** What the server shows, and what phones learn to trust. */
export interface ServerCertificate extends Certified {
  /** The kitchen's own authority; null for a certificate that was given. */
  authority: { cert: string; der: Buffer; fingerprint: string } | null;
  endsAt: Date;
}

/** A file that is whole or not there, and that nobody else reads. */
function writePrivate(path: string, text: string): void {
  writeFileSync(`${path}.new`, text, { mode: OWNER_ONLY.file });
  putInPlace(`${path}.new`, path);
}

function readPair(folder: string, name: string): Certified | null {
  const [cert, key] = [join(folder, `${name}.pem`), join(folder, `${name}.key`)];
  if (!existsSync(cert) || !existsSync(key)) return null;
  return { cert: readFileSync(cert, 'utf8'), key: readFileSync(key, 'utf8') };
}

/** @throws StartProblem for a file that is damaged: a new authority would have to be trusted by every phone anew, so a person decides */
function readable(folder: string, name: string): Certified | null {
  const pair = readPair(folder, name);
  if (!pair) return null;
  try {
    createSecureContext(pair);
    return pair;
  } catch (error) {
    throw new StartProblem(
      `${join(folder, name)}.pem or its .key is damaged (${(error as Error).message}). Put both back from a copy, or delete them: then they are made anew${name === 'authority' ? ', and every phone has to trust the kitchen again' : ''}.`,
    );
  }
}

function keepPair(folder: string, name: string, { cert, key }: Certified): void {
  writePrivate(join(folder, `${name}.key`), key);
  writePrivate(join(folder, `${name}.pem`), cert);
}

/** No kitchen of this program is older: a clock before it is wrong, as that of a board without a battery is after a start. */
const FIRST_DAY_MS = Date.UTC(2026, 0, 1);

/**
 * Whether a certificate holds from a moment on that is still to come: it was made while the clock ran ahead, and no phone takes
 * it. A clock that has not been set yet says nothing.
 */
const isFromAhead = (cert: string, now: Date): boolean =>
  now.getTime() > FIRST_DAY_MS && Date.parse(new X509Certificate(cert).validFrom) > now.getTime();

const endOf = (cert: string): Date => new Date(new X509Certificate(cert).validTo);

const endsSoon = (cert: string, now: Date): boolean =>
  endOf(cert).getTime() - now.getTime() < RENEW_DAYS * DAY_MS;

const covers = (cert: string, name: string): boolean => {
  const read = new X509Certificate(cert);
  return (isIP(name) ? read.checkIP(name) : read.checkHost(name)) !== undefined;
};

/** Whether a certificate still does: its authority's, for these names, and for a good while yet. */
function stillGood(pair: Certified, authority: Certified, names: readonly string[], now: Date): boolean {
  const issuer = new X509Certificate(authority.cert);
  return (
    new X509Certificate(pair.cert).verify(issuer.publicKey) &&
    !isFromAhead(pair.cert, now) &&
    !endsSoon(pair.cert, now) &&
    names.every((name) => covers(pair.cert, name))
  );
}

/**
 * The kitchen's own authority and certificate in a folder, made or made anew when they are missing, nearly over, made by
 * a clock that ran ahead, or when the kitchen has a new address.
 * @param names names and addresses of the kitchen
 */
export async function keptCertificate(
  folder: string,
  names: readonly string[],
  now: Date,
): Promise<ServerCertificate> {
  privateFolder(folder);
  let authority = readable(folder, 'authority');
  if (!authority || endsSoon(authority.cert, now) || isFromAhead(authority.cert, now)) {
    authority = await makeAuthority(names, now);
    keepPair(folder, 'authority', authority);
  }
  // One name that it may not vouch for would make browsers refuse them all.
  const vouched = names.filter(vouchesFor(authority.cert));
  let own = readable(folder, OWN);
  if (!own || !stillGood(own, authority, vouched, now)) {
    own = await certify(authority, vouched, now);
    keepPair(folder, OWN, own);
  }
  const { raw, fingerprint256 } = new X509Certificate(authority.cert);
  return {
    ...own,
    authority: { cert: authority.cert, der: raw, fingerprint: fingerprint256 },
    endsAt: endOf(own.cert),
  };
}

/**
 * A certificate that was made elsewhere.
 * @throws StartProblem with one sentence when it cannot be read, or the key is another's
 */
export function givenCertificate(certFile: string, keyFile: string): ServerCertificate {
  try {
    const [cert, key] = [readFileSync(certFile, 'utf8'), readFileSync(keyFile, 'utf8')];
    // Says whether they go together.
    createSecureContext({ cert, key });
    return { cert, key, authority: null, endsAt: endOf(cert) };
  } catch (error) {
    throw new StartProblem(
      `The certificate ${certFile} with its key ${keyFile} cannot be used: ${(error as Error).message}.`,
    );
  }
}
