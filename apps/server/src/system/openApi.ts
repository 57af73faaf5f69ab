import { batchSchema, batchSummarySchema, eventSchema } from '@kettle-scale/core/batch';
import { formulaVersionSchema } from '@kettle-scale/core/document';
import { flourLotSchema } from '@kettle-scale/core/flourLot';
import { formulaSchema } from '@kettle-scale/core/formula';
import { ingredientSchema } from '@kettle-scale/core/ingredient';
import { kitchenSchema } from '@kettle-scale/core/kitchen';
import { wordsSchema } from '@kettle-scale/core/message';
import { planSchema, savedPlanSchema } from '@kettle-scale/core/plan';
import { serviceRecordSchema } from '@kettle-scale/core/shift';
import { z } from 'zod';
import { APP_HEADER, COOKIE } from '../access/gate';
import type { Route } from '../http/route';
import { OTHER_PATHS } from './otherPaths';
import { type Io, componentsOf, pointerTo } from './schemaComponents';

const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })),
  current: z.unknown().optional(),
  instead: z.string().optional(),
});

/** What many addresses take or give stands once, by its name. */
const NAMED: Readonly<Record<string, z.ZodType>> = {
  Batch: batchSchema,
  BatchEvent: eventSchema,
  BatchSummary: batchSummarySchema,
  FlourLot: flourLotSchema,
  Formula: formulaSchema,
  FormulaVersion: formulaVersionSchema,
  Ingredient: ingredientSchema,
  Kitchen: kitchenSchema,
  Plan: planSchema,
  Problem: problemSchema,
  SavedPlan: savedPlanSchema,
  ServiceRecord: serviceRecordSchema,
  Words: wordsSchema,
};

/** Whoever asks from the server's own screen needs no key, hence the empty choice. */
const SECURITY = [{ phoneKey: [] }, { deviceKey: [] }, {}];
const SECURITY_SCHEMES = {
  phoneKey: { type: 'apiKey', in: 'cookie', name: COOKIE, description: 'The key of a phone that was paired' },
  deviceKey: { type: 'http', scheme: 'bearer', description: 'The key of a device’s bridge' },
};

const SAFE = 'get';
/** A change says what sends it, so that no page from elsewhere can make one. */
const appHeader = {
  name: APP_HEADER,
  in: 'header',
  required: true,
  description: 'What sends the change, in a word',
  schema: { type: 'string' },
};
const ifMatchHeader = {
  name: 'If-Match',
  in: 'header',
  required: false,
  description: 'The version that was changed, as its ETag says; needed where there is one already',
  schema: { type: 'string' },
};

/** `get /batches/:id/events` is `getBatchesByIdEvents`. */
const operationIdOf = ({ method, path }: Route): string =>
  method +
  path
    .split(/[/.-]/)
    .filter(Boolean)
    .map((part) => part.replace(/^:/, 'by-'))
    .flatMap((part) => part.split('-'))
    .map((word) => `${word.charAt(0).toUpperCase()}${word.slice(1)}`)
    .join('');

const parametersOf = (object: z.ZodObject | undefined, where: 'path' | 'query') =>
  Object.entries(object?.shape ?? {}).map(([name, schema]) => {
    const { $schema: _dialect, ...plain } = z.toJSONSchema(schema as z.ZodType, { io: 'input' });
    const required = where === 'path' || !(schema as z.ZodType).safeParse(undefined).success;
    return { name, in: where, required, schema: plain };
  });

/** Where the schema of a body or an answer stands. */
const nameOf = (route: Route, io: Io): string =>
  `${operationIdOf(route)}${io === 'input' ? 'Body' : 'Answer'}`;

function operationOf(route: Route, refTo: (schema: z.ZodType, name: string, io: Io) => object): object {
  const { summary, method, params, query, body, response, status = 200, type = 'application/json' } = route;
  const content = (schema: z.ZodType, io: Io) => ({ schema: refTo(schema, nameOf(route, io), io) });
  return {
    operationId: operationIdOf(route),
    summary,
    security: route.for === 'anyone' ? [] : SECURITY,
    parameters: [
      ...parametersOf(params, 'path'),
      ...parametersOf(query, 'query'),
      ...(method === SAFE ? [] : [appHeader]),
      ...(route.versioned ? [ifMatchHeader] : []),
    ],
    ...(body
      ? { requestBody: { required: true, content: { 'application/json': content(body, 'input') } } }
      : {}),
    responses: {
      [status]: { description: 'Done', content: { [type]: content(response, 'output') } },
      '4XX': { $ref: '#/components/responses/Refused' },
    },
  };
}

/** The OpenAPI 3.1 document of the routes. */
export function openApiDocument(routes: readonly Route[], version: string): object {
  const { refTo, schemas } = componentsOf(NAMED);
  const paths: Record<string, Record<string, object>> = {};
  for (const route of routes) {
    const path = `/api/v1${route.path.replace(/:(\w+)/g, '{$1}')}`;
    paths[path] = { ...paths[path], [route.method]: operationOf(route, refTo) };
  }
  const problem = refTo(problemSchema, 'Problem', 'output');
  const all = schemas();
  const document = JSON.stringify([paths, problem, all]);
  // A named part that is only answered, or only sent, is not shown as the other.
  const used = Object.entries(all).filter(([id]) => document.includes(JSON.stringify(pointerTo(id))));
  return {
    openapi: '3.1.0',
    info: {
      title: 'Kettle Scale',
      version,
      summary: 'A kitchen’s own server: formulas, plans, batches and what they teach.',
      license: { name: 'MIT', identifier: 'MIT' },
    },
    servers: [{ url: '/', description: 'The kitchen that gives this document' }],
    security: SECURITY,
    paths: { ...paths, ...OTHER_PATHS },
    components: {
      securitySchemes: SECURITY_SCHEMES,
      responses: {
        Refused: {
          description: 'Refused: RFC 9457, with the fields that were wrong',
          content: { 'application/problem+json': { schema: problem } },
        },
      },
      schemas: Object.fromEntries(used),
    },
  };
}
