import { message, type Words } from '@kettle-scale/core/message';
import type { Phone, Role } from '@kettle-scale/core/phone';
import { parse } from 'cookie';
import type { Request, RequestHandler, Response } from 'express';
import { LOOPBACK_ADDRESSES } from '../http/ownNames';
import { HttpProblem } from '../http/problem';
import { isKey } from './ownKey';
import type { PhoneStore } from './phones';

/** Who asks. */
export interface Access {
  role: Role;
  /** Null on the server's own screen, which needs no key. */
  phone: Phone | null;
}

/** The prefix has browsers take it over HTTPS alone, for this name alone, and for every path. */
export const COOKIE = '__Host-kettle-key';
/** Browsers keep a cookie for 400 days at most; it is given anew whenever the app is opened, which asks there who it is. */
const COOKIE_MS = 400 * 24 * 3_600_000;
const RENEWING = '/api/v1/access';
/** The app says with every change that it is the app: a page from elsewhere cannot add a header without asking first. */
export const APP_HEADER = 'Kettle-App';

const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-real-ip'];
/** What answers without a key: in the clear too, and over HTTPS alone, since a code or a key goes over it. */
const OPEN = { plain: /^\/trust(\/|$)|^\/api\/v1\/health$/, secure: /^\/pair$|^\/api\/v1\/pair$/ } as const;
/** Tells nothing of the kitchen's records: whatever watches the machine asks it. */
const HEALTH = /^\/api\/v1\/health$/;
const SAFE = new Set(['GET', 'HEAD', 'OPTIONS']);

/** How the kitchen is passed on by a proxy. */
export interface Proxied {
  /** What the machine itself shows instead of its address, which is the proxy's too. */
  ownKey: string | null;
}

/** Whether both ends of a connection are this machine, and nobody passed it on. */
function isFromHere({ socket, headers }: Request): boolean {
  return (
    LOOPBACK_ADDRESSES.has(socket.localAddress ?? '') &&
    LOOPBACK_ADDRESSES.has(socket.remoteAddress ?? '') &&
    !FORWARDED.some((name) => headers[name] !== undefined)
  );
}

/** Whether somebody sits at the server itself: by address, and behind a proxy by the key that lies in the kitchen's folder. */
const isOwnScreen = (request: Request, proxied: Proxied | null): boolean =>
  isFromHere(request) && (!proxied || isKey(proxied.ownKey, bearerOf(request)));

/** What a proxy must say of whom it passes on: without one of them everybody would look like the proxy itself. */
const NEEDED = ['x-forwarded-for', 'x-forwarded-proto'] as const;

/** @throws HttpProblem for what does not come through the proxy, or comes without what it must say */
function checkPassedOn({ app, socket, headers }: Request): void {
  const isProxy = app.get('trust proxy fn') as (address: string, hop: number) => boolean;
  if (!isProxy(socket.remoteAddress ?? '', 0)) {
    throw new HttpProblem(403, 'This kitchen is reached through its proxy alone.');
  }
  if (NEEDED.some((name) => headers[name] === undefined)) {
    throw new HttpProblem(
      403,
      message('The proxy does not say whom it passes on: have it set {headers} on every request.', {
        headers: { name: 'X-Forwarded-For, X-Forwarded-Proto' },
      }),
    );
  }
}

const bearerOf = (request: Request): string | undefined =>
  /^Bearer (\S+)$/i.exec(request.get('authorization') ?? '')?.[1];

export const giveCookie = (response: Response, key: string): void => {
  response.cookie(COOKIE, key, { ...cookieOptions, maxAge: COOKIE_MS });
};
const cookieOptions = { httpOnly: true, secure: true, sameSite: 'strict', path: '/' } as const;

/** Whether the server's own screen asks, which needs no key. */
export const isOwner = ({ role, phone }: Access): boolean => role === 'lead' && phone === null;
/** Who asks, as the log of the server names them. */
export const nameOf = ({ phone }: Access): string => (phone ? `${phone.name} (${phone.id})` : 'own screen');

/** Who was let in, for what comes after the gate: nobody, at an open address. */
export const accessOf = (response: Response): Access =>
  (response.locals.access as Access | undefined) ?? NOBODY;
const NOBODY: Access = { role: 'device', phone: null };

const NO_KEY = 'This phone has no key to the kitchen: pair it with a code from the server.';

/** A person who opens a page is led on; a program is told. */
function sendAway(request: Request, response: Response, to: string, problem: HttpProblem): void {
  if (request.method !== 'GET' || request.path.startsWith('/api/') || !request.accepts('html')) throw problem;
  response.clearCookie(COOKIE, cookieOptions).redirect(303, to);
}

/**
 * Lets in the server's own screen, and from a network over HTTPS whoever has a key; nothing else passes but health, trust and
 * pairing.
 * @param proxied where the kitchen is behind a proxy: then an address proves nothing
 */
export const gate =
  (phones: PhoneStore, now: () => Date, proxied: Proxied | null = null): RequestHandler =>
  async (request, response, next) => {
    const { secure } = request;
    const open = OPEN.plain.test(request.path) || (secure && OPEN.secure.test(request.path));
    if (isOwnScreen(request, proxied)) {
      response.locals.access = { role: 'lead', phone: null } satisfies Access;
      return next();
    }
    if (proxied && !HEALTH.test(request.path)) checkPassedOn(request);
    if (!secure && !open) {
      const why: Words = 'On the network this kitchen answers over HTTPS only: see /trust.';
      return sendAway(request, response, '/trust', new HttpProblem(403, why));
    }
    const key = bearerOf(request) ?? parse(request.get('cookie') ?? '')[COOKIE];
    const phone = key === undefined || !secure ? null : await phones.seen(key, now());
    if (!phone) {
      if (open) return next();
      return sendAway(request, response, '/pair', new HttpProblem(401, NO_KEY));
    }
    response.locals.access = { role: phone.role, phone } satisfies Access;
    if (key !== undefined && request.path === RENEWING) giveCookie(response, key);
    next();
  };

/** A change comes from the app, or from whoever has a key in hand: no page elsewhere sends either. */
export const appOnly: RequestHandler = (request, _response, next) => {
  const fromApp = Boolean(request.get(APP_HEADER)) || bearerOf(request) !== undefined;
  if (!SAFE.has(request.method) && !fromApp) {
    throw new HttpProblem(
      403,
      message('A change needs the header {header}, which says what sends it.', {
        header: { name: APP_HEADER },
      }),
    );
  }
  next();
};

/** Most routes are for cooks and leads; some for leads alone, some for devices too, and few for anyone. */
export type For = 'lead' | 'device' | 'anyone';

/** @throws HttpProblem when who asks may not */
export function checkRole(access: Access, whom: For | undefined): void {
  if (whom === 'anyone') return;
  if (access === NOBODY) throw new HttpProblem(401, NO_KEY);
  const { role } = access;
  if (role === 'device' && whom !== 'device') throw new HttpProblem(403, 'A device only tells its readings.');
  if (role === 'cook' && whom === 'lead') {
    throw new HttpProblem(403, 'Only a lead may do this: ask one, or have this phone made a lead’s.');
  }
}

export const only =
  (whom: For | undefined): RequestHandler =>
  (_request, response, next) => {
    checkRole(accessOf(response), whom);
    next();
  };
