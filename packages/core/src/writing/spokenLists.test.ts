import { said as inEnglish } from '../test/said';
import { CATALOGUE } from '../ingredient/catalogue';
import { hydrationSpread } from '../formula/hydrationSpread';
import { readList } from './readList';
import { listWarnings } from './listWarnings';

/**
 * Lists as they are spoken, dictated and pasted, with what must come of them, an entry a thing: the ingredient, then its
 * grams within 2 %, or from–to where a question is open; `?kinds` are the questions that are asked, `~` that some is held
 * back, `@` a temperature in °C. Grams are worked out by hand from 236.6 ml a cup, 14.79 a tablespoon, 4.93 a teaspoon and
 * the usual densities.
 */
const LISTS: Record<string, readonly (readonly [said: string, ...things: string[]])[]> = {
  'number words': [
    ['two cups of bread flour, scooped', 'flour-strong 284'],
    ['three cups bread flour spooned', 'flour-strong 376'],
    ['a cup of bread flour, packed', 'flour-strong 156'],
    ['one cup of water', 'water 236'],
    ['half a cup of water', 'water 118'],
    ['a half cup water', 'water 118'],
    ['three quarters of a cup of water', 'water 177'],
    ['three-quarter cup water', 'water 177'],
    ['a quarter cup of olive oil', 'oil-olive 54.3'],
    ['a third of a cup of olive oil', 'oil-olive 72.4'],
    ['two thirds cup whole milk', 'milk-whole 162.5'],
    ['one and a half cups of water', 'water 354'],
    ['two and a quarter cups bread flour, scooped', 'flour-strong 319.4'],
    ['four tablespoons of olive oil', 'oil-olive 54.3'],
    ['six tablespoons water', 'water 88.6'],
    ['eight ounces by weight bread flour', 'flour-strong 226.8'],
    ['ten grams table salt', 'salt-fine 10'],
    ['twenty grams of table salt', 'salt-fine 20'],
    ['fifteen grams instant yeast', 'yeast-dry 15'],
    ['a hundred grams of lard', 'lard 100'],
    ['twelve grams of table salt', 'salt-fine 12'],
    ['a couple of tablespoons of olive oil', 'oil-olive 27.2'],
    ['a dozen grams table salt', 'salt-fine 12'],
    ['half a pound of bread flour', 'flour-strong 226.8'],
    ['a quarter pound of lard', 'lard 113.4'],
    ['two pounds bread flour', 'flour-strong 907.2'],
    ['one kilo of bread flour', 'flour-strong 1000'],
    ['half a kilo bread flour', 'flour-strong 500'],
    ['two litres of water', 'water 1996'],
    ['half a litre water', 'water 499'],
  ],
  'a unit and a part of it, and more of the same': [
    ['a cup and a quarter of water', 'water 295'],
    ['a cup and a half of water', 'water 354'],
    ['two cups and a half of water', 'water 590'],
    ['one cup and three quarters water', 'water 413'],
    ['a cup and a third of whole milk', 'milk-whole 325'],
    ['a tablespoon and a half of olive oil', 'oil-olive 20.4'],
    ['a teaspoon and a half of table salt', 'salt-fine 9.02'],
    ['a pound and a half of bread flour', 'flour-strong 680.4'],
    ['a kilo and a half of bread flour', 'flour-strong 1500'],
    ['two cups of bread flour, scooped, plus another cup', 'flour-strong 426'],
    ['2 cups plus another cup bread flour, scooped', 'flour-strong 426'],
    ['one cup of water plus a quarter cup', 'water 295'],
    ['1 cup plus 1/4 cup water', 'water 295'],
    ['a cup of water plus two tablespoons', 'water 265.6'],
    ['1 cup and 2 tbsp water', 'water 265.6'],
    ['1 cup plus 1 cup water', 'water 472'],
    ['1 lb 4 oz bread flour', 'flour-strong 567'],
    ['2 tbsp plus 1 tsp olive oil', 'oil-olive 31.7'],
    ['three tablespoons plus another teaspoon of olive oil', 'oil-olive 45.3'],
    ['1 kg plus 200 g bread flour', 'flour-strong 1200'],
    ['a cup and two tablespoons of water', 'water 265.6'],
    ['500 g bread flour plus 50 g', 'flour-strong 550'],
  ],
  'one amount for several': [
    ['a tablespoon each of baking powder and table salt', 'baking-powder 13.3', 'salt-fine 18'],
    ['1 tsp each baking powder and table salt', 'baking-powder 4.44', 'salt-fine 6.01'],
    [
      'a teaspoon each of table salt, white sugar and instant yeast',
      'salt-fine 6.01',
      'sugar-white 4.19',
      'yeast-dry 3.15',
    ],
    ['10 g each of table salt and baking powder', 'salt-fine 10', 'baking-powder 10'],
    ['table salt and baking powder, 1 tsp each', 'salt-fine 6.01', 'baking-powder 4.44'],
    ['2 tbsp each olive oil and honey', 'oil-olive 27.2', 'honey 42'],
    ['100 g each bread flour and fine wholemeal flour', 'flour-strong 100', 'flour-wholemeal-fine 100'],
    ['a pinch each of cumin and turmeric', 'cumin-seed 0.136', 'turmeric 0.186'],
    ['one cup each of water and whole milk', 'water 236', 'milk-whole 243.7'],
    ['half a teaspoon each baking soda & table salt', 'baking-soda 2.37', 'salt-fine 3'],
  ],
  'a measure said twice is checked, not added': [
    ['3 cups bread flour, 384 g', 'flour-strong 384'],
    ['3 cups (384 g) bread flour', 'flour-strong 384'],
    ['three cups of bread flour, 384 grams', 'flour-strong 384'],
    ["three cups of bread flour, that's 384 grams", 'flour-strong 384'],
    ['2 cups bread flour, about 280 g', 'flour-strong 280'],
    ['2 cups bread flour, or 280 g', 'flour-strong 280'],
    ['bread flour 3 cups (about 400 g)', 'flour-strong 400'],
    ['1 cup water, 240 ml', 'water 236'],
    ['1 cup (237 ml) water', 'water 236'],
    ['1 cup water / 236 g', 'water 236'],
    ['1/4 cup lard, 50 g', 'lard 50'],
    ['1 stick butter (113 g), unsalted', 'butter 113'],
    ['1 tbsp olive oil, 14 g', 'oil-olive 14'],
    ['17.5 oz bread flour (500 g)', 'flour-strong 496'],
    ['3 cups bread flour, 800 g', 'flour-strong 355..800 ?twice'],
    ['1 cup water, 500 g', 'water 234..500 ?twice'],
    ['1 tbsp table salt, 60 g', 'salt-fine 17..60 ?twice'],
    ['1 lb bread flour (800 g)', 'flour-strong 453..800 ?twice'],
  ],
  'by feel is held back': [
    ['1 1/4 cups water, as needed', 'water 295 ~'],
    ['300 ml water, or as needed', 'water 299 ~'],
    ['300 g water to feel', 'water 300 ~'],
    ['about 300 g warm water, by feel', 'water 300 ~ @38'],
    ['300 g water, more if needed', 'water 300 ~'],
    ['1 cup water, enough to make a soft dough', 'water 236 ~'],
    ['whole milk 200 g, a little at a time', 'milk-whole 200 ~'],
    ['1 to 1 1/4 cups water', 'water 295 ~'],
    ['between 250 and 300 g water', 'water 300 ~'],
    ['300 g water', 'water 300'],
  ],
  'temperatures know their scale': [
    ['1 cup water at 110 °F', 'water 236 @43'],
    ['1 cup water (110 F)', 'water 236 @43'],
    ['1 cup water at 110 degrees', 'water 236 @43'],
    ['1 cup water, 43 °C (110 °F)', 'water 236 @43'],
    ['1 cup water, 110°F/43°C', 'water 236 @43'],
    ['1 cup water at 45 degrees', 'water 236 @45'],
    ['1 cup water 105-115°F', 'water 236 @43'],
    ['1 cup water at 180 F', 'water 236 @82'],
    ['1 cup water at 90 degrees', 'water 236 @90 ?temperature'],
    ['1 cup boiling water', 'water 236 @98'],
    ['200 g whole milk at 100 °F', 'milk-whole 200 @38'],
    ['lukewarm water 300 g', 'water 300 @36'],
  ],
  'salt of any colour, and what salt it is': [
    ['10 g pink salt', 'salt-fine 10'],
    ['10 g himalayan pink salt', 'salt-fine 10'],
    ['10 g black salt', 'salt-fine 10'],
    ['10 g grey sea salt', 'salt-fine 10'],
    ['10 g red salt', 'salt-fine 10'],
    ['1 tsp fine pink salt', 'salt-fine 2.46..6.41 ?ingredient'],
    ['1 tsp kosher salt', 'salt-kosher 3.15'],
    ['1 tsp flaky salt', 'salt-flaky 3.06'],
    ['1 tsp coarse sea salt', 'salt-coarse 5.18'],
    ['10 g salt', 'salt-fine 10'],
  ],
  'one or the other is asked': [
    ['50 g lard or shortening', 'lard 50 ?ingredient'],
    ['50 g shortening or lard', 'shortening 50 ?ingredient'],
    ['1/4 cup lard or vegetable shortening', 'lard 38..53 ?ingredient,fill'],
    ['30 g olive oil or sunflower oil', 'oil-olive 30 ?ingredient'],
    ['50 g butter or lard', 'butter 50 ?ingredient'],
    ['300 g water or whole milk', 'water 300 ?ingredient'],
    ['10 g honey or white sugar', 'honey 10 ?ingredient'],
    ['2 tbsp ghee or tallow, melted', 'ghee 21..27 ?ingredient,fill'],
    ['10 g table salt, more or less', 'salt-fine 10'],
  ],
  'the first answer is the likely one': [
    ['200 g gluten free flour', 'flour-rice 200 ?ingredient'],
    ['200 g gluten-free flour', 'flour-rice 200 ?ingredient'],
    ['30 g bacon fat', 'lard 30 ?ingredient'],
    ['2 tbsp melted bacon grease', 'lard 26.3..26.9 ?ingredient'],
    ['at least one cup water', 'water 236'],
    ['at least 300 g water', 'water 300'],
    ['300 g water', 'water 300'],
    ['300 g mineral water', 'water 300'],
    ['300 g bottled water', 'water 300'],
    ['300 g spring water', 'water 300'],
    ['300 g wholemeal bread flour', 'flour-wholemeal-fine 300 ?ingredient'],
    ['300 g whole wheat bread flour', 'flour-wholemeal-fine 300 ?ingredient'],
    ['300 g strong wholemeal flour', 'flour-wholemeal-fine 300 ?ingredient'],
    ['300 g whole wheat flour', 'flour-wholemeal-fine 300'],
    ['500 g flour', 'flour-plain 500 ?ingredient'],
    ['200 g milk', 'milk-whole 200 ?ingredient'],
    ['20 g oil', 'oil-rapeseed 20 ?ingredient'],
    ['7 g yeast', 'yeast-dry 7 ?ingredient'],
    ['100 g yogurt', 'yogurt-plain 100 ?ingredient'],
    ['50 g butter', 'butter 50 ?ingredient'],
  ],
  'while a question is open its whole range counts': [
    ['3 cups plain flour', 'flour-plain 355..470 ?fill'],
    ['three cups of plain flour', 'flour-plain 355..470 ?fill'],
    ['2 cups bread flour', 'flour-strong 237..313 ?fill'],
    ['1 cup bread flour, sifted', 'flour-strong 118..157 ?fill'],
    ['1/3 cup lard, melted', 'lard 56..71 ?fill'],
    ['2 eggs', 'egg-whole 76..116 ?piece'],
    ['1 to 2 tsp table salt', 'salt-fine 5.6..12.9 ?range'],
    ['8 oz water', 'water 226..238 ?ounce'],
    ['1.000 g bread flour', 'flour-strong 1..1000 ?thousand'],
    ['1 tsp salt', 'salt-fine 2.46..6.41 ?ingredient'],
    ['2 cups flour', 'flour-plain 224..313 ?ingredient,fill'],
    ['3 tbsp butter', 'butter 35..42.1 ?ingredient,fill'],
  ],
  'many ways to say and write the same': [
    ['bread flour - 500g', 'flour-strong 500'],
    ['500g of bread flour', 'flour-strong 500'],
    ['500 gr bread flour', 'flour-strong 500'],
    ['500 grams bread flour (strong)', 'flour-strong 500'],
    ['• 500 g bread flour', 'flour-strong 500'],
    ['1) 500 g bread flour', 'flour-strong 500'],
    ['[ ] 500 g bread flour', 'flour-strong 500'],
    ['Bread Flour .5 kg', 'flour-strong 500'],
    ['0,5 kg bread flour', 'flour-strong 500'],
    ['1,000 g bread flour', 'flour-strong 1000'],
    ['2 x 250 g bread flour', 'flour-strong 500'],
    ['1 T honey', 'honey 21'],
    ['1 t honey', 'honey 7'],
    ['1 heaped tsp baking powder', 'baking-powder 7.1'],
    ['a level teaspoon of baking powder', 'baking-powder 4.44'],
    ['a scant cup of water', 'water 217'],
    ['a generous cup of water', 'water 255'],
    ['2 Tbsp. olive oil', 'oil-olive 27.2'],
    ['two tbsps of olive oil', 'oil-olive 27.2'],
    ['1 fl oz water', 'water 29.5'],
    ['1 pint water', 'water 472'],
    ['1 dl water', 'water 99.8'],
    ['a stick of unsalted butter', 'butter 113.4'],
    ['half a stick unsalted butter', 'butter 56.7'],
    ['3 large eggs', 'egg-whole 162'],
    ['one egg yolk', 'egg-yolk 18'],
    ['two cloves of garlic', 'garlic 10'],
    ['1 sachet instant yeast', 'yeast-dry 7'],
    ['use 500 g bread flour', 'flour-strong 500'],
    ['roughly 500 g bread flour', 'flour-strong 500'],
    ['nearly a cup of water', 'water 236'],
    ['maybe 300 g water', 'water 300'],
    ['just under a cup of water', 'water 236'],
    ['300 grammes of water', 'water 300'],
    ['3 dl water', 'water 299'],
    ['1/2 c. water', 'water 118'],
    ['1½ cups water', 'water 354'],
    ['1 ½ cups water', 'water 354'],
    ['12 oz by weight bread flour', 'flour-strong 340'],
    ['butter, unsalted, 50 g', 'butter 50'],
    ['unsalted butter 50 g', 'butter 50'],
    ['50 g butter (salted)', 'butter-salted 50'],
    ['bread flour, 3 cups, scooped', 'flour-strong 426'],
  ],
  'whole lists, spoken in one breath': [
    ['500 g bread flour and then 300 g water', 'flour-strong 500', 'water 300'],
    ['500 g bread flour plus 300 g water', 'flour-strong 500', 'water 300'],
    [
      'bread flour, 1 kilo\nwater, half a litre\nlard, a stick',
      'flour-strong 1000',
      'water 499',
      'lard 50 ?amount',
    ],
    ['unsalted butter, one stick', 'butter 113.4'],
    ['one cup or two of water', 'water 472 ~'],
    ['a cup or so of water', 'water 236'],
    ['1 cup water at 110f', 'water 236 @43'],
    ['1 CUP WATER AT 110 DEGREES F', 'water 236 @43'],
    [
      'bread flour two cups scooped, water one cup, table salt one teaspoon',
      'flour-strong 284',
      'water 236',
      'salt-fine 6.01',
    ],
    [
      'bread flour 3 c scooped, baking powder 2 t, table salt 1 t',
      'flour-strong 426',
      'baking-powder 8.87',
      'salt-fine 6.01',
    ],
    ['two and a half cups, 320 grams of bread flour', 'flour-strong 320'],
    ['a scant two cups bread flour, scooped', 'flour-strong 261'],
    ['a cup of water, then another quarter cup', 'water 295'],
    ['water, about a cup', 'water 236'],
    ['a cup and a quarter of warm water, maybe a bit more', 'water 295 ~ @38'],
    ['a bag of bread flour', 'flour-strong 500 ?amount'],
    ['500 g bread flour, 300 g water, 10 g table salt', 'flour-strong 500', 'water 300', 'salt-fine 10'],
    [
      'two cups of bread flour scooped, a teaspoon of table salt, three quarters of a cup of warm water and two tablespoons of olive oil',
      'flour-strong 284',
      'salt-fine 6.01',
      'water 177 @38',
      'oil-olive 27.2',
    ],
    ['bread flour 500 g; water 300 g; table salt 10 g', 'flour-strong 500', 'water 300', 'salt-fine 10'],
    [
      '3 cups bread flour, 384 g, 1 cup water, 1 tsp table salt',
      'flour-strong 384',
      'water 236',
      'salt-fine 6.01',
    ],
    [
      '500 g bread flour\na tablespoon each of baking powder and table salt\n300 g water, as needed',
      'flour-strong 500',
      'baking-powder 13.3',
      'salt-fine 18',
      'water 300 ~',
    ],
    [
      '1 kg bread flour\n550 g hot water\n100 g lard or shortening\n18 g pink salt',
      'flour-strong 1000',
      'water 550 @50',
      'lard 100 ?ingredient',
      'salt-fine 18',
    ],
    [
      'four cups bread flour, scooped\na cup and a half of water at 110 F\na quarter cup of olive oil\ntwo teaspoons of table salt',
      'flour-strong 568',
      'water 354 @43',
      'oil-olive 54.3',
      'salt-fine 12',
    ],
    ['1 lb bread flour and 9 oz by weight water', 'flour-strong 453.6', 'water 255'],
    ['Bread flour 100%\nwater 60%\ntable salt 2%', 'flour-strong 1000', 'water 600', 'salt-fine 20'],
    [
      'bread flour 800 g\nfine wholemeal 200 g\nwater 65 %\ntable salt 1.8 %',
      'flour-strong 800',
      'flour-wholemeal-fine 200',
      'water 650',
      'salt-fine 18',
    ],
    [
      '500 g bread flour, half a teaspoon each of table salt and baking soda, 1 cup buttermilk',
      'flour-strong 500',
      'salt-fine 3',
      'baking-soda 2.37',
      'buttermilk 243.7',
    ],
    [
      'one kilo bread flour, 20 g table salt, a hundred grams of lard, 550 g water to feel',
      'flour-strong 1000',
      'salt-fine 20',
      'lard 100',
      'water 550 ~',
    ],
  ],
};

const read = (text: string) => readList(text, { foods: CATALOGUE, measures: 'us' });
const WITHIN = 0.02;

/** A thing as the table writes it, to be held against a line. */
function held(line: ReturnType<typeof read>['lines'][number], thing: string): string[] {
  const [food = '', grams = '', ...rest] = thing.split(' ');
  const off: string[] = [];
  if (line.food.id !== food) off.push(`${line.food.id}, not ${food}`);
  const { low = NaN, typical = NaN, high = NaN } = line.mass ?? {};
  const near = (got: number, want: number) => Math.abs(got / want - 1) <= WITHIN;
  if (grams.includes('..')) {
    const [from = 0, to = 0] = grams.split('..').map(Number);
    if (!near(low, from) || !near(high, to))
      off.push(`${low.toFixed(1)} to ${high.toFixed(1)} g, not ${grams}`);
  } else if (!near(typical, Number(grams))) off.push(`${typical.toFixed(2)} g, not ${grams}`);
  const kinds = line.questions.map(({ kind }) => kind).join(',');
  const asked = rest.find((one) => one.startsWith('?'))?.slice(1) ?? '';
  if (kinds !== asked) off.push(`asks ${kinds || 'nothing'}, not ${asked || 'nothing'}`);
  if (line.holdBack > 0 !== rest.includes('~')) off.push(`holds back ${line.holdBack}`);
  const tempC = rest.find((one) => one.startsWith('@'))?.slice(1);
  if (String(line.tempC ?? '') !== (tempC ?? '')) off.push(`${line.tempC} °C, not ${tempC ?? 'none'}`);
  return off;
}

describe.each(Object.entries(LISTS))('%s', (_theme, lists) => {
  test.each(lists)('%s', (said, ...things) => {
    const list = read(said);
    expect(inEnglish(list.unknown)).toEqual([]);
    expect(inEnglish(list.lines.map(({ food }) => food.id))).toHaveLength(things.length);
    expect(inEnglish(list.lines.flatMap((line, index) => held(line, things[index] ?? '')))).toEqual([]);
  });
});

test('there are two hundred of them and more', () => {
  expect(Object.values(LISTS).flat().length).toBeGreaterThanOrEqual(200);
});

test('an open fill counts whole in the hydration’s spread', () => {
  const { lines } = read('3 cups plain flour\n240 g water\n6 g table salt');
  const spread = hydrationSpread(
    lines.map(({ food, mass }, index) => ({
      id: String(index),
      food,
      mass: mass ?? { low: 0, typical: 0, high: 0 },
    })),
  );
  // Flour of 355 to 470 g holds 12 to 14 % water of its own; the water alone is 240 of it.
  expect(spread.worst.high / spread.worst.low).toBeGreaterThan(1.25);
  expect(spread.causes[0]?.food.id).toBe('flour-plain');
});

test.each([
  [
    '1 cup bread flour, spooned\n1 cup water',
    /^Hydration is \d+.* It was measured by volume: look at how the cup of strong flour was filled first\.$/,
  ],
  ['500 g bread flour\n200 g water', /^Hydration is 40 %/],
  ['500 g bread flour\n400 g water', /^Hydration is 80 %/],
  ['500 g bread flour\n300 g water\n30 g table salt', /^Salt is 6 %/],
  ['500 g bread flour\n250 g water\n200 g lard', /^Fat is \d+/],
])('%j is warned of before it is saved', (said, warning) => {
  expect(inEnglish(listWarnings(read(said))[0])).toMatch(warning);
});

test('a list that the trade would nod at is not warned of', () => {
  expect(listWarnings(read('500 g bread flour\n350 g water\n9 g table salt'))).toEqual([]);
  // A solid fat is worked in up to more than an oil.
  expect(listWarnings(read('500 g bread flour\n230 g water\n140 g lard'))).toEqual([]);
  expect(inEnglish(listWarnings(read('500 g bread flour\n230 g water\n140 g olive oil'))[0])).toMatch(
    /^Fat is 2\d/,
  );
  expect(listWarnings(read('500 g bread flour\n290 g water\n9 g table salt\n40 g lard'))).toEqual([]);
});
