import type { Language } from '@kettle-scale/core/message';
import { troublesOf } from './compare';

const of = (texts: Record<string, string>): Language => ({
  ...{ language: 'es', name: 'Español', texts, foods: {}, lists: {} },
  terms: [{ english: 'griddles?', words: ['plancha'], not: ['parrilla'] }],
});
const sources = (...texts: string[]) => ({
  needed: new Map(texts.map((text) => [text, 'screen.tsx:1'])),
  written: new Set(texts),
});

test('a text without an entry, and an entry that nothing says', () => {
  expect(troublesOf(of({ Save: 'Guardar' }), sources('Open'))).toEqual([
    'es: no entry for "Open" (screen.tsx:1)',
    'es: "Save" is said nowhere',
  ]);
});

test('holes must be the same; a plural of a number stands for it', () => {
  const count = '{pieces, number} pieces of {mass}';
  const right = '{pieces, plural, one {# pieza} other {# piezas}} de {mass}';
  expect(troublesOf(of({ [count]: right }), sources(count))).toEqual([]);
  for (const wrong of [
    '{pieces} piezas',
    '{pieces, number} piezas de {masa}',
    '{pieces, plural, one {# pieza}}',
  ])
    expect(troublesOf(of({ [count]: wrong }), sources(count))).toEqual([
      expect.stringContaining('has other holes'),
    ]);
});

test('spaces at the ends are kept: the text is joined to others there', () => {
  expect(troublesOf(of({ ' · archived': 'archivada' }), sources(' · archived'))).toEqual([
    'es: " · archived" begins or ends with other spaces',
  ]);
});

test('a term of the trade is said in the glossary’s word; the name of a hole and a quoted name are no terms', () => {
  const texts = ['Add a griddle', 'on {griddle}', 'name it “griddle”'];
  const said = (add: string) =>
    troublesOf(
      of({ 'Add a griddle': add, 'on {griddle}': 'en {griddle}', 'name it “griddle”': 'nómbralo “griddle”' }),
      sources(...texts),
    );
  expect(said('Añadir una plancha')).toEqual([]);
  expect(said('Añadir un comal')).toEqual([expect.stringContaining('“griddles?” is plancha')]);
  expect(said('Añadir una plancha o parrilla')).toEqual([expect.stringContaining('is never parrilla')]);
});
