import { z } from 'zod';

/** As it is sent, or as it is read once it was checked. */
export type Io = 'input' | 'output';
type Json = Record<string, unknown>;

const AT = '#/components/schemas/';
/** Where the schema of a name stands in the document. */
export const pointerTo = (id: string): string => AT + id;
/** What Zod finds more than once and nobody has named goes here. */
const SHARED = '__shared';
/** What is sent may leave out what has a default, so it is another schema than what is answered. */
const SUFFIX: Record<Io, string> = { input: 'Sent', output: '' };

/** Puts shared parts, which Zod keeps in a document beside the others, where OpenAPI looks for schemas. */
function flattened({ [SHARED]: shared, ...found }: Record<string, Json>, io: Io): Record<string, Json> {
  const prefix = `Shared${SUFFIX[io]}-`;
  const parts = Object.entries((shared?.$defs ?? {}) as Record<string, Json>);
  const all = { ...found, ...Object.fromEntries(parts.map(([id, part]) => [prefix + id, part])) };
  const moved = JSON.stringify(all).replaceAll(`${AT}${SHARED}#/$defs/`, AT + prefix);
  return Object.fromEntries(
    Object.entries(JSON.parse(moved) as Record<string, Json>).map(([id, schema]) => {
      const { $schema: _dialect, $id: _id, ...plain } = schema;
      return [id, plain];
    }),
  );
}

/**
 * Collects the schemas of a document, each once and by its name.
 * @param named what has a name wherever it stands
 */
export function componentsOf(named: Readonly<Record<string, z.ZodType>>) {
  const registries = { input: z.registry<{ id: string }>(), output: z.registry<{ id: string }>() };
  for (const io of ['input', 'output'] as const) {
    for (const [id, schema] of Object.entries(named))
      registries[io].add(schema, { id: `${id}${SUFFIX[io]}` });
  }
  return {
    /** Where a schema will stand; under this name, unless it has one. */
    refTo: (schema: z.ZodType, name: string, io: Io): object => {
      const registry = registries[io];
      if (!registry.has(schema)) registry.add(schema, { id: name });
      return { $ref: pointerTo(registry.get(schema)?.id ?? name) };
    },
    /** All of them, once every ref was asked for. */
    schemas: (): Record<string, Json> =>
      Object.assign(
        {},
        ...(['input', 'output'] as const).map((io) => {
          const { schemas } = z.toJSONSchema(registries[io], { io, uri: pointerTo });
          return flattened(schemas as Record<string, Json>, io);
        }),
      ) as Record<string, Json>,
  };
}
