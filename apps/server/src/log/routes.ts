import { batchFactsSchema, lessonSchema, logSchema } from '@kettle-scale/core/log';
import { InputError } from '@kettle-scale/core/message';
import { carriedSchema } from '@kettle-scale/core/plan';
import { z } from 'zod';
import type { AsideWork, LogAsk } from '../aside/work';
import { findBetween, findQuery } from '../batches/find';
import type { BatchStore } from '../batches/store';
import type { FlourLotStore } from '../flourLots/store';
import { idParams } from '../http/params';
import { notFound } from '../http/problem';
import { FileText, JsonText, route, type Route } from '../http/route';
import type { KitchenStore } from '../kitchen/store';
import type { Around } from '../live/hub';
import { keepLessons } from './keptLessons';
import type { CarriedStore } from './carried';

/** Changes that are carried into the next plans. */
const carriedRoutes = ({ carried, hub }: Pick<LogStores, 'carried'> & Pick<Around, 'hub'>): Route[] => [
  route({
    method: 'get',
    path: '/carried',
    summary: 'Changes carried into the next plans, the newest first',
    response: z.array(carriedSchema),
    run: () => carried.list(),
  }),
  route({
    method: 'put',
    path: '/carried/:id',
    summary: 'Carry a change into the next plan of a formula',
    params: idParams,
    body: carriedSchema,
    response: carriedSchema,
    run: async ({ params, body }) => {
      if (params.id !== body.id) throw InputError.at('id', 'This is not the id in the address.');
      const kept = await carried.put(body);
      hub.publish({ type: 'plans' });
      return kept;
    },
  }),
  route({
    method: 'delete',
    path: '/carried/:id',
    summary: 'Drop a carried change',
    params: idParams,
    response: z.array(carriedSchema),
    run: async ({ params }) => {
      if (!(await carried.remove(params.id))) throw notFound('This change');
      hub.publish({ type: 'plans' });
      return carried.list();
    },
  }),
];

const exportQuery = findQuery.omit({ limit: true, before: true });
const factsQuery = findQuery.extend({
  limit: z.coerce.number('“limit” must be a number.').int().min(1).max(2000).default(200),
});

export interface LogStores {
  batches: BatchStore;
  flourLots: FlourLotStore;
  kitchen: KitchenStore;
  carried: CarriedStore;
  aside: AsideWork;
}

export function logRoutes(
  { batches, flourLots, kitchen, carried, aside }: LogStores,
  around: Around,
): Route[] {
  const { hub, now } = around;
  const lessons = keepLessons({ batches, flourLots, kitchen, aside }, around);

  async function log(as: LogAsk['as'], query: z.infer<typeof exportQuery>): Promise<string> {
    await batches.fillFacts();
    const { cooks = [], learnPerCook: people = true, timeZone } = await kitchen.get();
    const find = findBetween(query, timeZone);
    return aside.log({ find, as, cooks, people, exportedAt: now().toISOString() });
  }

  return [
    route({
      method: 'get',
      path: '/batch-facts',
      summary: 'What batches that are over have to say, for charts: the newest first',
      query: factsQuery,
      response: z.array(batchFactsSchema),
      run: async ({ query }) => {
        const { timeZone, learnPerCook = true } = await kitchen.get();
        return new JsonText(await batches.factsJson(findBetween(query, timeZone), learnPerCook));
      },
    }),
    route({
      method: 'get',
      path: '/lessons',
      summary: 'What the last year teaches, each with its interval and its batches',
      response: z.array(lessonSchema),
      run: async () => {
        const { json, gzip } = await lessons.lessons();
        return new JsonText(json, Buffer.from(gzip));
      },
    }),
    route({
      method: 'get',
      path: '/log.csv',
      summary: 'The log as a table for a spreadsheet, a row a batch',
      type: 'text/csv',
      query: exportQuery,
      response: z.string(),
      run: async ({ query }) => new FileText(await log('csv', query), 'text/csv', 'kettle-scale-log.csv'),
    }),
    route({
      method: 'get',
      path: '/log.json',
      summary: 'The log as one document',
      query: exportQuery,
      response: logSchema,
      run: async ({ query }) =>
        new FileText(await log('json', query), 'application/json', 'kettle-scale-log.json'),
    }),
    ...carriedRoutes({ carried, hub }),
  ];
}
