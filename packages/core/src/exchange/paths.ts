import { InputError } from '../message/problem';

export type Segment = string | number;

const PART = /([A-Za-z][A-Za-z0-9]*)|\[(\d{1,4})\]/g;
const FORBIDDEN: ReadonlySet<string> = new Set(['__proto__', 'constructor', 'prototype']);

/** Reads `lines[2].measure.gMl`; null for what is not such a path. */
export function segmentsOf(path: string): Segment[] | null {
  const segments = [...path.matchAll(PART)].map(([, name, index]) => name ?? Number(index));
  const written = segments.reduce<string>(
    (text, part) => (typeof part === 'number' ? `${text}[${part}]` : text ? `${text}.${part}` : part),
    '',
  );
  const safe = segments.every((part) => typeof part === 'number' || !FORBIDDEN.has(part));
  return written === path && safe ? segments : null;
}

/** Every leaf of a document with its path; empty lists and objects are leaves too. */
export function leavesOf(value: unknown, path = ''): [path: string, value: unknown][] {
  if (typeof value !== 'object' || value === null) return [[path, value]];
  const entries: [string, unknown][] = Array.isArray(value)
    ? value.map((entry, index) => [`${path}[${index}]`, entry])
    : Object.entries(value)
        .filter(([, entry]) => entry !== undefined)
        .map(([key, entry]) => [path ? `${path}.${key}` : key, entry]);
  return entries.length === 0 ? [[path, value]] : entries.flatMap(([key, entry]) => leavesOf(entry, key));
}

type Branch = Record<string, unknown> | unknown[];

/**
 * Sets a leaf in a document being built, making the lists and objects on the way.
 * @throws InputError when the path is none, or runs through a value already set
 */
export function setLeaf(root: Branch, path: string, value: unknown): void {
  const segments = segmentsOf(path);
  const last = segments?.at(-1);
  if (!segments || last === undefined) throw InputError.at(path, `“${path}” is not the name of a field.`);
  let branch: Branch = root;
  segments.slice(0, -1).forEach((part, index) => {
    const next: Branch = typeof segments[index + 1] === 'number' ? [] : {};
    const here = read(branch, part);
    if (here === undefined) write(branch, part, next);
    const following = read(branch, part);
    if (typeof following !== 'object' || following === null) {
      throw InputError.at(path, `“${path}” is a field of something that is no group of fields.`);
    }
    branch = following as Branch;
  });
  write(branch, last, value);
}

const read = (branch: Branch, part: Segment): unknown => (branch as Record<Segment, unknown>)[part];
const write = (branch: Branch, part: Segment, value: unknown): void => {
  (branch as Record<Segment, unknown>)[part] = value;
};
