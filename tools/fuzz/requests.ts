import fc from 'fast-check';
import { documentTag } from '@kettle-scale/core/document';
import type { Random } from '@kettle-scale/simulation';
import { type JsonSchema, inlined, valuesOf } from './schemaValues';
import { spoilJson, spoilText } from './spoil';

/** What is sent, and what it was made from. */
export interface Asked {
  method: string;
  path: string;
  body?: string;
  type?: string;
  ifMatch?: string;
}

interface Parameter {
  name: string;
  in: 'path' | 'query' | 'header';
  schema: JsonSchema;
}
interface Operation {
  parameters?: Parameter[];
  requestBody?: { content: Record<string, { schema: JsonSchema }> };
}
export interface OpenApi {
  paths: Record<string, Record<string, Operation>>;
  components: { schemas: Record<string, JsonSchema> };
}

const JSON_TYPE = 'application/json';
const LINES_TYPE = 'application/x-ndjson';
/** Shares of what is sent as the schema has it, with something wrong, and as no JSON at all. */
const SHARES = { right: 0.45, known: 0.5, torn: 0.12, otherType: 0.04, everyQuery: 0.5 } as const;
const ODD_PARTS = [
  '..',
  '%2e%2e',
  '%00',
  '%',
  '%ff',
  'a'.repeat(3000),
  '__proto__',
  "'",
  '-1',
  ' ',
  '\u202e',
  '∞',
];
/** Addresses that are in no document: pages, files, streams. */
const BESIDE = [
  '/',
  '/trust',
  '/pair',
  '/api/v1/nothing',
  '/api/v1/stream?devices=nothing',
  '/api/v2',
  '/favicon.ico',
  '//',
];

/** Makes requests to every address of the document, from its schemas and from what the kitchen answered itself. */
export function openRequests(
  api: OpenApi,
  known: { ids: string[]; documents: unknown[]; backup: string },
  random: Random,
) {
  const operations = Object.entries(api.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, operation]) => ({ path, method: method.toUpperCase(), operation })),
  );
  const named = Object.fromEntries(
    Object.entries(api.components.schemas).map(([name, schema]) => [`#/components/schemas/${name}`, schema]),
  );
  const made = new Map<JsonSchema, fc.Arbitrary<unknown>>();
  const sample = (schema: JsonSchema): unknown => {
    const values = made.get(schema) ?? valuesOf(inlined(schema, named));
    made.set(schema, values);
    const [value] = fc.sample(values, { numRuns: 1, seed: random.int(0, 2 ** 31 - 1) });
    return value;
  };

  const partOf = ({ schema }: Parameter): string => {
    if (random.chance(SHARES.known)) return encodeURIComponent(random.pick(known.ids));
    if (random.chance(0.4)) return random.pick(ODD_PARTS);
    return encodeURIComponent(String(sample(schema)).replace(/[\ud800-\udfff]/g, ''));
  };
  const queryOf = (parameters: readonly Parameter[]): string => {
    const words = parameters
      .filter(() => random.chance(SHARES.everyQuery))
      .map((parameter) => `${parameter.name}=${partOf(parameter)}`);
    return words.length > 0 ? `?${words.join('&')}` : '';
  };

  function bodyOf(schema: JsonSchema): string {
    const value = random.chance(0.3) ? random.pick(known.documents) : sample(schema);
    const text = JSON.stringify(random.chance(SHARES.right) ? value : spoilJson(value, random)) ?? '';
    return random.chance(SHARES.torn) ? spoilText(text, random) : text;
  }

  /** The version of something that the kitchen has, or none that there ever was. */
  const versionOf = (): string =>
    random.chance(SHARES.known)
      ? `"${documentTag(random.pick(known.documents))}"`
      : random.pick(['"0000000000000000"', '*', 'W/"x"', '"', '∞'.repeat(3)].map(encodeURI));

  function ofDocument(): Asked {
    const { path, method, operation } = random.pick(operations);
    const { parameters = [] } = operation;
    const full = path.replace(/\{(\w+)\}/g, (_all, name: string) => {
      const parameter = parameters.find((one) => one.in === 'path' && one.name === name);
      return parameter ? partOf(parameter) : 'x';
    });
    const address = full + queryOf(parameters.filter((one) => one.in === 'query'));
    const schema = operation.requestBody?.content[JSON_TYPE]?.schema;
    if (!schema) return { method, path: address };
    const type = random.chance(SHARES.otherType)
      ? random.pick(['text/plain', LINES_TYPE, 'application/json; charset=utf-16'])
      : JSON_TYPE;
    const ifMatch = parameters.some(({ name }) => name === 'If-Match') ? { ifMatch: versionOf() } : {};
    return { method, path: address, body: bodyOf(schema), type, ...ifMatch };
  }

  /** A backup whose lines were spoiled; what is in it would replace the kitchen. */
  function ofBackup(): Asked {
    const lines = known.backup.split('\n');
    const at = random.int(0, lines.length - 1);
    const body = random.chance(0.5)
      ? spoilText(known.backup, random)
      : lines.with(at, spoilText(lines[at] ?? '', random)).join('\n');
    return {
      method: 'POST',
      path: `/api/v1/backup${random.pick(['', '?replace=true', '?replace=maybe'])}`,
      body,
      type: LINES_TYPE,
    };
  }

  return {
    count: operations.length,
    next: (): Asked => {
      if (random.chance(0.02)) return ofBackup();
      if (random.chance(0.03))
        return {
          method: random.pick(['GET', 'PUT', 'PATCH', 'TRACE', 'OPTIONS']),
          path: random.pick(BESIDE),
        };
      return ofDocument();
    },
  };
}
