import { z } from 'zod';
import { type Words, asText, message, sameWords } from './message';
import { wordsSchema } from './wordsSchema';
import { problemsOf } from './problem';
import { ENGLISH, ENGLISH_US, type Reader } from './reader';
import { writeWords } from './writeWords';

const NB = '\u00a0';
/** A made-up language: what it has no text for stays English. */
const OTHER: Reader = {
  ...{ units: 'metric', locale: 'es' },
  texts: {
    'Plate {difference} hotter.': 'Hotter by {difference}, the plate.',
    '{balls, plural, one {# ball} other {# balls}} of {dough}':
      '{dough}: {balls, plural, one {# round} other {# rounds}}',
    Butter: 'Fat of milk',
    ' + ': ' & ',
  },
};

test.each<[string, Words, string, string]>([
  ['a mass as fine as its scale', { g: 67.44, stepG: 0.1 }, `67.4${NB}g`, `2.38${NB}oz`],
  ['a temperature', { tempC: 200 }, `200${NB}°C`, `392${NB}°F`],
  ['a difference, which has no zero', { kelvin: -10 }, `10${NB}°C`, `18${NB}°F`],
  ['how fast it changes', { kelvinPerMin: 1 }, `1.0${NB}°C/min`, `1.8${NB}°F/min`],
  ['a thickness', { thicknessMm: 2 }, `2.00${NB}mm`, `0.079${NB}in`],
  ['a span', { s: 5400 }, `1${NB}h 30${NB}min`, `1${NB}h 30${NB}min`],
  ['points with their sign', { points: -0.7, signed: true }, `−0.7${NB}points`, `−0.7${NB}points`],
  [
    'a bound beside its unit',
    message('{low} to {unit}', { low: { bound: 1000, of: 'g' }, unit: { unitOf: 'g' } }),
    '1,000 to g',
    '35.27 to oz',
  ],
  ['a density', { gPerMl: 1.08 }, `1.080${NB}g/ml`, `9.01${NB}oz/cup`],
])('%s is written in the reader’s units', (_what, words, metric, us) => {
  expect(writeWords(words, ENGLISH)).toBe(metric);
  expect(writeWords(words, ENGLISH_US)).toBe(us);
});

test('holes, plurals, lists and letters are the language’s own; names are said as they are', () => {
  const balls = (count: number) =>
    message('{balls, plural, one {# ball} other {# balls}} of {dough}', { balls: count, dough: 'Butter' });
  expect(writeWords(balls(1), ENGLISH)).toBe('1 ball of Butter');
  expect(writeWords(balls(1200), ENGLISH)).toBe('1,200 balls of Butter');
  expect(writeWords(balls(2), OTHER)).toBe('Fat of milk: 2 rounds');
  expect(writeWords(message('Plate {difference} hotter.', { difference: { kelvin: 5 } }), OTHER)).toBe(
    `Hotter by 5${NB}°C, the plate.`,
  );
  const both = (value: Parameters<typeof message>[1][string]) =>
    writeWords(message('{it}', { it: value }), OTHER);
  expect(both({ name: 'Butter' })).toBe('Butter');
  expect(both({ list: ['a', 'b', 'c'], as: 'and' })).toBe('a, b y c');
  expect(both({ list: [1, 2], glue: ' + ' })).toBe('1 & 2');
  expect(both({ capital: { lower: 'Butter' } })).toBe('Fat of milk');
  expect(both({ figure: 1234.5, decimals: 1 })).toBe('1234,5');
});

test('what a document from elsewhere holds is shown, whatever it is', () => {
  for (const text of ['{open', 'a {hole} that nothing fills', '{n, plural, one {x}}']) {
    expect(writeWords({ text }, ENGLISH)).toBe(text);
  }
  expect(writeWords('\u0002pasted', ENGLISH)).toBe('\u0002pasted');
  expect(writeWords('\u0002{"text":"a {b}","values":{"b":null}}', ENGLISH)).toBe('a {b}');
  expect(writeWords('An older sentence of 280\u00a0mm.', ENGLISH_US)).toBe(
    'An older sentence of 11.0\u00a0in.',
  );
  for (const words of ['plain', message('{a}', { a: { list: [{ g: 1 }, { lower: 'b' }] } }), { tempC: 20 }]) {
    expect(wordsSchema.parse(JSON.parse(JSON.stringify(words)))).toEqual(words);
  }
  for (const wrong of [7, { text: 7 }, { unknown: 1 }, { text: 'a', more: 1 }]) {
    expect(wordsSchema.safeParse(wrong).success).toBe(false);
  }
});

test('a sentence goes through Zod, which carries only text, and comes out as data', () => {
  const words = message('At most {most, number}.', { most: 3 });
  const { error } = z.array(z.number()).max(0, asText(words)).safeParse([1]);
  expect(error && problemsOf(error)).toEqual([{ path: '', message: words }]);
  expect(writeWords(asText(words), ENGLISH)).toBe('At most 3.');
  expect(sameWords(words, message('At most {most, number}.', { most: 3 }))).toBe(true);
  expect(sameWords(words, message('At most {most, number}.', { most: 4 }))).toBe(false);
});
