import { serviceActSchema, serviceDaySchema, serviceRecordSchema } from '@kettle-scale/core/shift';
import { z } from 'zod';
import { InputError } from '@kettle-scale/core/message';
import { CLOCK_SLACK_MS, aheadWords } from '../http/clock';
import { HttpProblem, notFound } from '../http/problem';
import { route, type Route } from '../http/route';
import { checkVersion, taggedWithin } from '../http/versioned';
import type { Around } from '../live/hub';
import type { Stores } from '../stores';

const dayParams = z.strictObject({ day: z.iso.date('The day must be a date like 2026-03-04.') });

/** Past services that a new one learns its waves from: half a year of weeks, and a little. */
const MOST_DAYS = 200;

export const serviceRoutes = (
  { services, formulas }: Pick<Stores, 'services' | 'formulas'>,
  { hub, now }: Around,
): Route[] => [
  route({
    method: 'get',
    path: '/services',
    summary: 'Days of service with what happened to their bread, the newest first',
    response: z.array(serviceRecordSchema),
    run: () => services.list(MOST_DAYS),
  }),
  route({
    method: 'get',
    path: '/services/:day',
    summary: 'The service of a day; null where nobody has said what it is to bring',
    params: dayParams,
    response: serviceRecordSchema.nullable(),
    run: async ({ params }) => {
      const found = await services.find(params.day);
      return found ? taggedWithin(found, found.service) : { status: 200, body: null };
    },
  }),
  route({
    method: 'put',
    path: '/services/:day',
    versioned: true,
    summary: 'Say what a day is to bring, or choose its plan',
    params: dayParams,
    body: serviceDaySchema,
    response: serviceRecordSchema,
    run: async ({ params, body, ifMatch }) => {
      if (body.day !== params.day) {
        throw new HttpProblem(422, 'The day in the address and in the service differ.', [
          { path: 'day', message: 'This is not the day in the address.' },
        ]);
      }
      const known = new Set((await formulas.list()).map(({ id }) => id));
      const at = body.breads.findIndex(({ formulaId }) => !known.has(formulaId));
      if (at >= 0) {
        throw new HttpProblem(422, 'A bread in this service is not in the book.', [
          { path: `breads.${at}.formulaId`, message: 'This formula is not in the book.' },
        ]);
      }
      await services.put(body, (before) => checkVersion(ifMatch, before));
      hub.publish({ type: 'service', day: body.day });
      const record = await services.find(body.day);
      if (!record) throw notFound('This day’s service');
      return taggedWithin(record, record.service);
    },
  }),
  route({
    method: 'post',
    path: '/services/:day/acts',
    summary:
      'Bread was taken, counted or thrown out, or an act is taken back; the same act twice is stored once',
    params: dayParams,
    body: serviceActSchema,
    response: serviceActSchema,
    run: async ({ params, body }) => {
      const aheadMs = Date.parse(body.at) - now().getTime();
      if (aheadMs > CLOCK_SLACK_MS) throw InputError.at('at', aheadWords('This act', aheadMs));
      const outcome = await services.append(params.day, body);
      if (outcome === 'no-day') throw notFound('This day’s service');
      if (outcome === 'clash') {
        throw new HttpProblem(409, 'Another act has this id.', [
          { path: 'id', message: 'This id is taken.' },
        ]);
      }
      if (outcome === 'new') hub.publish({ type: 'service', day: params.day });
      return body;
    },
  }),
];
