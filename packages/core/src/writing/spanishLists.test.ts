import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CATALOGUE } from '../ingredient/catalogue';
import { languageSchema } from '../message/languageSchema';
import { readList } from './readList';

const file = join(__dirname, '../../../../languages/es.json');
const words = languageSchema.parse(JSON.parse(readFileSync(file, 'utf8')));
const read = (text: string) => readList(text, { foods: CATALOGUE, words });
const first = (text: string) => {
  const [line] = read(text).lines;
  if (!line) throw new Error(`Nothing was read of “${text}”.`);
  return line;
};
const kinds = (text: string) => first(text).questions.map(({ kind }) => kind);

/** A line as it is said on a line in Spanish, the ingredient and its grams, worked out by hand from the usual measures. */
const SAID: readonly (readonly [said: string, id: string, grams: number])[] = [
  ['4 tazas de harina', 'flour-plain', 501.6],
  ['3 tazas de harina de fuerza', 'flour-strong', 376.2],
  ['media taza de manteca de cerdo', 'lard', 102.9],
  ['1½ cdita de bicarbonato', 'baking-soda', 7.3],
  ['2 cdas. de aceite de oliva', 'oil-olive', 27.1],
  ['dos cucharadas colmadas de miel', 'honey', 66.2],
  ['1,5 kg de harina integral fina', 'flour-wholemeal-fine', 1500],
  ['medio kilo de harina', 'flour-plain', 500],
  ['un cuarto de kilo de manteca vegetal', 'shortening', 250],
  ['un kilo y medio de harina común', 'flour-plain', 1500],
  ['0,5 l de agua', 'water', 499],
  ['300 gramos de harina de maiz nixtamalizado', 'flour-maize-alkali', 300],
  ['250 g de azucar blanca', 'sugar-white', 250],
  ['una barra de mantequilla sin sal', 'butter', 113.4],
  ['2 dientes de ajo', 'garlic', 10],
];

test.each(SAID)('%s', (said, id, grams) => {
  const line = first(said);
  expect(line.food.id).toBe(id);
  expect(line.text).toBe(said);
  expect((line.mass?.typical ?? 0) / grams).toBeCloseTo(1, 1);
});

test('what may be two things is asked, as in English', () => {
  expect(kinds('media taza de manteca')).toContain('ingredient');
  expect(kinds('una pizca de sal')).toEqual(['ingredient']);
  expect(kinds('2 cdas de aceite')).toEqual(['ingredient']);
  expect(kinds('3 tazas de harina, cernida')).toContain('fill');
});

test('a range keeps some back, warm water has its temperature, and remarks stay in the cook’s words', () => {
  expect(first('1 a 1¼ tazas de agua tibia')).toMatchObject({ tempC: 38, holdBack: expect.closeTo(0.2, 2) });
  expect(first('250 g de mantequilla sin sal, derretida')).toMatchObject({
    state: 'melted',
    note: 'derretida',
  });
  expect(first('harina para espolvorear')).toMatchObject({ note: 'para espolvorear' });
  expect(first('leche entera 300 ml, poco a poco').holdBack).toBeGreaterThan(0);
});

test('a whole list: its title, its lines in one, and what it makes', () => {
  const list = read(
    'Tortillas del muelle\n2 tazas de harina, 1 cdita de sal fina, 150 ml de agua caliente\nRinde 12 tortillas',
  );
  expect(list).toMatchObject({ title: 'Tortillas del muelle', pieces: 12, unknown: [] });
  expect(list.lines.map(({ text }) => text)).toEqual([
    '2 tazas de harina',
    '1 cdita de sal fina',
    '150 ml de agua caliente',
  ]);
});

test('the kitchen’s own names are not taken apart, and what is unknown is asked by the name it was given', () => {
  const [plain] = CATALOGUE.filter(({ id }) => id === 'flour-plain');
  if (!plain) throw new Error('The catalogue has no plain flour.');
  const own = { ...plain, id: 'molino', name: 'Harina de trigo molino viejo', aliases: [] };
  const foods = [...CATALOGUE, own];
  expect(readList('2 kg de harina de trigo molino viejo', { foods, words }).lines[0]?.food.id).toBe('molino');
  expect(read('300 g de xoconostle').unknown[0]?.ask).toMatchObject({
    values: { name: { name: 'xoconostle' } },
  });
});
