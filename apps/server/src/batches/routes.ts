import { type BatchStart, batchSchema, batchStartSchema, batchSummarySchema, eventSchema } from '@kettle-scale/core/batch';
import { sourceUsable } from '@kettle-scale/core/device';
import { lotToday } from '@kettle-scale/core/flourLot';
import { InputError, slugField } from '@kettle-scale/core/message';
import { type Plan, keepablePlan, planBatch, planHash } from '@kettle-scale/core/plan';
import { loggedPieceSchema } from '@kettle-scale/core/bake';
import { lotWithSwitch } from '@kettle-scale/core/log';
import { dayOf } from '@kettle-scale/core/quantity';
import { z } from 'zod';
import type { FlourLotStore } from '../flourLots/store';
import type { FormulaStore } from '../formulas/store';
import { aheadWords } from '../http/clock';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { JsonText, route, type Route } from '../http/route';
import type { IngredientStore } from '../ingredients/store';
import type { KitchenStore } from '../kitchen/store';
import type { Around } from '../live/hub';
import { findBetween, findQuery } from './find';
import type { BatchStore } from './store';

const DAY_MS = 24 * 3600 * 1000;
/** Older batches were baked on another plate, or by other hands. */
const PIECES_FROM_BATCHES = 30;

export interface BatchStores {
  batches: BatchStore;
  formulas: FormulaStore;
  ingredients: IngredientStore;
  kitchen: KitchenStore;
  flourLots: FlourLotStore;
}

export function batchRoutes(stores: BatchStores, { hub, now, demo }: Around): Route[] {
  const { batches } = stores;

  const zone = async () => (await stores.kitchen.get()).timeZone;

  /** Clocks of phones differ; an act more than a day ahead is a wrong clock and would break every timer. */
  const checkTime = (at: string): void => {
    const aheadMs = Date.parse(at) - now().getTime();
    if (aheadMs > DAY_MS) throw InputError.at('at', aheadWords('This act', aheadMs));
  };

  /** A record of what was really done holds nothing that a stand-in made up. */
  const checkSource = (body: object, path: string): void => {
    if (!('source' in body) || body.source !== 'simulated' || sourceUsable('simulated', demo)) return;
    throw InputError.at(path, 'This reading is simulated, and this kitchen is not: type what you measured.');
  };

  /** The day with what the kitchen itself knows of the lot, whatever the phone last heard. */
  async function conditionsOf({ at, flourLotId, conditions }: BatchStart) {
    const { lessonsOff, timeZone } = await stores.kitchen.get();
    const lot = flourLotId
      ? (await stores.flourLots.states(now().getTime(), timeZone)).find(({ id }) => id === flourLotId)
      : undefined;
    if (flourLotId && !lot) throw InputError.at('flourLotId', 'This flour lot is not in this kitchen.');
    if (!conditions) return {};
    const { lot: _told, ...day } = conditions;
    return {
      conditions: {
        ...day,
        ...(lot ? { lot: lotWithSwitch(lotToday(lot, dayOf(Date.parse(at), timeZone)), lessonsOff) } : {}),
      },
    };
  }

  async function planFor(start: BatchStart): Promise<Plan> {
    const version = await stores.formulas.get(start.formulaId, start.formulaVersion);
    if (!version) throw InputError.at('formulaId', 'This version of the formula is not in this kitchen.');
    const plan = planBatch({
      formula: version.formula,
      need: start.need,
      kitchen: await stores.kitchen.get(),
      ingredients: await stores.ingredients.list(),
      ...(await conditionsOf(start)),
      ...(start.mixer === undefined ? {} : { mixer: start.mixer }),
      ...(start.adjustments ? { adjustments: start.adjustments } : {}),
    });
    return keepablePlan(plan);
  }

  /** What a cook has weighed out by must be what is frozen; a start that is sent again has been looked at before. */
  async function checkSeen({ id, planHash: seen }: BatchStart, plan: Plan): Promise<void> {
    const own = planHash(plan);
    if (seen === undefined || seen === own || (await batches.get(id))) return;
    throw new HttpProblem(
      409,
      'The kitchen, the formula or the lot has changed since this plan was made. Nothing was started; look at the new figures.',
      [{ path: 'planHash', message: 'This is not the plan that the kitchen makes now.' }],
      { plan, planHash: own, seen },
    );
  }

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
      run: async ({ body }) => {
        checkTime(body.at);
        checkSource({ source: body.conditions?.airFrom }, 'conditions.airFrom');
        const plan = await planFor(body);
        await checkSeen(body, plan);
        const stored = await batches.start(body, plan);
        if (stored.outcome === 'clash') {
          throw new HttpProblem(409, 'Another batch was started with this id.', [
            { path: 'id', message: 'This id is taken.' },
          ]);
        }
        if (stored.outcome === 'new') hub.publish({ type: 'batch', batchId: body.id });
        return { status: stored.outcome === 'new' ? 201 : 200, body: stored.value };
      },
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
      run: async ({ params, body }) => {
        checkTime(body.at);
        checkSource(body, 'source');
        const result = await batches.append(params.id, body, now().toISOString());
        if (result.outcome === 'no-batch') throw notFound('This batch');
        if (result.outcome === 'clash') {
          throw new HttpProblem(409, 'Another event has this id.', [
            { path: 'id', message: 'This id is taken.' },
          ]);
        }
        if (result.outcome === 'refused') {
          const { reason, path, message } = result.refusal;
          throw new HttpProblem(reason === 'over' ? 409 : 422, message, [{ path, message }]);
        }
        if (result.outcome === 'new') hub.publish({ type: 'event', batchId: params.id, event: body });
        return { status: result.outcome === 'new' ? 201 : 200, body: result.value };
      },
    }),
  ];
}
