import { said } from '../test/said';
import { CATALOGUE } from '../ingredient/catalogue';
import { ingredientSchema } from '../ingredient/ingredientSchema';
import { InputError, parseInput } from '../message/problem';
import { checkFormula } from './checkFormula';
import { formula } from '../test/examples';
import { doughTotals } from './percentages';

const withLines = (...lines: [ingredient: string, fraction: number][]) => ({
  ...formula,
  lines: lines.map(([ingredient, fraction], index) => ({ id: `line-${index}`, ingredient, fraction })),
});

const problemsIn = (value: unknown) => {
  try {
    checkFormula(value);
    return [];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.problems;
  }
};

describe('effective hydration and fat', () => {
  test('water and fat count wherever they hide', () => {
    const check = checkFormula(
      withLines(
        ['flour-plain', 1],
        ['milk-whole', 0.4],
        ['yogurt-plain', 0.1],
        ['butter', 0.1],
        ['salt-fine', 0.02],
      ),
    );
    expect(check.hydration).toBeCloseTo(0.4 * 0.875 + 0.1 * 0.87 + 0.1 * 0.17, 3);
    expect(check.fat).toBeCloseTo(0.4 * 0.037 + 0.1 * 0.033 + 0.1 * 0.815, 6);
    expect(check.salt).toBe(0.02);
    expect(check.allergens).toEqual(['gluten', 'wheat', 'milk']);
  });

  test("the flour's own moisture is in the dough's moisture, not in hydration", () => {
    const foods = new Map(CATALOGUE.map((food) => [food.id, food]));
    const part = (id: string, mass: number) => ({ mass, food: foods.get(id) as (typeof CATALOGUE)[number] });
    const totals = doughTotals([part('flour-plain', 1000), part('water', 520), part('lard', 100)]);
    expect(totals.hydration).toBe(0.52);
    expect(totals.doughMoisture).toBeCloseTo((520 + 0.14 * 1000) / 1620, 12);
    expect(totals.doughPerFlour).toBe(1.62);
  });
});

describe('what a formula may not be', () => {
  test.each([
    ['no flour', withLines(['water', 0.5]), 'lines', /needs flour/],
    ['no lines', withLines(), 'lines', /at least one line/],
    ['flours short of the whole', withLines(['flour-plain', 0.9], ['water', 0.5]), 'lines', /90\.0 %/],
    [
      'an unknown ingredient',
      withLines(['flour-plain', 1], ['moon-dust', 0.5]),
      'lines[1].ingredient',
      /moon-dust/,
    ],
    ['a zero share', withLines(['flour-plain', 1], ['water', 0]), 'lines[1].fraction', /between/],
    ['a negative share', withLines(['flour-plain', 1], ['water', -0.5]), 'lines[1].fraction', /between/],
    [
      'an absurd share',
      withLines(['flour-plain', 1], ['water', 540]),
      'lines[1].fraction',
      /fraction between/,
    ],
    ['an unknown field', { ...formula, colour: 'red' }, 'colour', /not known/],
    ['a newer file', { ...formula, formatVersion: 7 }, 'formatVersion', /version 7/],
    [
      'a late line and nothing that works it in',
      { ...formula, lines: formula.lines.map((line) => ({ ...line, late: line.id === 'oil' })) },
      'lines[3].late',
      /kneaded again/,
    ],
    ['another format', { ...formula, format: 'other' }, 'format', /kettle-scale\/formula/],
    ['a name of control characters', { ...formula, name: 'a\u0000b' }, 'name', /must be one line/],
    ['notes with half of a character', { ...formula, notes: 'half \ud83d' }, 'notes', /cannot be printed/],
    ['a missing name', { ...formula, name: undefined }, 'name', /missing/],
    [
      'two lines with one id',
      { ...formula, lines: [formula.lines[0], formula.lines[0]] },
      'lines[1].id',
      /share/,
    ],
    ['not an object', 'flour', '', /^The document must be an object\.$/],
    ['a part left out', { ...formula, method: undefined }, 'method', /^“method” is missing\.$/],
    ['a list for a part', { ...formula, bake: [] }, 'bake', /^“bake” must be an object\.$/],
    [
      'a number for a line',
      { ...formula, lines: [...formula.lines, 7] },
      'lines[5]',
      /^Entry 6 must be an object\.$/,
    ],
  ])('%s', (_case, value, path, message) => {
    expect(said(problemsIn(value))).toContainEqual({ path, message: expect.stringMatching(message) });
  });

  test('a file may bring its own ingredients', () => {
    const own = { ...CATALOGUE[0], id: 'moon-dust', name: 'Moon dust', kind: 'other' };
    const value = { ...withLines(['flour-plain', 1], ['moon-dust', 0.5]), ingredients: [own] };
    expect(problemsIn(value)).toEqual([]);
  });
});

describe('warnings', () => {
  const warned = (value: unknown) => checkFormula(value).warnings.map(({ measure }) => measure);

  test('name what lies outside the usual ranges, and what the bread would do', () => {
    expect(warned(formula)).toEqual([]);
    const dry = checkFormula(withLines(['flour-plain', 1], ['water', 0.3], ['salt-fine', 0.05]));
    expect(said(dry.warnings.map(({ message }) => message))).toEqual([
      expect.stringMatching(/Hydration is 30 %.*45 % to 65 %.*bake hard/),
      expect.stringMatching(/Salt is 5 %.*salty/),
    ]);
  });

  test('wholemeal may be wetter', () => {
    expect(warned(withLines(['flour-plain', 1], ['water', 0.7]))).toEqual(['hydration']);
    expect(warned(withLines(['flour-wholemeal-fine', 1], ['water', 0.7]))).toEqual([]);
  });
});

test('every ingredient of the catalogue is valid, and none is there twice', () => {
  for (const ingredient of CATALOGUE) expect(parseInput(ingredientSchema, ingredient)).toEqual(ingredient);
  expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length);
});
