import { type FormulaVersion, formulaVersionSchema } from '@kettle-scale/core/document';
import { checkWorkable, formulaSchema, type Formula } from '@kettle-scale/core/formula';
import { InputError, textField, message } from '@kettle-scale/core/message';
import { z } from 'zod';
import type { Guard } from '../db/guard';
import { HttpProblem, notFound } from '../http/problem';
import { idParams, versionParams } from '../http/params';
import { route, type Route } from '../http/route';
import type { IngredientStore } from '../ingredients/store';
import type { Around } from '../live/hub';
import type { FormulaStore } from './store';

const saveSchema = z.strictObject({
  formula: formulaSchema,
  reason: textField('Reason', { min: 1, max: 200 }),
});

const archivedSchema = z.strictObject({ archived: z.boolean() });

const etagOf = ({ formula }: FormulaVersion): string => `"${formula.version}"`;
const withTag = (version: FormulaVersion, status: number) => ({
  status,
  body: version,
  etag: etagOf(version),
});
/** The number in a tag of ours; 0, which no version has, for any other. */
const versionOf = (tag: string): number => Number(/^(?:W\/)?"(\d+)"$/.exec(tag.trim())?.[1] ?? 0);

/** Reading the book: what is current, and what was. */
const readingRoutes = (store: FormulaStore): Route[] => [
  route({
    method: 'get',
    path: '/formulas',
    summary: 'The current version of every formula that is not put away',
    response: z.array(formulaSchema),
    run: () => store.list(),
  }),
  route({
    method: 'get',
    path: '/formulas/:id',
    summary: 'The current version of a formula',
    params: idParams,
    response: formulaSchema,
    run: async ({ params }) => {
      const found = await store.current(params.id);
      if (!found) throw notFound('This formula');
      return { status: 200, body: found.formula, etag: etagOf(found) };
    },
  }),
  route({
    method: 'get',
    path: '/formulas/:id/versions',
    summary: 'All versions of a formula, the newest first',
    params: idParams,
    response: z.array(formulaVersionSchema),
    run: async ({ params }) => {
      const history = await store.history(params.id);
      if (history.length === 0) throw notFound('This formula');
      return history;
    },
  }),
  route({
    method: 'get',
    path: '/formulas/:id/versions/:version',
    summary: 'One version of a formula',
    params: versionParams,
    response: formulaVersionSchema,
    run: async ({ params }) => {
      const found = await store.get(params.id, params.version);
      if (!found) throw notFound('This version');
      return found;
    },
  }),
];

/** A formula is stored only when this kitchen can work it. */
const workable =
  (formula: Formula, ingredients: IngredientStore): Guard =>
  async (transaction) =>
    checkWorkable([{ formula, path: 'formula' }], await ingredients.list(transaction));

const savedMeanwhile = (current: FormulaVersion, after: number): HttpProblem =>
  new HttpProblem(
    412,
    message(
      'Someone saved version {theirs, number} while you worked on version {yours, number}. Both are here; choose.',
      { theirs: current.formula.version, yours: after },
    ),
    [],
    current,
  );

/** Writing the book; whatever is stored is told to every screen. */
function savingRoutes(store: FormulaStore, ingredients: IngredientStore, { hub, now }: Around): Route[] {
  const changed = () => hub.publish({ type: 'book' });
  return [
    route({
      method: 'put',
      path: '/formulas/:id/archived',
      summary: 'Put a formula away, or take it out again; nothing is lost',
      for: 'lead',
      params: idParams,
      body: archivedSchema,
      response: archivedSchema,
      run: async ({ params, body }) => {
        if (!(await store.archive(params.id, body.archived ? now().toISOString() : null))) {
          throw notFound('This formula');
        }
        changed();
        return body;
      },
    }),
    route({
      method: 'post',
      path: '/formulas',
      summary: 'Add a formula; it becomes version 1',
      for: 'lead',
      body: saveSchema,
      response: formulaVersionSchema,
      status: 201,
      run: async ({ body }) => {
        const guard = workable(body.formula, ingredients);
        const saved = await store.create(body.formula, body.reason, now().toISOString(), guard);
        if (saved.as === 'saved') {
          changed();
          return withTag(saved.version, 201);
        }
        throw new HttpProblem(
          409,
          message('There is already a formula “{id}”.', { id: { name: body.formula.id } }),
          [{ path: 'formula.id', message: 'This id is taken; choose another or save a new version.' }],
        );
      },
    }),
    route({
      method: 'post',
      path: '/formulas/:id/versions',
      versioned: true,
      summary: 'Save a formula as its next version; If-Match names the version it was made from',
      for: 'lead',
      params: idParams,
      body: saveSchema,
      response: formulaVersionSchema,
      status: 201,
      run: async ({ params, body, ifMatch }) => {
        if (body.formula.id !== params.id) {
          throw InputError.at('formula.id', 'The id in the document and in the address differ.');
        }
        if (ifMatch === null) {
          throw new HttpProblem(
            428,
            'Name the version you changed in If-Match, so that nobody’s work is overwritten.',
          );
        }
        const after = versionOf(ifMatch);
        const guard = workable(body.formula, ingredients);
        const saved = await store.saveAfter(body.formula, body.reason, now().toISOString(), after, guard);
        if (saved.as === 'saved') {
          changed();
          return withTag(saved.version, 201);
        }
        if (saved.as !== 'newer') throw notFound('This formula');
        throw savedMeanwhile(saved.current, after);
      },
    }),
  ];
}

export const formulaRoutes = (store: FormulaStore, ingredients: IngredientStore, around: Around): Route[] => [
  ...savingRoutes(store, ingredients, around),
  ...readingRoutes(store),
];
