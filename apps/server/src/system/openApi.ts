import {
  OpenAPIRegistry,
  OpenApiGeneratorV31,
  type RouteConfig,
  extendZodWithOpenApi,
} from '@asteasolutions/zod-to-openapi';
import { z } from 'zod';
import type { Route } from '../http/route';

extendZodWithOpenApi(z);

const problemSchema = z.object({
  type: z.string(),
  title: z.string(),
  status: z.number().int(),
  detail: z.string(),
  errors: z.array(z.object({ path: z.string(), message: z.string() })),
});

const json = (schema: z.ZodType) => ({ 'application/json': { schema } });

function pathConfig({
  method,
  path,
  summary,
  params,
  query,
  body,
  response,
  status = 200,
}: Route): RouteConfig {
  return {
    method,
    path: `/api/v1${path.replace(/:(\w+)/g, '{$1}')}`,
    summary,
    request: {
      ...(params ? { params } : {}),
      ...(query ? { query } : {}),
      ...(body ? { body: { content: json(body), required: true } } : {}),
    },
    responses: {
      [status]: { description: 'Done', content: json(response) },
      '4XX': {
        description: 'Refused: RFC 9457, with the fields that were wrong',
        content: { 'application/problem+json': { schema: problemSchema } },
      },
    },
  };
}

/** The OpenAPI 3.1 document of the routes. */
export function openApiDocument(routes: readonly Route[], version: string): object {
  const registry = new OpenAPIRegistry();
  for (const route of routes) registry.registerPath(pathConfig(route));
  return new OpenApiGeneratorV31(registry.definitions).generateDocument({
    openapi: '3.1.0',
    info: { title: 'Kettle Scale', version, license: { name: 'MIT' } },
  });
}
