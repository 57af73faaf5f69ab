import { planBatch, planRequestSchema, planSchema, savedPlanSchema } from '@kettle-scale/core/plan';
import { z } from 'zod';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { route, type Route } from '../http/route';
import { checkVersion, tagged } from '../http/versioned';
import type { IngredientStore } from '../ingredients/store';
import type { Hub } from '../live/hub';
import type { PlanStore } from './store';

export const planRoutes = (plans: PlanStore, ingredients: IngredientStore, hub: Hub): Route[] => [
  route({
    method: 'post',
    path: '/plans',
    summary: 'Compute a plan; nothing is stored',
    body: planRequestSchema,
    response: planSchema,
    run: async ({ body }) =>
      planBatch({ ...body, ingredients: body.ingredients ?? (await ingredients.list()) }),
  }),
  route({
    method: 'get',
    path: '/saved-plans',
    summary: 'Plans kept for later, the newest first',
    response: z.array(savedPlanSchema),
    run: () => plans.list(),
  }),
  route({
    method: 'put',
    path: '/saved-plans/:id',
    versioned: true,
    summary: 'Keep a plan for later, or change it',
    params: idParams,
    body: savedPlanSchema,
    response: savedPlanSchema,
    run: async ({ params, body, ifMatch }) => {
      if (body.id !== params.id) {
        throw new HttpProblem(422, 'The id in the address and in the plan differ.', [
          { path: 'id', message: 'This is not the id in the address.' },
        ]);
      }
      const saved = await plans.put(body, (before) => checkVersion(ifMatch, before));
      hub.publish({ type: 'plans' });
      return tagged(saved);
    },
  }),
  route({
    method: 'delete',
    path: '/saved-plans/:id',
    summary: 'Forget a plan that was kept',
    params: idParams,
    response: z.array(savedPlanSchema),
    run: async ({ params }) => {
      if (!(await plans.remove(params.id))) throw notFound('This plan');
      hub.publish({ type: 'plans' });
      return plans.list();
    },
  }),
];
