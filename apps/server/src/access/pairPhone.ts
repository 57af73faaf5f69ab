import type { Phone } from '@kettle-scale/core/phone';
import { rateLimit } from 'express-rate-limit';
import type { Logger } from 'pino';
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
/** Codes that one address may try in five minutes: enough for wet hands. */
const MOST_TRIES = 10;

/** Slows who guesses at codes. */
export const slowGuesses = () =>
  rateLimit({
    windowMs: WINDOW_MS,
    limit: MOST_TRIES,
    standardHeaders: true,
    legacyHeaders: false,
    // Whether a proxy is told of is the gate's business.
    validate: { xForwardedForHeader: false, forwardedHeader: false },
    handler: (_request, _response, next) => {
      next(new HttpProblem(429, 'Too many codes were tried from here: wait five minutes.'));
    },
  });
