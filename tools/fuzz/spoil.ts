import type { Random } from '@kettle-scale/simulation';

/** What nobody sends on purpose: the ends of numbers, letters that tools trip over, names that JavaScript knows. */
const NASTY: readonly unknown[] = [
  ...[null, true, 0, -1, -0.1, 1e308, -1e308, 5e-324, 2 ** 53, 1e21, 999_999_999_999],
  ...[
    '',
    ' ',
    '\u0000',
    '\u202e',
    '\ud800',
    '\uffff',
    '﷽',
    '0x1f',
    '1e999',
    'NaN',
    '-',
    '1,5',
    '../../etc/passwd',
  ],
  ...['%00', '%2e%2e%2f', '=1+1', "';--", '<b>', '${7*7}', '__proto__', 'constructor', 'toString'],
  ...[
    '0000-00-00',
    '9999-12-31T23:59:59.999Z',
    '+275760-09-13T00:00:00.000Z',
    '2026-02-30',
    '2026-03-29T01:30:00',
  ],
  ...[[], {}, [[]], [null], { length: 1 }, { toJSON: 1 }, {}],
];
const LONG = 20_000;
const MANY = 300;
/** Deeper than the server reads. */
const DEEP = 200;

const deep = (): unknown => {
  let value: unknown = 0;
  for (let level = 0; level < DEEP; level += 1) value = [value];
  return value;
};

/** A copy: what is put into a document may be spoiled in turn, and must not come to hold itself. */
const odd = (random: Random): unknown =>
  random.chance(0.06) ? 'x'.repeat(LONG) : random.chance(0.03) ? deep() : structuredClone(random.pick(NASTY));

/** Every list and object inside of a value. */
function holders(value: unknown): (Record<string, unknown> | unknown[])[] {
  if (typeof value !== 'object' || value === null) return [];
  const holder = value as Record<string, unknown> | unknown[];
  return [holder, ...Object.values(holder).flatMap(holders)];
}

type Spoil = (holder: Record<string, unknown>, key: string, random: Random) => void;
const WAYS: readonly Spoil[] = [
  (holder, key, random) => void (holder[key] = odd(random)),
  (holder, key) => void Reflect.deleteProperty(holder, key),
  (holder, key, random) => void (holder[`${key}${random.int(0, 9)}`] = holder[key]),
  (holder, key) => void (holder[key] = [holder[key]]),
  (holder, key) => void (holder[key] = { [key]: holder[key] }),
  (holder, key) => void (holder[key] = String(holder[key])),
  (holder, key, random) => {
    if (typeof holder[key] === 'number') holder[key] = holder[key] * random.pick([-1, 0, 1e-9, 10, 1e9]);
  },
  (holder, key) => {
    if (Array.isArray(holder[key]))
      holder[key] = Array.from({ length: MANY }, () => (holder[key] as unknown[])[0] ?? 0);
  },
];

/**
 * A document with a few things wrong.
 * @param value JSON; it is not changed itself
 */
export function spoilJson(value: unknown, random: Random): unknown {
  const spoiled = JSON.parse(JSON.stringify([value ?? null])) as unknown[];
  for (let times = random.int(1, 3); times > 0; times -= 1) {
    const holder = random.pick(holders(spoiled)) as Record<string, unknown>;
    const keys = Object.keys(holder);
    const key = keys.length > 0 ? random.pick(keys) : 'x';
    random.pick(WAYS)(holder, key, random);
  }
  return spoiled[0];
}

/** A text with a few things wrong: cut off, torn, doubled, with letters from elsewhere. */
export function spoilText(text: string, random: Random): string {
  let spoiled = text;
  for (let times = random.int(1, 4); times > 0; times -= 1) {
    const at = random.int(0, Math.max(0, spoiled.length));
    const to = Math.min(spoiled.length, at + random.int(0, 40));
    const [before, piece, after] = [spoiled.slice(0, at), spoiled.slice(at, to), spoiled.slice(to)];
    const word = JSON.stringify(random.pick(NASTY));
    spoiled = random.pick([
      before,
      before + after,
      before + piece + piece + after,
      before + word + after,
      before + word.repeat(50) + after,
      after + before,
      spoiled.replaceAll('\n', random.pick(['\r\n', '\r', '', ';', '\u2028'])),
      before + String.fromCharCode(random.int(0, 0xffff)) + after,
    ]);
  }
  return spoiled;
}
