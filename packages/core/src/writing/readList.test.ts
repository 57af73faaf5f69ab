import { said } from '../test/said';
import fc from 'fast-check';
import { formulaFacts } from '../formula/formulaFacts';
import { CATALOGUE } from '../ingredient/catalogue';
import { slugOf } from '../formula/slug';
import { listFormula } from './listFormula';
import { listWarnings } from './listWarnings';
import { readList } from './readList';
import type { Answers, ReadLine } from './readListTypes';

const read = (text: string, answers: Answers = {}, measures: 'us' | 'metric' = 'us') =>
  readList(text, { foods: CATALOGUE, measures, answers });
const only = (text: string, answers: Answers = {}): ReadLine => {
  const { lines } = read(text, answers);
  expect(lines).toHaveLength(1);
  return lines[0] as ReadLine;
};
const asks = (line: ReadLine) => line.questions.map(({ kind }) => kind);

describe('a line as people write it', () => {
  test.each([
    ['2 3/4 cups bread flour, scooped', 'flour-strong', 390.4],
    ['2¾ cups of bread flour (scooped)', 'flour-strong', 390.4],
    ['two and three quarters cups bread flour, dip and sweep', 'flour-strong', 390.4],
    ['bread flour 2 3/4 cups scooped', 'flour-strong', 390.4],
    ['½ stick unsalted butter', 'butter', 56.7],
    ['half a stick of unsalted butter', 'butter', 56.7],
    ['1 lb 4 oz bread flour', 'flour-strong', 566.99],
    ['Bread flour: 1,250 g', 'flour-strong', 1250],
    ['- bread flour, 1,5 kg', 'flour-strong', 1500],
    ['0,125 kg bread flour', 'flour-strong', 125],
    ['350ml warm water', 'water', 349.3],
    ['1 cup plus 2 tbsp water', 'water', 265.6],
    ['1 1/2 tsp. baking powder', 'baking-powder', 6.65],
    ['1-1/2 tsp baking powder', 'baking-powder', 6.65],
    ['1 T olive oil', 'oil-olive', 13.57],
    ['1 t olive oil', 'oil-olive', 4.52],
    ['2 cups (250 g) all-purpose flour, plus extra for dusting', 'flour-plain', 250],
    ['½ cup/120 ml buttermilk', 'buttermilk', 121.8],
    ['2 x 250 g spelt flour white', 'flour-spelt-white', 500],
    ['500g 00 flour', 'flour-00', 500],
    ['1 metric cup plain flour, spooned', 'flour-plain', 132.5],
    ['1 cup sifted cake flour', 'flour-soft', 103.4],
    ['3 large eggs', 'egg-whole', 162],
    ['2 cloves garlic, minced', 'garlic', 10],
    ['1 packet instant yeast', 'yeast-dry', 7],
    ['1 t. kosher salt', 'salt-kosher', 3.15],
    ['EXTRA VIRGIN OLIVE OIL 20 G', 'oil-olive', 20],
  ])('%s', (text, food, massG) => {
    const line = only(text);
    expect(line.food.id).toBe(food);
    expect(line.mass?.typical).toBeCloseTo(massG, 1);
    expect(asks(line)).toEqual([]);
  });

  test('metric cups and spoons where the kitchen has them', () => {
    expect(read('1 cup plain flour, spooned', {}, 'metric').lines[0]?.mass?.typical).toBeCloseTo(132.5, 6);
    expect(read('1 tbsp water', {}, 'metric').lines[0]?.mass?.typical).toBeCloseTo(14.97, 6);
  });

  test.each([
    ['1 cup boiling water', 98],
    ['1 cup hot water (110°F)', 43],
    ['1 cup water at 45 °C', 45],
    ['1 cup lukewarm water', 36],
    ['1 cup ice-cold water', 5],
    ['1 cup water', null],
  ])('%s has a temperature', (text, tempC) => {
    expect(only(text).tempC).toBe(tempC);
  });

  test('a pinch and a heap are wide, a weight is exact', () => {
    const pinch = only('pinch of table salt').mass;
    expect(pinch?.low).toBeCloseTo(0.2 * 1.15, 6);
    expect(pinch?.high).toBeCloseTo(0.5 * 1.3, 6);
    const heap = only('2 heaped tsp baking powder').mass;
    expect((heap?.typical ?? 0) / (only('2 tsp baking powder').mass?.typical ?? 1)).toBeCloseTo(1.6, 6);
    expect(only('20 g table salt').mass).toEqual({ low: 20, typical: 20, high: 20 });
  });
});

describe('what is ambiguous is asked, never guessed', () => {
  test.each([
    ['2 cups bread flour', ['fill']],
    ['2 cups bread flour, sifted', ['fill']],
    ['2 cups flour', ['ingredient', 'fill']],
    ['500 g flour', ['ingredient']],
    ['1 tsp salt', ['ingredient']],
    ['10 g salt', []],
    ['8 oz water', ['ounce']],
    ['8 fl oz water', []],
    ['1.000 g bread flour', ['thousand']],
    ['1,500 kg bread flour', ['thousand']],
    ['1 cup water at 90 degrees', ['temperature']],
    ['2 eggs', ['piece']],
    ['table salt to taste', ['amount']],
    ['some olive oil', ['amount']],
    ['1 to 2 tsp table salt', ['range']],
    ['1/3 cup lard, melted', ['fill']],
    ['1/3 cup melted lard', []],
    ['30 ml milk', ['ingredient']],
    ['200 g almond flour', ['ingredient']],
    ['20 g peanut butter', ['ingredient']],
    ['200 g flowr', ['ingredient']],
    ['bread flour for dusting', ['aside']],
    ['flour for dusting', ['aside']],
  ])('%s', (text, kinds) => {
    const line = only(text);
    expect(asks(line)).toEqual(kinds);
    for (const question of line.questions) {
      expect(question.answers.length).toBeGreaterThanOrEqual(2);
      expect(question.answers.length).toBeLessThanOrEqual(4);
      expect(said(question.ask)).toMatch(/\?$/);
    }
  });

  test('an answer is used, and the next question follows from it', () => {
    const first = only('2 cups flour');
    const key = first.questions[0]?.key ?? '';
    const second = only('2 cups flour', { [key]: 'flour-rye' });
    expect(second.food.id).toBe('flour-rye');
    expect(asks(second)).toEqual(['fill']);
    const fill = second.questions[0]?.key ?? '';
    const settled = only('2 cups flour', { [key]: 'flour-rye', [fill]: 'packed' });
    expect(asks(settled)).toEqual([]);
    expect(settled.mass?.typical).toBeCloseTo(2 * 236.588 * 0.66 * 0.86, 0);
  });

  test('an answer survives changes of other lines, and does not spill onto a second line of the same words', () => {
    const key = only('500 g flour').questions[0]?.key ?? '';
    const list = read('10 g table salt\n500 g flour\n500 g flour', { [key]: 'flour-strong' });
    expect(list.lines.map((line) => asks(line).length)).toEqual([0, 0, 1]);
  });

  test('what nobody knows is asked, and can be left out', () => {
    const list = read('500 g bread flour\n20 g moon dust');
    expect(said(list.unknown)).toEqual([
      expect.objectContaining({ index: 1, ask: expect.stringMatching(/moon dust/) }),
    ]);
    expect(() => listFormula(list)).toThrow(/moon dust/);
    const key = list.unknown[0]?.key ?? '';
    expect(read('500 g bread flour\n20 g moon dust', { [key]: 'leave-out' }).unknown).toEqual([]);
    expect(read('500 g bread flour\n20 g moon dust', { [key]: 'honey' }).lines).toHaveLength(2);
  });
});

test('a range from nothing has a middle', () => {
  expect(only('0 - 2 large eggs').mass).toEqual({ low: 0, typical: 0, high: 116 });
});

describe('a whole list', () => {
  const MESSY = `Night shift flatbread
For the dough:
• 3 c. bread flour (spooned & levelled)
1) 1 1/2 tsp table salt, 2 tsp baking powder
* 1/3 cup melted lard
– 1 to 1¼ cups warm water
bread flour for dusting
Makes 12
Mix, knead by feel and rest until it stops springing back.`;

  test('headings, bullets, yield and remarks are told from ingredients', () => {
    const list = read(MESSY);
    expect(list.title).toBe('Night shift flatbread');
    expect(list.pieces).toBe(12);
    expect(said(list.lines.map(({ food }) => food.id))).toEqual([
      ...['flour-strong', 'salt-fine', 'baking-powder', 'lard', 'water', 'flour-strong'],
    ]);
    expect(list.remarks.map(({ kind }) => kind)).toEqual(['title', 'heading', 'yield', 'note']);
  });

  test('what no line of a list is long enough for is kept as a note', () => {
    const story = `2 tbsp oil, plus more ${'at noon (or 12:30) '.repeat(20)}`;
    const page = `3 cups flour, ${'1 tsp salt and '.repeat(200)}`;
    const list = read(`500 g flour\n${story}\n${page}`);
    expect(list.lines).toHaveLength(1);
    expect(list.remarks).toMatchObject([
      { index: 1, text: story.trim(), kind: 'note' },
      { index: 2, text: page.trim(), kind: 'note' },
    ]);
  });

  test('a range of the liquid becomes the hold-back of the formula', () => {
    const formula = listFormula(read(MESSY), { text: MESSY });
    expect(formula.name).toBe('Night shift flatbread');
    expect(formula.id).toBe('night-shift-flatbread');
    expect(formula.method.holdBack).toBeCloseTo(0.2, 4);
    expect(formula.method.school).toBe('oil');
    expect(formula.method.liquidTempC).toBe(38);
    const doughG = formula.lines.reduce((sum, { fraction }) => sum + fraction, 0) * (formula.flourG ?? 0);
    expect(formula.product.ballG).toBe(Math.round((doughG * 0.985) / 12));
    expect(formula.notes).toBe(MESSY);
    expect(formula.lines[0]?.measure).toEqual({ text: '3 c., spooned in', fill: 'spooned', gMl: 0.53 });
  });

  test('what goes on the bread is not in the dough and not lost: its milk stays on the label', () => {
    const text = `${MESSY}\n60 g melted butter, to brush\noil for the pan`;
    const [plain, formula] = [listFormula(read(MESSY)), listFormula(read(text))];
    expect(said(formula.lines)).toEqual(plain.lines);
    expect(formula.onBread).toMatchObject([
      { ingredient: 'flour-strong', when: 'on the bench', gPerPiece: 1.5 },
      { ingredient: expect.stringMatching(/^butter/), when: 'after the turn', gPerPiece: 5 },
      { ingredient: expect.stringMatching(/^oil/), when: 'on the pan', gPerPiece: 2 },
    ]);
    expect(formulaFacts(formula, CATALOGUE).allergens).toContain('milk');
    const dusting = read(MESSY).questions.find(({ kind }) => kind === 'aside');
    const left = read(MESSY, { [dusting?.key ?? '']: 'leave' });
    expect(listFormula(left).onBread).toBeUndefined();
  });

  test.each([
    ['2 cups bread flour, 1 tsp table salt, 3/4 cup warm water and 2 tbsp olive oil', 4],
    ['bread flour 500 g; water 300 ml; table salt 10 g', 3],
    ['bread flour, 500 g\nwater, 300 ml', 2],
    ['bread flour\t500\tg\r\nwater\t300\tml', 2],
  ])('%j is split into its things', (text, count) => {
    expect(said(read(text).lines.filter(({ mass }) => (mass?.typical ?? 0) > 0))).toHaveLength(count);
  });

  test("baker's percentages are read as shares of the flour", () => {
    const list = read('Bread flour 70%\nSoft flour 30 %\nwater 54%\ntable salt 1.9 %');
    expect(list.flourG).toBe(1000);
    expect(list.lines.map(({ mass }) => Math.round(mass?.typical ?? 0))).toEqual([700, 300, 540, 19]);
    expect(read('bread flour 800 g\nwater 60 %').lines[1]?.mass?.typical).toBe(480);
  });

  test.each([
    ['1 cup boiling water\n500 g bread flour', 'boiling-water'],
    ['500 g bread flour\n300 ml whole milk\n50 g lard', 'milk'],
    ['500 g bread flour\n100 g plain yogurt\n1 tsp baking powder\n200 ml water', 'yogurt-leavener'],
    ['500 g bread flour\n50 g cold lard, cubed\n270 ml water', 'rubbed-in'],
    ['500 g bread flour\n50 g softened lard\n270 ml water', 'creamed'],
    ['500 g bread flour\n50 g olive oil\n270 ml water', 'oil'],
    ['500 g bread flour\n300 ml water', 'hold-back'],
  ])('%j speaks of its mixing school', (text, school) => {
    expect(listFormula(read(text)).method.school).toBe(school);
  });

  test('no flour is no formula', () => {
    expect(() => listFormula(read('300 ml water'))).toThrow(/how much flour/);
    expect(() => listFormula(read(''))).toThrow(/how much flour/);
  });

  test.each([
    '500 g bread flour\na splash of water at a time\n10 g table salt',
    '500 g bread flour\nwater, go slowly and stop as soon as it comes together in the bowl\n10 g table salt',
    '500 g bread flour\nwater by feel\n10 g table salt',
  ])('a liquid without a figure is a line whose amount is asked: %j', (text) => {
    const list = read(text);
    const water = list.lines.find(({ food }) => food.id === 'water');
    expect(water && asks(water)).toContain('amount');
    expect(listWarnings(list)).toEqual([]);
  });

  test('a splash beside a measured liquid is the splash it says', () => {
    const { lines } = read('500 g bread flour\n280 g milk\na splash of water');
    expect(lines.find(({ food }) => food.id === 'water')?.mass?.typical).toBeLessThan(20);
  });

  test('a tortilleria’s cups of maize flour and water are nothing to warn of', () => {
    const list = read('6 cups masa harina\n4½ cups water\n2 tsp table salt');
    expect(list.lines.map(({ food }) => food.id)).toEqual(['flour-maize-alkali', 'water', 'salt-fine']);
    expect(listWarnings(list)).toEqual([]);
    // Half of that water is no maize dough.
    expect(said(listWarnings(read('6 cups masa harina\n2 cups water')).at(0))).toMatch(
      /usual range is 110 % to 160 % of flour: a ball will crack/,
    );
  });

  test('any text at all is read without an exception, and no line gets a mass below zero', () => {
    const word = fc.constantFrom(
      ...[
        '2',
        '1/2',
        '½',
        'cups',
        'flour',
        'of',
        '-',
        'to',
        '(',
        ')',
        ',',
        'salt',
        'pinch',
        '°',
        '%',
        'x',
        '0',
        'T',
        '.',
        '\n',
        'and',
        'plus',
        'half',
        'a',
        'egg',
        '1.000',
        '1/0',
      ],
    );
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string({ unit: 'binary' }),
          fc.array(word).map((words) => words.join(' ')),
        ),
        (text) => {
          const list = read(text);
          for (const { mass } of list.lines) {
            expect(mass === null || Number.isFinite(mass.high)).toBe(true);
            expect(
              mass === null || (mass.low >= 0 && mass.low <= mass.typical && mass.typical <= mass.high),
            ).toBe(true);
          }
        },
      ),
      { numRuns: 300, examples: [['0 x 1/0 egg'], ['2 to 1/0 cups flour'], ['2 x 1/0 g salt']] },
    );
  });
});

test('a name becomes an address', () => {
  expect(slugOf('Crème & Café  Round!')).toBe('creme-cafe-round');
  expect(slugOf('???')).toBe('formula');
});
