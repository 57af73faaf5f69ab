/** Longest stem of an id; the schema takes 60 letters, and a number may follow. */
const MOST_LETTERS = 56;

/**
 * Names something in an address: small letters, digits, hyphens.
 * @param name any name
 */
export const slugOf = (name: string): string =>
  name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .slice(0, MOST_LETTERS)
    .replace(/^-+|-+$/g, '') || 'formula';

/**
 * An id like the wanted one that is not taken: oil, oil-2, oil-3.
 * @param wanted the id that is liked
 * @param taken ids in use
 */
export function freeId(wanted: string, taken: ReadonlySet<string>): string {
  const stem = wanted.slice(0, MOST_LETTERS).replace(/-+$/, '');
  if (!taken.has(stem)) return stem;
  for (let count = 2; ; count += 1) if (!taken.has(`${stem}-${count}`)) return `${stem}-${count}`;
}
