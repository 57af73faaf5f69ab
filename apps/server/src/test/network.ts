import { type IncomingHttpHeaders, request as plainly } from 'node:http';
import { request as securely } from 'node:https';
import { mkdtempSync } from 'node:fs';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import { APP_HEADER } from '../access/gate';
import { createPairing } from '../access/pairing';
import { createApp } from '../app';
import { openDatabase } from '../db/openDatabase';
import { DOOR_LIMITS, type DoorLimits } from '../lan/doorLimits';
import { type Door, makeDoor } from '../lan/openToNetwork';
import { readLanguages } from '../http/languages';
import { createHub } from '../live/hub';
import type { ServerOptions } from '../options';
import { openStores } from '../stores';
import { closing } from './kitchen';

/** The server's own screen, and an address that stands for the kitchen's network. */
const OWN = '127.0.0.1';
const NETWORK = '127.0.0.2';

/** What the machine itself shows behind a proxy. */
export const OWN_KEY = 'key-of-the-machine';

export interface Answer {
  status: number;
  headers: IncomingHttpHeaders;
  text: string;
  /** The body, where it is JSON. */
  body: unknown;
}
interface Asked {
  method?: string;
  body?: unknown;
  form?: Record<string, string>;
  headers?: Record<string, string>;
  /** Another address than the system would choose. */
  from?: string;
}

/** A kitchen that is open to a network, with the clock in the test's hand. */
export async function openOnNetwork(
  reach: Partial<ServerOptions> = {},
  { limits = DOOR_LIMITS, bodyMs }: { limits?: DoorLimits; bodyMs?: number } = {},
) {
  const folder = mkdtempSync(join(tmpdir(), 'kettle-'));
  const database = await openDatabase(join(folder, 'kitchen.sqlite'), { upgrade: true });
  const stores = await openStores(database);
  const clock = { now: Date.now() };
  const logged: string[] = [];
  const now = () => new Date(clock.now);
  const [hub, logger, pairing] = [
    createHub(),
    pino({ level: 'trace' }, { write: (line) => void logged.push(line) }),
    createPairing(now),
  ];
  let door: Door | null = null;
  const app = createApp({
    ...{ database, stores, hub, logger, pairing, now, checkAnswers: true },
    ...(bodyMs === undefined ? {} : { bodyMs }),
    languages: readLanguages(join(__dirname, '../../../../languages')),
    proxies: reach.proxies ?? [],
    ownKey: OWN_KEY,
    names: () => door?.names() ?? [],
    network: () => door?.network() ?? null,
  });
  const options = { reach: 'lan', host: '0.0.0.0', port: 0, names: [NETWORK], certificate: null } as const;
  const opening = await makeDoor(app, { ...options, data: folder, ...reach }, logger, limits);
  door = opening;
  await new Promise<void>((resolve) => opening.server.listen(0, '0.0.0.0', resolve));
  const { port } = opening.server.address() as AddressInfo;
  opening.opened(port);

  /** Asks over one scheme, of one address. */
  const asker =
    (scheme: 'http' | 'https', host: string, always: Record<string, string> = {}) =>
    (path: string, { method, body, form, headers = {}, from }: Asked = {}): Promise<Answer> =>
      new Promise((resolve, reject) => {
        const sent = form ? new URLSearchParams(form).toString() : body && JSON.stringify(body);
        const type = form ? 'application/x-www-form-urlencoded' : 'application/json';
        const ask = scheme === 'http' ? plainly : securely;
        const request = ask(
          {
            host,
            port,
            path,
            method: method ?? (sent ? 'POST' : 'GET'),
            agent: false,
            rejectUnauthorized: false,
            localAddress: from,
            headers: {
              [APP_HEADER]: 'test',
              ...(sent ? { 'content-type': type } : {}),
              ...always,
              ...headers,
            },
          },
          (response) => {
            let text = '';
            response.setEncoding('utf8').on('data', (part: string) => (text += part));
            response.on('end', () => {
              const json = /\bjson\b/.test(response.headers['content-type'] ?? '');
              const { statusCode: status = 0, headers: got } = response;
              resolve({ status, headers: got, text, body: json ? JSON.parse(text) : null });
            });
          },
        );
        request.on('error', reject);
        request.end(sent);
      });

  return {
    stores,
    hub,
    clock,
    port,
    logged,
    open: opening.open,
    own: asker('http', OWN),
    plain: asker('http', NETWORK),
    stranger: asker('https', NETWORK),
    phone: (cookie: string) => asker('https', NETWORK, { cookie }),
    close: closing(async () => {
      hub.close();
      opening.closeAll();
      await opening.leave();
      await new Promise((resolve) => opening.server.close(resolve));
      await database.close();
    }),
  };
}

export type OnNetwork = Awaited<ReturnType<typeof openOnNetwork>>;

/** Pairs a phone as a person does: a code from the server's screen, typed into the form. */
export async function pairPhone(kitchen: OnNetwork, role: 'cook' | 'lead', name: string = role) {
  const { body } = await kitchen.own('/api/v1/phones/codes', { body: { role } });
  const { code } = body as { code: string };
  const { status, headers } = await kitchen.stranger('/pair', { form: { code, name } });
  const [cookie = ''] = headers['set-cookie'] ?? [];
  return { status, code, cookie, ask: kitchen.phone(cookie.split(';')[0] ?? '') };
}
