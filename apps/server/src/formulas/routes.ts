import { InputError, formulaSchema, resolveLines, textField, type Formula } from '@kettle-scale/core';
import { z } from 'zod';
import { HttpProblem, notFound } from '../http/problem';
import { idParams, versionParams } from '../http/params';
import { route, type Route } from '../http/route';
import type { IngredientStore } from '../ingredients/store';
import type { FormulaStore } from './store';

const versionSchema = z.strictObject({ formula: formulaSchema, reason: z.string(), savedAt: z.string() });

const saveSchema = z.strictObject({
  formula: formulaSchema,
  reason: textField('Reason', { min: 1, max: 200 }),
});

export function formulaRoutes(store: FormulaStore, ingredients: IngredientStore, now: () => Date): Route[] {
  /** A formula is stored only when this kitchen can work it. */
  const check = async (formula: Formula): Promise<void> => {
    try {
      resolveLines(formula, await ingredients.list());
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      throw new InputError(error.problems.map((p) => ({ ...p, path: `formula.${p.path}` })));
    }
  };

  return [
    route({
      method: 'get',
      path: '/formulas',
      summary: 'The current version of every formula',
      response: z.array(formulaSchema),
      run: () => store.list(),
    }),
    route({
      method: 'post',
      path: '/formulas',
      summary: 'Add a formula; it becomes version 1',
      body: saveSchema,
      response: versionSchema,
      status: 201,
      run: async ({ body }) => {
        await check(body.formula);
        const saved = await store.save(body.formula, body.reason, now().toISOString(), true);
        if (saved) return saved;
        throw new HttpProblem(409, `There is already a formula “${body.formula.id}”.`, [
          { path: 'formula.id', message: 'This id is taken; choose another or save a new version.' },
        ]);
      },
    }),
    route({
      method: 'get',
      path: '/formulas/:id',
      summary: 'The current version of a formula',
      params: idParams,
      response: formulaSchema,
      run: async ({ params }) => {
        const version = await store.currentVersion(params.id);
        const found = version === null ? null : await store.get(params.id, version);
        if (!found) throw notFound('This formula');
        return found.formula;
      },
    }),
    route({
      method: 'get',
      path: '/formulas/:id/versions',
      summary: 'All versions of a formula, the newest first',
      params: idParams,
      response: z.array(versionSchema),
      run: async ({ params }) => {
        const history = await store.history(params.id);
        if (history.length === 0) throw notFound('This formula');
        return history;
      },
    }),
    route({
      method: 'post',
      path: '/formulas/:id/versions',
      summary: 'Save a formula as its next version',
      params: idParams,
      body: saveSchema,
      response: versionSchema,
      status: 201,
      run: async ({ params, body }) => {
        if (body.formula.id !== params.id) {
          throw InputError.at('formula.id', 'The id in the document and in the address differ.');
        }
        await check(body.formula);
        const saved = await store.save(body.formula, body.reason, now().toISOString(), false);
        if (!saved) throw notFound('This formula');
        return saved;
      },
    }),
    route({
      method: 'get',
      path: '/formulas/:id/versions/:version',
      summary: 'One version of a formula',
      params: versionParams,
      response: versionSchema,
      run: async ({ params }) => {
        const found = await store.get(params.id, params.version);
        if (!found) throw notFound('This version');
        return found;
      },
    }),
  ];
}
