import { planBatch, planRequestSchema, planSchema } from '@kettle-scale/core';
import { route, type Route } from '../http/route';
import type { IngredientStore } from '../ingredients/store';

export const planRoutes = (ingredients: IngredientStore): Route[] => [
  route({
    method: 'post',
    path: '/plans',
    summary: 'Compute a plan; nothing is stored',
    body: planRequestSchema,
    response: planSchema,
    run: async ({ body }) =>
      planBatch({ ...body, ingredients: body.ingredients ?? (await ingredients.list()) }),
  }),
];
