import type { Phone } from '@kettle-scale/core/phone';
import { rateLimit } from 'express-rate-limit';
import type { RequestHandler } from 'express';
import type { Logger } from 'pino';
import { accessOf, isOwner } from './gate';
import { HttpProblem } from '../http/problem';
import type { Hub } from '../live/hub';
import type { Pairing } from './pairing';
import type { PhoneStore } from './phones';

interface Around {
  pairing: Pairing;
  hub: Hub;
  logger: Logger;
  now: () => Date;
}

/** Uses a code up and gives its phone a key. */
export type Pair = (asked: { code: string; name: string }) => Promise<{ phone: Phone; key: string }>;

/** @throws HttpProblem for a code that is wrong or old */
export const pairPhone =
  (phones: PhoneStore, { pairing, hub, logger, now }: Around): Pair =>
  async ({ code, name }) => {
    const role = pairing.take(code);
    const paired = await phones.add({ name, role }, now());
    logger.warn({ phone: paired.phone.id, role }, 'a phone was paired');
    hub.publish({ type: 'phones' });
    return paired;
  };

const WINDOW_MS = 5 * 60_000;
/** Wrong codes that one address may send in five minutes: enough for wet hands. */
const MOST_WRONG = 10;
const WRONG_CODE = 403;

/** Slows who guesses at codes, by the address that they come from, and nobody else: the kitchen's own screen least of all. */
export const slowGuesses = (logger: Logger): RequestHandler[] => [
  (request, response, next) => {
    response.on('finish', () => {
      if (response.statusCode === WRONG_CODE) logger.warn({ from: request.ip }, 'a wrong code for pairing');
    });
    next();
  },
  rateLimit({
    windowMs: WINDOW_MS,
    limit: MOST_WRONG,
    skip: (_request, response) => isOwner(accessOf(response)),
    skipSuccessfulRequests: true,
    standardHeaders: true,
    legacyHeaders: false,
    // Whether a proxy is told of is the gate's business.
    validate: { xForwardedForHeader: false, forwardedHeader: false },
    handler: (request, _response, next) => {
      logger.warn({ from: request.ip }, 'too many wrong codes for pairing: locked out for five minutes');
      next(new HttpProblem(429, 'Too many codes were tried from here: wait five minutes.'));
    },
  }),
];
