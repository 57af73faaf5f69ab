import stableStringify from 'fast-json-stable-stringify';

type Json = Record<string, unknown>;

/** A field that two people changed to different values. */
export interface Difference {
  /** Keys to the field; an entry of a list by its id. */
  path: readonly string[];
  /** As it was before both; undefined where it was not there. */
  before: unknown;
  mine: unknown;
  theirs: unknown;
}

/** What became of two changes to one document. */
export interface Merged<T> {
  /** Both changes in one; where they differ, mine. */
  document: T;
  differences: Difference[];
}

const same = (a: unknown, b: unknown): boolean =>
  a === b ||
  (a !== undefined && b !== undefined && stableStringify(asJson(a)) === stableStringify(asJson(b)));
/** What is undefined in an object counts as missing, as it does in JSON. */
const asJson = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
/** What an entry of a list is known by: its own id, or that of the formula it is about. */
const idOf = (entry: unknown): string | null => {
  const id = isObject(entry) ? (entry.id ?? entry.formulaId) : null;
  return typeof id === 'string' ? id : null;
};
/** A list whose entries are told apart by an id; null for any other. */
function byId(value: unknown): Json | null {
  if (!Array.isArray(value)) return null;
  const entries = value.flatMap((one: unknown): [string, unknown][] => {
    const id = idOf(one);
    return id === null ? [] : [[id, one]];
  });
  const all = Object.fromEntries(entries);
  // Two entries under one id: by it one of them would be lost.
  return Object.keys(all).length === value.length ? all : null;
}
/** What is worked out as one: half of one plan and half of another is none. */
const WHOLE: ReadonlySet<string> = new Set(['plan', 'need', 'conditions', 'readings']);

/** Fields of three objects, each merged by itself. */
function mergeFields(
  [before, mine, theirs]: readonly [Json, Json, Json],
  path: readonly string[],
  differences: Difference[],
): Json {
  const keys = new Set([...Object.keys(theirs), ...Object.keys(mine)]);
  return Object.fromEntries(
    [...keys].flatMap((key) => {
      const value = mergeValue([before[key], mine[key], theirs[key]], [...path, key], differences);
      return value === undefined ? [] : [[key, value]];
    }),
  );
}

function mergeValue(
  [before, mine, theirs]: readonly [unknown, unknown, unknown],
  path: readonly string[],
  differences: Difference[],
): unknown {
  if (same(mine, before)) return theirs;
  if (same(theirs, before) || same(mine, theirs)) return mine;
  const whole = WHOLE.has(path.at(-1) ?? '');
  if (!whole && isObject(mine) && isObject(theirs)) {
    return mergeFields([isObject(before) ? before : {}, mine, theirs], path, differences);
  }
  const [mineById, theirsById] = [byId(mine), byId(theirs)];
  if (mineById && theirsById) {
    return Object.values(mergeFields([byId(before) ?? {}, mineById, theirsById], path, differences));
  }
  differences.push({ path, before, mine, theirs });
  return mine;
}

/**
 * Puts two changes of one document together, field by field and, in lists whose entries have ids, entry by entry. A plan is one
 * value.
 * @param before the document that both began with
 * @param mine as I changed it
 * @param theirs as somebody else changed it meanwhile
 * @returns both in one, and the fields that both changed to something else
 */
export function mergeChanges<T extends object>(before: T, mine: T, theirs: T): Merged<T> {
  const differences: Difference[] = [];
  const parts = [before as Json, mine as Json, theirs as Json] as const;
  return { document: mergeFields(parts, [], differences) as T, differences };
}
