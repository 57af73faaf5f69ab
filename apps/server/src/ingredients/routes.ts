import { ingredientSchema } from '@kettle-scale/core';
import { z } from 'zod';
import { notFound } from '../http/problem';
import { route, type Route } from '../http/route';
import { idParams } from '../http/params';
import type { IngredientStore } from './store';

export const ingredientRoutes = (store: IngredientStore): Route[] => [
  route({
    method: 'get',
    path: '/ingredients',
    summary: 'All ingredients of the kitchen',
    response: z.array(ingredientSchema),
    run: () => store.list(),
  }),
  route({
    method: 'get',
    path: '/ingredients/:id',
    summary: 'One ingredient',
    params: idParams,
    response: ingredientSchema,
    run: async ({ params }) => {
      const ingredient = await store.get(params.id);
      if (!ingredient) throw notFound('This ingredient');
      return ingredient;
    },
  }),
];
