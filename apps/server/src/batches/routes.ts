import {
  type BatchEvent,
  type BatchStart,
  OWN_SCREEN,
  batchSchema,
  batchStartSchema,
  batchSummarySchema,
  eventSchema,
} from '@kettle-scale/core/batch';
import { slugField, type Words } from '@kettle-scale/core/message';
import { loggedPieceSchema } from '@kettle-scale/core/bake';
import { z } from 'zod';
import type { Access } from '../access/gate';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { JsonText, route, type Route } from '../http/route';
import type { Around } from '../live/hub';
import { findBetween, findQuery } from './find';

import { type BatchStores, batchRules } from './rules';

/** Older batches were baked on another plate, or by other hands. */
const PIECES_FROM_BATCHES = 30;

/** Who did it, as the server knows it; what a phone says of itself does not count. */
const phoneOf = ({ phone }: Access): string => phone?.name ?? OWN_SCREEN;

/** A start and an event, checked, stored once, and told to who listens. */
function batchActs(stores: BatchStores, around: Around) {
  const { hub, now } = around;
  const { batches } = stores;
  const { checkSource, planOf, checkSeen } = batchRules(stores, around);
  const start = async (sent: BatchStart, access: Access) => {
    const body = { ...sent, phone: phoneOf(access) };
    checkSource({ source: body.conditions?.airFrom }, 'conditions.airFrom');
    const plan = await planOf(body);
    await checkSeen(body, plan);
    // The plan is kept beside the start, not twice.
    const { frozenPlan, begunOffline: _said, ...sentStart } = body;
    const started = { ...sentStart, ...(frozenPlan ? { begunOffline: true as const } : {}) };
    const stored = await batches.start(started, plan);
    if (stored.outcome === 'clash') throw taken('Another batch was started with this id.');
    if (stored.outcome === 'new') hub.publish({ type: 'batch', batchId: body.id });
    return { status: stored.outcome === 'new' ? 201 : 200, body: stored.value };
  };

  const append = async (id: string, sent: BatchEvent, access: Access) => {
    const body = { ...sent, phone: phoneOf(access) };
    checkSource(body, 'source');
    const result = await batches.append(id, body, now().toISOString());
    if (result.outcome === 'no-batch') throw notFound('This batch');
    if (result.outcome === 'clash') throw taken('Another event has this id.');
    if (result.outcome === 'refused') {
      const { reason, path, message } = result.refusal;
      throw new HttpProblem(reason === 'over' ? 409 : 422, message, [{ path, message }]);
    }
    if (result.outcome === 'new') hub.publish({ type: 'event', batchId: id, event: body });
    return { status: result.outcome === 'new' ? 201 : 200, body: result.value };
  };
  return { start, append };
}

/** Two different things under one id. */
const taken = (sentence: Words) =>
  new HttpProblem(409, sentence, [{ path: 'id', message: 'This id is taken.' }]);

export function batchRoutes(stores: BatchStores, around: Around): Route[] {
  const { demo } = around;
  const { batches } = stores;
  const { start, append } = batchActs(stores, around);
  const zone = async () => (await stores.kitchen.get()).timeZone;

  return [
    route({
      method: 'get',
      path: '/griddle-pieces',
      summary:
        'Pieces of a formula that were baked on a read plate and judged: what a calibration is fitted to',
      query: z.strictObject({ formula: slugField('Formula') }),
      response: z.array(loggedPieceSchema),
      run: ({ query }) => batches.griddlePieces(query.formula, PIECES_FROM_BATCHES, demo),
    }),
    route({
      method: 'get',
      path: '/batches',
      summary: 'The log: batches with planned against actual, the newest first',
      query: findQuery,
      response: z.array(batchSummarySchema),
      run: async ({ query }) => new JsonText(await batches.listJson(findBetween(query, await zone()))),
    }),
    route({
      method: 'post',
      path: '/batches',
      summary: 'Start a batch: the plan is computed and frozen. Sending the same start again changes nothing',
      body: batchStartSchema,
      response: batchSchema,
      status: 201,
      run: ({ body, access }) => start(body, access),
    }),
    route({
      method: 'get',
      path: '/batches/:id',
      summary: 'One batch: its plan and its events',
      params: idParams,
      response: batchSchema,
      run: async ({ params }) => {
        const text = await batches.getJson(params.id);
        if (!text) throw notFound('This batch');
        return new JsonText(text);
      },
    }),
    route({
      method: 'get',
      path: '/batches/:id/events',
      summary: 'The events of a batch in the order they were stored',
      params: idParams,
      response: z.array(eventSchema),
      run: async ({ params }) => {
        const batch = await batches.get(params.id);
        if (!batch) throw notFound('This batch');
        return batch.events;
      },
    }),
    route({
      method: 'post',
      path: '/batches/:id/events',
      summary: 'Append one event. Sending the same event again changes nothing',
      params: idParams,
      body: eventSchema,
      response: eventSchema,
      status: 201,
      run: ({ params, body, access }) => append(params.id, body, access),
    }),
  ];
}
