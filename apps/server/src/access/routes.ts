import {
  accessSchema,
  codeRequestSchema,
  pairRequestSchema,
  pairingCodeSchema,
  phoneChangeSchema,
  phoneSchema,
} from '@kettle-scale/core/phone';
import type { Logger } from 'pino';
import { z } from 'zod';
import { nameOf } from './gate';
import { idParams } from '../http/params';
import { notFound } from '../http/problem';
import { type Route, route } from '../http/route';
import type { Hub } from '../live/hub';
import { type Network, pairAddress, squaresOf } from './network';
import type { PhoneStore } from './phones';
import type { Pair } from './pairPhone';
import type { Pairing } from './pairing';

interface AroundPhones {
  hub: Hub;
  pairing: Pairing;
  pair: Pair;
  /** Null where the kitchen listens on its own machine alone. */
  network: () => Network | null;
  logger: Logger;
}

const phoneNotFound = () => notFound('This phone');

/** Who asks, and how one comes to a key. */
const accessRoutes = ({ pair, network }: AroundPhones): Route[] => [
  route({
    method: 'get',
    path: '/access',
    summary: 'Who asks, what they may do, and how the kitchen is reached',
    response: accessSchema,
    run: async ({ access: { role, phone } }) => {
      const reached = network();
      const trust = reached?.trust;
      return {
        role,
        phone: phone && { id: phone.id, name: phone.name },
        network: reached && {
          addresses: reached.addresses,
          trust: trust ? { address: trust.address, fingerprint: trust.fingerprint } : null,
        },
      };
    },
  }),
  route({
    method: 'post',
    path: '/pair',
    summary: 'Use a code: the key of a device comes in the answer, that of a phone as a cookie',
    for: 'anyone',
    body: pairRequestSchema,
    response: z.strictObject({ phone: phoneSchema, key: z.string().nullable() }),
    status: 201,
    secret: true,
    run: async ({ body }) => {
      const { phone, key } = await pair(body);
      if (phone.role === 'device') return { phone, key };
      return { status: 201, body: { phone, key: null }, phoneKey: key };
    },
  }),
];

/** The phones that may, for leads. */
const keyRoutes = (phones: PhoneStore, { hub, pairing, network, logger }: AroundPhones): Route[] => [
  route({
    method: 'get',
    path: '/phones',
    summary: 'Phones and device bridges with a key, in the order of pairing',
    for: 'lead',
    response: z.array(phoneSchema),
    run: async () => phones.list(),
  }),
  route({
    method: 'post',
    path: '/phones/codes',
    summary: 'A code that pairs one phone within five minutes',
    for: 'lead',
    body: codeRequestSchema,
    response: pairingCodeSchema,
    status: 201,
    secret: true,
    run: async ({ body: { role } }) => {
      const { code, expiresAt } = pairing.offer(role);
      const base = network()?.addresses[0];
      const address = base === undefined ? null : pairAddress(base, code);
      return {
        code,
        role,
        expiresAt: expiresAt.toISOString(),
        address,
        squares: address && squaresOf(address),
      };
    },
  }),
  route({
    method: 'put',
    path: '/phones/:id',
    summary: 'Name a phone, or say what it may do',
    for: 'lead',
    params: idParams,
    body: phoneChangeSchema,
    response: phoneSchema,
    run: async ({ params, body, access }) => {
      const before = phones.list().find(({ id }) => id === params.id)?.role;
      const changed = await phones.change(params.id, body);
      if (!changed) throw phoneNotFound();
      if (changed.role !== before) {
        const { id: phone, role } = changed;
        logger.warn({ phone, before, role, by: nameOf(access) }, 'the role of a phone was changed');
      }
      hub.publish({ type: 'phones' });
      return changed;
    },
  }),
  route({
    method: 'delete',
    path: '/phones/:id',
    summary: 'Take a phone’s key away: its streams end and nothing answers it any more',
    for: 'lead',
    params: idParams,
    response: z.array(phoneSchema),
    run: async ({ params, access }) => {
      if (!(await phones.remove(params.id))) throw phoneNotFound();
      logger.warn({ phone: params.id, by: nameOf(access) }, 'the key of a phone was taken away');
      hub.publish({ type: 'phones' });
      return phones.list();
    },
  }),
];

/** Who asks, and the phones that may. */
export const phoneRoutes = (phones: PhoneStore, around: AroundPhones): Route[] => [
  ...accessRoutes(around),
  ...keyRoutes(phones, around),
];
