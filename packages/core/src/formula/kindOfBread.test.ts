import { formula as plain } from '../test/examples';
import { said } from '../test/said';
import { CATALOGUE } from '../ingredient/catalogue';
import { readList } from '../writing/readList';
import { listFormula } from '../writing/listFormula';
import { listWarnings } from '../writing/listWarnings';
import { type Formula, formulaSchema } from './formulaSchema';
import { formulaWarnings } from './formulaWarnings';
import { type KindHints, guessKind, kindOfBread } from './kindOfBread';
import { KINDS_OF_BREAD, type KindOfBread, USUAL_DOUGH } from './kindsOfBread';
import { resolveLines } from './resolveLines';
import { workedAsUsual } from './workedAsUsual';

type Share = readonly [ingredient: string, fraction: number];
const linesOf = (...shares: Share[]) =>
  resolveLines(
    { lines: shares.map(([ingredient, fraction]) => ({ id: ingredient, ingredient, fraction })) } as Formula,
    CATALOGUE,
  );
const read = (text: string) => readList(text, { foods: CATALOGUE, measures: 'us', answers: {} });
const written = (text: string) => listFormula(read(text));

test.each<[KindOfBread, Share[], KindHints?]>([
  [
    'thin wheat',
    [
      ['flour-plain', 1],
      ['water', 0.55],
      ['oil-rapeseed', 0.04],
    ],
  ],
  [
    'thin wheat',
    [
      ['flour-plain', 1],
      ['water', 0.55],
      ['baking-powder', 0.015],
    ],
  ],
  [
    'enriched wheat',
    [
      ['flour-plain', 1],
      ['water', 0.48],
      ['lard', 0.14],
    ],
  ],
  [
    'wholemeal',
    [
      ['flour-wholemeal-fine', 0.6],
      ['flour-plain', 0.4],
      ['water', 0.66],
    ],
  ],
  [
    'boiling-water dough',
    [
      ['flour-plain', 1],
      ['water', 0.65],
    ],
    { school: 'boiling-water' },
  ],
  [
    'milk dough',
    [
      ['flour-plain', 1],
      ['milk-whole', 0.62],
    ],
    { school: 'milk' },
  ],
  [
    'yogurt and leavened',
    [
      ['flour-plain', 1],
      ['yogurt-plain', 0.3],
      ['water', 0.3],
      ['baking-soda', 0.008],
    ],
  ],
  [
    'yogurt and leavened',
    [
      ['flour-plain', 1],
      ['water', 0.6],
      ['yeast-dry', 0.01],
    ],
  ],
  [
    'yogurt and leavened',
    [
      ['flour-plain', 1],
      ['water', 0.6],
      ['baking-powder', 0.03],
    ],
    { thicknessMm: 4 },
  ],
  [
    'pocket bread',
    [
      ['flour-plain', 1],
      ['water', 0.6],
      ['yeast-dry', 0.01],
    ],
    { puff: 'full pocket' },
  ],
  [
    'sheet',
    [
      ['flour-soft', 1],
      ['milk-whole', 0.58],
    ],
    { school: 'milk', how: 'sheet-thin' },
  ],
  [
    'sheet',
    [
      ['flour-plain', 1],
      ['water', 0.55],
    ],
    { thicknessMm: 0.9 },
  ],
  [
    'maize',
    [
      ['flour-maize-alkali', 0.8],
      ['flour-plain', 0.2],
      ['water', 1.1],
    ],
  ],
])('%s is guessed from what is in it and how it is worked', (kind, shares, hints = {}) => {
  expect(guessKind(linesOf(...shares), hints)).toBe(kind);
});

test('what its cook says comes before every guess', () => {
  expect(kindOfBread({ ...plain, kind: 'pocket bread' }, resolveLines(plain, CATALOGUE))).toBe(
    'pocket bread',
  );
});

test.each(KINDS_OF_BREAD)(
  '%s: its own ranges are nothing to warn of, and beyond them its own words are',
  (kind) => {
    const { hydration, tooDry, tooWet } = USUAL_DOUGH[kind];
    const flour = kind === 'maize' ? 'flour-maize-alkali' : 'flour-plain';
    const warned = (water: number) =>
      formulaWarnings(linesOf([flour, 1], ['water', water], ['salt-fine', 0.018]), kind);
    expect(warned(hydration.low)).toEqual([]);
    expect(warned(hydration.high)).toEqual([]);
    expect(said(warned(hydration.low - 0.05).map(({ message }) => message))).toEqual([
      expect.stringContaining(tooDry),
    ]);
    expect(said(warned(hydration.high + 0.05).map(({ message }) => message))).toEqual([
      expect.stringContaining(tooWet),
    ]);
  },
);

test('a warning above the weigh sheet is one line: a cup is checked before the formula is doubted', () => {
  const cups = written('4 cups bread flour, scooped\n120 g water\n2 tsp table salt');
  const short = (formula: Formula) =>
    said(formulaWarnings(resolveLines(formula, CATALOGUE)).map((warning) => warning.short));
  expect(short(cups)).toEqual([
    expect.stringMatching(
      /^Hydration 21.* usual 45 % to 65 %: check how the cup of strong flour was filled first\.$/,
    ),
  ]);
  expect(short(written('500 g bread flour\n120 g water'))).toEqual([
    'Hydration 24 %, usual 45 % to 65 %: check the amount in the formula first.',
  ]);
});

test('a tortilleria’s list becomes a pressed bread of three turns, and nothing calls it wrong', () => {
  const text = '6 cups masa harina\n4½ cups water\n2 tsp table salt';
  const masa = written(text);
  expect(masa.method.shaping.how).toBe('sheet-press');
  expect(masa.method.knead.test).toBe('no-cracks');
  expect(masa.product.springBack).toBe(0);
  const seconds = masa.bake.sides.map((side) => side.seconds);
  expect(seconds).toHaveLength(3);
  expect(seconds[1]).toBeGreaterThan(Math.max(seconds[0] ?? 0, seconds[2] ?? 0));
  expect(listWarnings(read(text))).toEqual([]);
  expect(formulaWarnings(resolveLines(masa, CATALOGUE), 'maize')).toEqual([]);
});

test.each(KINDS_OF_BREAD)(
  '%s: its usual work is a formula that is guessed, or said, to be of its kind',
  (kind) => {
    const formula = formulaSchema.parse({
      ...plain,
      formatVersion: 6,
      kind,
      ...workedAsUsual(plain, kind),
    });
    expect(kindOfBread(formula, resolveLines(formula, CATALOGUE))).toBe(kind);
    // Its size, its words and its tolerances are the cook's own.
    expect(formula.product).toMatchObject({ ballG: plain.product.ballG, ballToleranceG: 3 });
  },
);
