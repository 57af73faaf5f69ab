import { CATALOGUE, ingredientSchema } from '@kettle-scale/core/ingredient';
import { InputError } from '@kettle-scale/core/message';
import { z } from 'zod';
import type { FormulaStore } from '../formulas/store';
import type { FlourLotStore } from '../flourLots/store';
import { idParams } from '../http/params';
import { HttpProblem, notFound } from '../http/problem';
import { route, type Route } from '../http/route';
import { checkVersion, tagged } from '../http/versioned';
import type { Hub } from '../live/hub';
import type { IngredientStore } from './store';

interface Users {
  formulas: FormulaStore;
  flourLots: FlourLotStore;
}

const missing = () => notFound('This ingredient');

export function ingredientRoutes(store: IngredientStore, { formulas, flourLots }: Users, hub: Hub): Route[] {
  const changed = () => hub.publish({ type: 'ingredients' });
  const find = async (id: string) => {
    const food = (await store.list()).find((entry) => entry.id === id);
    if (!food) throw missing();
    return food;
  };

  return [
    route({
      method: 'get',
      path: '/ingredients',
      summary: 'All ingredients of the kitchen, hidden ones too',
      response: z.array(ingredientSchema),
      run: () => store.list(),
    }),
    route({
      method: 'get',
      path: '/ingredients/:id',
      summary: 'One ingredient',
      params: idParams,
      response: ingredientSchema,
      run: async ({ params }) => tagged(await find(params.id)),
    }),
    route({
      method: 'put',
      path: '/ingredients/:id',
      versioned: true,
      summary: 'Add an ingredient, or change one; saved formulas keep their shares',
      for: 'lead',
      params: idParams,
      body: ingredientSchema,
      response: ingredientSchema,
      run: async ({ params, body, ifMatch }) => {
        if (body.id !== params.id) {
          throw InputError.at('id', 'The id in the document and in the address differ.');
        }
        const saved = await store.put(body, async (transaction) => {
          const before = (await store.list(transaction)).find(({ id }) => id === body.id);
          checkVersion(ifMatch, before);
          const users = before && before.kind !== body.kind ? await formulas.using(body.id, transaction) : [];
          if (before?.kind === 'flour' || body.kind === 'flour') refuseKindChange(users);
        });
        changed();
        return tagged(saved);
      },
    }),
    route({
      method: 'delete',
      path: '/ingredients/:id',
      summary: "Take back the kitchen's changes; an ingredient of its own is removed if nothing uses it",
      for: 'lead',
      params: idParams,
      response: z.array(ingredientSchema),
      run: async ({ params }) => {
        await store.reset(params.id, async (transaction) => {
          if (!(await store.list(transaction)).some(({ id }) => id === params.id)) throw missing();
          if (CATALOGUE.some(({ id }) => id === params.id)) return;
          const users = await formulas.everUsing(params.id, transaction);
          const lots = (await flourLots.list(transaction)).filter(
            ({ ingredient }) => ingredient === params.id,
          );
          const names = [...users, ...lots.map(({ name }) => `the lot ${name}`)];
          if (names.length > 0) {
            throw new HttpProblem(409, `It is used by ${names.slice(0, 3).join(', ')}. Hide it instead.`);
          }
        });
        changed();
        return store.list();
      },
    }),
  ];
}

/** A flour is what the 100 % is made of: formulas that use it would change under the cook's hands. */
function refuseKindChange(users: readonly string[]): void {
  if (users.length === 0) return;
  throw InputError.at(
    'kind',
    `It cannot change to or from flour while ${users.slice(0, 3).join(', ')} uses it.`,
  );
}
