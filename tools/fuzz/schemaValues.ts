import fc from 'fast-check';

/** A JSON Schema as far as Zod writes it. */
export interface JsonSchema {
  $ref?: string;
  type?: string | readonly string[];
  const?: unknown;
  enum?: readonly unknown[];
  anyOf?: readonly JsonSchema[];
  oneOf?: readonly JsonSchema[];
  allOf?: readonly JsonSchema[];
  properties?: Record<string, JsonSchema>;
  required?: readonly string[];
  additionalProperties?: JsonSchema | boolean;
  propertyNames?: JsonSchema;
  items?: JsonSchema;
  prefixItems?: readonly JsonSchema[];
  minItems?: number;
  maxItems?: number;
  minLength?: number;
  maxLength?: number;
  minimum?: number;
  maximum?: number;
  exclusiveMinimum?: number;
  exclusiveMaximum?: number;
  pattern?: string;
  format?: string;
}

/**
 * A schema with what it points to in its place; where it comes to itself again, anything.
 * @param named the document's schemas by where they stand
 */
export function inlined(
  schema: JsonSchema,
  named: Readonly<Record<string, JsonSchema>>,
  within: readonly string[] = [],
): JsonSchema {
  const { $ref } = schema;
  if ($ref !== undefined) {
    const target = named[$ref];
    return !target || within.includes($ref) ? {} : inlined(target, named, [...within, $ref]);
  }
  const part = (value: unknown): unknown =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? inlined(value as JsonSchema, named, within)
      : value;
  const each = (properties: Record<string, JsonSchema>) =>
    Object.fromEntries(Object.entries(properties).map(([key, one]) => [key, inlined(one, named, within)]));
  const parts = Object.entries(schema).map(([key, value]): [string, unknown] => {
    if (Array.isArray(value)) return [key, value.map((one: unknown) => part(one))];
    return [key, key === 'properties' ? each(value as Record<string, JsonSchema>) : part(value)];
  });
  return Object.fromEntries(parts) as JsonSchema;
}

/** Lists of a schema are filled with so many at most: one more tells nothing new. */
const MOST_ITEMS = 4;
const MOST_LETTERS = 24;
const LARGEST = 1e7;

const iso = () =>
  fc.date({ min: new Date(0), max: new Date('2099-12-31'), noInvalidDate: true }).map((d) => d.toISOString());
const FORMATS: Record<string, () => fc.Arbitrary<string>> = {
  'date-time': iso,
  date: () => iso().map((text) => text.slice(0, 10)),
  uuid: () => fc.uuid(),
};

function stringOf({
  format,
  pattern,
  minLength = 0,
  maxLength = MOST_LETTERS,
}: JsonSchema): fc.Arbitrary<string> {
  const known = format === undefined ? undefined : FORMATS[format];
  if (known) return known();
  if (pattern !== undefined) return fc.stringMatching(new RegExp(pattern));
  const most = Math.max(minLength, Math.min(maxLength, MOST_LETTERS));
  return fc.string({ minLength, maxLength: most, unit: 'grapheme' });
}

function numberOf(schema: JsonSchema, whole: boolean): fc.Arbitrary<number> {
  const min = schema.minimum ?? schema.exclusiveMinimum ?? -LARGEST;
  const max = Math.max(min, schema.maximum ?? schema.exclusiveMaximum ?? LARGEST);
  const within = whole
    ? fc.integer({ min: Math.ceil(Math.max(min, -LARGEST)), max: Math.floor(Math.min(max, LARGEST)) })
    : fc.double({ min, max, noNaN: true });
  return fc.oneof({ weight: 3, arbitrary: within }, { weight: 1, arbitrary: fc.constantFrom(min, max) });
}

function objectOf(schema: JsonSchema): fc.Arbitrary<unknown> {
  const { properties = {}, required = [], additionalProperties, propertyNames } = schema;
  const known = fc.record(
    Object.fromEntries(Object.entries(properties).map(([name, of]) => [name, valuesOf(of)])),
    { requiredKeys: [...required] },
  );
  if (typeof additionalProperties !== 'object') return known;
  const names = propertyNames?.enum
    ? fc.constantFrom(...(propertyNames.enum as string[]))
    : fc.string({ maxLength: 8 });
  return fc
    .tuple(known, fc.dictionary(names, valuesOf(additionalProperties), { maxKeys: MOST_ITEMS }))
    .map(([own, more]) => ({ ...own, ...more }));
}

function listOf({
  items,
  prefixItems,
  minItems = 0,
  maxItems = MOST_ITEMS,
}: JsonSchema): fc.Arbitrary<unknown> {
  if (prefixItems) return fc.tuple(...prefixItems.map(valuesOf));
  return fc.array(valuesOf(items ?? {}), {
    minLength: minItems,
    maxLength: Math.max(minItems, Math.min(maxItems, MOST_ITEMS)),
  });
}

const OF_TYPE: Record<string, (schema: JsonSchema) => fc.Arbitrary<unknown>> = {
  string: stringOf,
  number: (schema) => numberOf(schema, false),
  integer: (schema) => numberOf(schema, true),
  boolean: () => fc.boolean(),
  null: () => fc.constant(null),
  object: objectOf,
  array: listOf,
};

/**
 * Values that a schema takes, as far as it says: rules that tie two fields together are not in it.
 * @param schema of a body, a part of an address or a query
 */
export function valuesOf(schema: JsonSchema): fc.Arbitrary<unknown> {
  if ('const' in schema) return fc.constant(schema.const);
  if (schema.enum) return fc.constantFrom(...schema.enum);
  const either = schema.anyOf ?? schema.oneOf;
  if (either) return fc.oneof(...either.map(valuesOf));
  if (schema.allOf) {
    return fc
      .tuple(...schema.allOf.map(valuesOf))
      .map((parts) => Object.assign({}, ...(parts as object[])) as unknown);
  }
  const types = typeof schema.type === 'string' ? [schema.type] : (schema.type ?? []);
  const of = types.flatMap((type) => OF_TYPE[type]?.(schema) ?? []);
  return of.length > 0 ? fc.oneof(...of) : fc.jsonValue({ maxDepth: 2 });
}
