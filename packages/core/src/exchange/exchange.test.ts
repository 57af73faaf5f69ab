import { said } from '../test/said';
import fc from 'fast-check';
import { BOOK_FORMAT, type Book } from '../document/bookSchema';
import { ALLERGENS } from '../ingredient/ingredientSchema';
import { type Formula, formulaSchema } from '../formula/formulaSchema';
import { CATALOGUE } from '../ingredient/catalogue';
import { InputError } from '../message/problem';
import { printableName } from '../message/fields';
import { formula } from '../test/examples';
import { cardHtml } from './card';
import { bookToCsv } from './csv';
import { readFormulaFile } from './readFile';
import { ingredientTexts, recipeOf } from './recipe';

const read = (text: string) => readFormulaFile(text, CATALOGUE);
const problemsIn = (text: string) => {
  try {
    read(text);
    return [];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.problems;
  }
};
const pretty = (value: unknown) => JSON.stringify(value, null, 2);
const moon = {
  ...CATALOGUE[0],
  id: 'moon-dust',
  kind: 'other',
  name: 'Moon "dust", fine',
  note: '=1+1',
} as (typeof CATALOGUE)[number];

/** Formulas of any shape that the schema takes, with the texts that break careless file formats. */
const text = (max: number) =>
  fc
    .oneof(
      fc.constantFrom(
        '',
        '=SUM(A1)',
        '0.5',
        'true',
        '"quoted"',
        'a,b;c\td',
        '-1',
        "'",
        '[x]',
        '{',
        'two\nlines',
        '@home',
        'é½',
      ),
      fc.string({ maxLength: max }),
    )
    .map((value) =>
      value
        .replace(/[^\P{Cc}\t\n]/gu, '')
        .trim()
        .slice(0, max)
        .trim(),
    );
const fraction = fc.double({ min: 0.00001, max: 4, noNaN: true });
const anyFormula: fc.Arbitrary<Formula> = fc
  .record({
    id: fc.stringMatching(/^[a-z][a-z0-9]{0,12}$/),
    name: text(40).map(printableName),
    summary: text(100),
    notes: fc.option(text(200), { nil: undefined }),
    flourG: fc.option(fc.double({ min: 1, max: 1e5, noNaN: true }), { nil: undefined }),
    extras: fc.array(
      fc.record({
        ingredient: fc.constantFrom('water', 'lard', 'salt-fine', 'moon-dust'),
        fraction,
        note: fc.option(text(50), { nil: undefined }),
      }),
      { maxLength: 5 },
    ),
    split: fc.double({ min: 0.01, max: 0.99, noNaN: true }),
    rests: fc.nat(2),
    measure: fc.boolean(),
  })
  .map(({ extras, split, rests, measure, notes, flourG, ...rest }) =>
    formulaSchema.parse({
      ...formula,
      ...rest,
      ...(notes === undefined ? {} : { notes }),
      ...(flourG === undefined ? {} : { flourG }),
      lines: [
        {
          id: 'a',
          ingredient: 'flour-strong',
          fraction: split,
          ...(measure ? { measure: { text: '3 cups, scooped', fill: 'scooped', gMl: 0.6 } } : {}),
        },
        { id: 'b', ingredient: 'flour-soft', fraction: 1 - split },
        ...extras.map(({ note, ...line }, index) => ({
          ...line,
          id: `x${index}`,
          ...(note === undefined ? {} : { note }),
        })),
      ],
      method: { ...formula.method, rests: formula.method.rests.slice(0, rests) },
    }),
  );
const anyBook: fc.Arbitrary<Book> = fc
  .uniqueArray(anyFormula, { selector: ({ id }) => id, minLength: 1, maxLength: 4 })
  .map((formulas) => ({
    format: BOOK_FORMAT,
    formatVersion: 1,
    formulas,
    ingredients: [moon],
    archived: [formulas[0]?.id ?? ''],
  }));

describe('round trips lose nothing', () => {
  test('a book as JSON', () => {
    fc.assert(
      fc.property(anyBook, (book) => {
        expect(read(pretty(book))).toEqual({
          formulas: book.formulas,
          ingredients: [moon],
          archived: book.archived,
          lists: [],
        });
      }),
      { numRuns: 60 },
    );
  });

  test('a book as CSV', () => {
    fc.assert(
      fc.property(anyBook, (book) => {
        expect(read(bookToCsv(book, CATALOGUE))).toEqual({
          formulas: book.formulas,
          ingredients: [moon],
          archived: book.archived,
          lists: [],
        });
      }),
      { numRuns: 60 },
    );
  });

  test('a formula as JSON, CSV and recipe', () => {
    fc.assert(
      fc.property(anyFormula, (one) => {
        const own = { ...one, ingredients: [moon] };
        const foods = [...CATALOGUE, moon];
        expect(read(pretty(own)).formulas).toEqual([own]);
        expect(
          read(bookToCsv({ formulas: [own], ingredients: [], archived: [] }, CATALOGUE)).formulas,
        ).toEqual([own]);
        expect(read(pretty(recipeOf(own, foods))).formulas).toEqual([own]);
      }),
      { numRuns: 60 },
    );
  });

  test('a CSV survives other orders of rows and columns, and percent written with a comma', () => {
    const [head = '', ...rows] = bookToCsv({ formulas: [formula], ingredients: [], archived: [] }, CATALOGUE)
      .trim()
      .split('\n');
    const byLine = rows.filter((row) => row.includes(',line,'));
    const others = rows.filter((row) => !row.includes(',line,')).reverse();
    expect(read([head, ...others, ...byLine].join('\r\n')).formulas).toEqual([formula]);
  });
});

describe('recipes of elsewhere', () => {
  const recipe = {
    '@context': 'https://schema.org',
    '@graph': [
      { '@type': 'WebPage', name: 'x' },
      {
        '@type': ['Recipe', 'NewsArticle'],
        name: 'Quay bread &amp; more',
        recipeYield: ['12', '12 breads'],
        recipeIngredient: ['500 g bread flour', '&frac12; cup lard', '1 tsp <b>table salt</b>'],
        recipeInstructions: [
          {
            '@type': 'HowToSection',
            itemListElement: [{ '@type': 'HowToStep', text: 'Mix.' }, { text: 'Rest.' }],
          },
        ],
      },
    ],
  };
  const list = {
    name: 'Quay bread & more',
    text: '500 g bread flour\n½ cup lard\n1 tsp table salt\nMakes 12',
    notes: 'Mix.\nRest.',
  };

  test('their lines are handed to the reader of lists', () => {
    expect(read(pretty(recipe)).lists).toEqual([list]);
    expect(
      read(`<!doctype html><script type="application/ld+json">${pretty(recipe)}</script>`).lists,
    ).toEqual([list]);
  });

  test('our own recipe, changed by hand, is read anew from its words', () => {
    const changed = recipeOf(formula, CATALOGUE) as { recipeIngredient: string[] };
    changed.recipeIngredient = ['700 g Strong flour', '400 g Water'];
    expect(read(pretty(changed))).toMatchObject({
      formulas: [],
      lists: [{ text: expect.stringMatching(/^700 g Strong flour\n400 g Water\nMakes/) }],
    });
  });

  test('the ingredient lines say grams and names', () => {
    expect(ingredientTexts(formula, CATALOGUE)).toEqual([
      '700 g Strong flour',
      '300 g Soft flour',
      '540 g Water',
      '110 g Rapeseed oil',
      '19 g Fine salt',
    ]);
  });

  test('a plain list and a foreign table are lists too', () => {
    const list = '1 cup lard, melted\nflour, 500 g';
    expect(read(list).lists[0]?.text).toBe(list);
    expect(read('amount,unit,what\n500,g,bread flour\n300,ml,"water, warm"').lists[0]?.text).toBe(
      '500 g bread flour\n300 ml water, warm',
    );
  });
});

describe('a bad file says the line, and gives nothing', () => {
  const lines = pretty(formula).split('\n');
  const at = (part: string) => lines.findIndex((line) => line.includes(part)) + 1;
  const broken = (from: string, to: string) => pretty(formula).replace(from, to);
  const topping = { id: 'top', ingredient: 'moon-oil', gPerPiece: 2, when: 'at the end' } as const;
  const topped = pretty({ ...formula, onBread: [topping] });
  const csv = bookToCsv({ formulas: [formula], ingredients: [], archived: [] }, CATALOGUE);

  test.each([
    [
      'a missing comma',
      pretty(formula).replace('"Test round",', '"Test round"'),
      at('"Test round"') + 1,
      /not JSON \(comma expected\)/,
    ],
    ['a newer version', broken('"formatVersion": 1', '"formatVersion": 9'), at('formatVersion'), /version 9/],
    ['a share that is none', broken('0.54', '-2'), at('0.54'), /Share of flour/],
    ['an unknown field', broken('"summary": ""', '"summary": "", "colour": "red"'), at('summary'), /colour/],
    ['an unknown ingredient', broken('"oil-rapeseed"', '"moon-oil"'), at('oil-rapeseed'), /moon-oil/],
    [
      'an unknown topping',
      topped,
      topped.split('\n').findIndex((line) => line.includes('moon-oil')) + 1,
      /moon-oil/,
    ],
    ['an empty file', '  \n', 1, /empty/],
    ['something else', '{"hello": 1}', 1, /neither a formula/],
    ['another format of ours', '{\n "format": "kettle-scale/plan"}', 2, /not a format this program reads/],
    ['a page without a recipe', '<!doctype html><p>hello', 1, /no recipe/],
    ['a CSV percent that is none', csv.replace(',54,', ',lots,'), 4, /“lots” is not a percentage/],
    ['a CSV share too large', csv.replace(',54,', ',5400,'), 4, /Share of flour/],
    [
      'a CSV row of no kind',
      csv.replace('test-round,line,salt', 'test-round,lump,salt'),
      6,
      /“line” or “field”/,
    ],
    [
      'a CSV field that is none',
      `${csv}test-round,field,__proto__.x,1,,,,\n`,
      csv.split('\n').length,
      /not the name of a field/,
    ],
  ])('%s', (_case, file, line, sentence) => {
    const [first] = problemsIn(file);
    expect(said(first?.message)).toMatch(sentence);
    expect(said(first?.message)).toMatch(new RegExp(`^Line ${line}: `));
    expect(first?.line).toBe(line);
  });

  test('one bad formula in a book of three: nothing is read', () => {
    const bad = { ...formula, id: 'bad', lines: formula.lines.slice(2) };
    const book = {
      format: BOOK_FORMAT,
      formatVersion: 1,
      formulas: [{ ...formula, id: 'one' }, bad, { ...formula, id: 'two' }],
      ingredients: [],
      archived: [],
    };
    expect(said(problemsIn(pretty(book))[0]?.message)).toMatch(/^Line \d+: A formula needs flour/);
  });
});

test('the printed card carries units, allergens and no markup of others', () => {
  const card = cardHtml({ ...formula, name: '<script>alert(1)</script>', summary: 'A & B' }, CATALOGUE);
  expect(card).not.toMatch(/<script>/);
  expect(card).toMatch(/A &amp; B/);
  expect(card).toMatch(/54\.0\u00a0%.*540\u00a0g/s);
  expect(card).toMatch(/gluten, wheat.*local food code/s);
  expect(ALLERGENS).toContain('sesame');
});

describe('files made to exhaust their reader', () => {
  test('a page of nothing but open scripts is read at once, in proportion to its length', () => {
    const page = `<!doctype html>${'<script '.repeat(100_000)}`;
    expect(said(problemsIn(page)[0]?.message)).toMatch(/holds no recipe/);
  });

  test('a document that nests without end is refused by its depth, brackets inside of words are not', () => {
    const deep = `${'[{"a":'.repeat(100_000)}1${'}]'.repeat(100_000)}`;
    expect(said(problemsIn(deep)[0])).toMatchObject({
      line: 1,
      message: expect.stringMatching(/deeper than 64/),
    });
    const words = { ...formula, summary: '[{'.repeat(100), formatVersion: 3 };
    expect(read(pretty(words)).formulas).toEqual([words]);
  });

  test('a file beyond all books is refused by its size', () => {
    expect(said(problemsIn('x'.repeat(20_000_001))[0]?.message)).toMatch(/larger than 20 MB/);
  });
});

test('an ingredient named like a formula of a spreadsheet is text in the CSV', () => {
  const food = { ...moon, name: '=cmd|calc' };
  const lines = [...formula.lines, { id: 'moon', ingredient: 'moon-dust', fraction: 0.01 }];
  const csv = bookToCsv({ formulas: [{ ...formula, lines }], ingredients: [food], archived: [] }, CATALOGUE);
  expect(csv).toContain("'=cmd|calc");
  expect(csv).not.toMatch(/(^|,)"?=cmd/m);
});
