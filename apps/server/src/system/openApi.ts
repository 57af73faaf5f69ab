import { z } from 'zod';
import type { Route } from '../http/route';

const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })),
});

/** OpenAPI 3.1 takes JSON Schema 2020-12 as Zod writes it; only the mark of the dialect goes. */
function schemaOf(schema: z.ZodType, io: 'input' | 'output'): object {
  const { $schema: _dialect, ...rest } = z.toJSONSchema(schema, { io });
  return rest;
}

const json = (schema: z.ZodType, io: 'input' | 'output', type = 'application/json') => ({
  [type]: { schema: schemaOf(schema, io) },
});

const parametersOf = (object: z.ZodObject | undefined, where: 'path' | 'query') =>
  Object.entries(object?.shape ?? {}).map(([name, schema]) => ({
    ...{ name, in: where, schema: schemaOf(schema as z.ZodType, 'input') },
    required: where === 'path' || !(schema as z.ZodType).safeParse(undefined).success,
  }));

const operationOf = ({ summary, params, query, body, response, status = 200 }: Route) => ({
  summary,
  parameters: [...parametersOf(params, 'path'), ...parametersOf(query, 'query')],
  ...(body ? { requestBody: { required: true, content: json(body, 'input') } } : {}),
  responses: {
    [status]: { description: 'Done', content: json(response, 'output') },
    '4XX': {
      description: 'Refused: RFC 9457, with the fields that were wrong',
      content: json(problemSchema, 'output', 'application/problem+json'),
    },
  },
});

/** The OpenAPI 3.1 document of the routes. */
export function openApiDocument(routes: readonly Route[], version: string): object {
  const paths: Record<string, Record<string, object>> = {};
  for (const route of routes) {
    const path = `/api/v1${route.path.replace(/:(\w+)/g, '{$1}')}`;
    paths[path] = { ...paths[path], [route.method]: operationOf(route) };
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Kettle Scale', version, license: { name: 'MIT' } },
    paths,
  };
}
