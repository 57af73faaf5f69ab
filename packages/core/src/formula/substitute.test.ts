import { said } from '../test/said';
import { planBatch } from '../plan/planBatch';
import { planCost } from '../plan/planCost';
import { CATALOGUE } from '../ingredient/catalogue';
import { formula, request } from '../test/examples';
import { compareFormulas } from './compareFormulas';
import { explainFormula } from '../explain/explainFormula';
import { formulaFacts } from './formulaFacts';
import type { Formula } from './formulaSchema';
import { type Swap, substitute, swapsFor } from './substitute';

const withLines = (...lines: [ingredient: string, fraction: number][]): Formula => ({
  ...formula,
  lines: lines.map(([ingredient, fraction]) => ({ id: ingredient, ingredient, fraction })),
});
const swap = (of: Formula, lineId: string, to: string, rest: Partial<Swap> = {}) =>
  substitute(of, { lineId, to, share: 1, keep: true, ...rest }, CATALOGUE);
const shares = ({ lines }: Formula) =>
  Object.fromEntries(lines.map(({ ingredient, fraction }) => [ingredient, Number(fraction.toFixed(5))]));
const totals = (of: Formula) => formulaFacts(of, CATALOGUE).totals;

const buttery = withLines(['flour-strong', 1], ['water', 0.5], ['butter', 0.2], ['salt-fine', 0.02]);

describe('exchanges keep effective hydration and fat', () => {
  test("butter to lard: by fat weight, and the butter's water back", () => {
    const { formula: after, consequences } = swap(buttery, 'butter', 'lard');
    expect(shares(after)).toEqual({ 'flour-strong': 1, water: 0.534, lard: 0.163, 'salt-fine': 0.02 });
    expect(said(consequences).join(' ')).toMatch(/water that was in the butter.*No longer contains milk/);
  });

  test.each([
    ['butter for oil', buttery, 'butter', 'oil-rapeseed', 1],
    ['half the butter for ghee', buttery, 'butter', 'ghee', 0.5],
    ['milk for all the water', buttery, 'water', 'milk-whole', 1],
    ['yogurt for a third of it', buttery, 'water', 'yogurt-plain', 0.33],
    ['buttermilk for water', buttery, 'water', 'buttermilk', 0.5],
    [
      'water for milk',
      withLines(['flour-strong', 1], ['milk-whole', 0.6], ['lard', 0.1]),
      'milk-whole',
      'water',
      1,
    ],
    [
      'milk powder for milk',
      withLines(['flour-strong', 1], ['milk-whole', 0.6], ['lard', 0.1]),
      'milk-whole',
      'milk-powder',
      1,
    ],
    [
      'milk for milk powder',
      withLines(['flour-strong', 1], ['water', 0.6], ['milk-powder', 0.05], ['lard', 0.1]),
      'milk-powder',
      'milk-skimmed',
      1,
    ],
    [
      'fresh yeast for dry',
      withLines(['flour-strong', 1], ['water', 0.6], ['yeast-dry', 0.01], ['lard', 0.1]),
      'yeast-dry',
      'yeast-fresh',
      1,
    ],
  ])('%s', (_case, before, line, to, share) => {
    const { formula: after } = swap(before, line, to, { share });
    expect(totals(after).hydration).toBeCloseTo(totals(before).hydration, 6);
    expect(totals(after).fat).toBeCloseTo(totals(before).fat, 2);
    expect(shares(after)[to]).toBeGreaterThan(0);
  });

  test('wholemeal drinks more: the water follows the absorption of the flours', () => {
    const { formula: after, consequences } = swap(formula, 'strong', 'flour-wholemeal-fine', { share: 0.5 });
    expect(shares(after)['flour-wholemeal-fine']).toBe(0.35);
    expect(totals(after).hydration - totals(formula).hydration).toBeCloseTo(0.35 * (0.66 - 0.62), 6);
    expect(said(consequences).join(' ')).toMatch(/absorbs more: 1\.4 % of flour more water/);
  });

  test('by weight on request', () => {
    const { formula: after } = swap(buttery, 'butter', 'lard', { keep: false });
    expect(shares(after)).toMatchObject({ lard: 0.2, water: 0.5 });
  });
});

describe('says what follows', () => {
  test.each([
    ['oil for solid', buttery, 'butter', 'oil-rapeseed', /Liquid for solid.*less flaky/],
    ['solid for oil', formula, 'oil', 'lard', /Solid for liquid.*rub it in/],
    ['milk browns', formula, 'water', 'milk-whole', /browns sooner.*perishable.*New allergen: milk/],
    [
      'fat that nothing gives up',
      withLines(['flour-strong', 1], ['water', 0.5]),
      'water',
      'milk-whole',
      /2\.1 % fat that nothing else can give up/,
    ],
    [
      'salt by the spoon',
      formula,
      'salt',
      'salt-flaky',
      /The same 19\.0\sg is .*\stbsp of fine salt and .* of sea-salt flakes/,
    ],
    [
      'soda without sour',
      withLines(['flour-strong', 1], ['water', 0.5], ['baking-powder', 0.03]),
      'baking-powder',
      'baking-soda',
      /nothing: it will not rise/,
    ],
    ['maize does not roll', formula, 'strong', 'flour-maize', /Does not roll/],
    [
      'water runs out',
      withLines(['flour-strong', 1], ['water', 0.01], ['milk-powder', 0.1]),
      'milk-powder',
      'milk-whole',
      /not enough water to take off/,
    ],
  ])('%s', (_case, before, line, to, sentence) => {
    expect(said(swap(before, line, to, { share: 1 }).consequences).join(' ')).toMatch(sentence);
  });

  test('only what does the same work is offered, and anything else is refused', () => {
    const offered = (id: string) =>
      swapsFor(CATALOGUE.find((food) => food.id === id) as (typeof CATALOGUE)[number], CATALOGUE).map(
        (food) => food.kind,
      );
    expect(new Set(offered('lard'))).toEqual(new Set(['fat']));
    expect(new Set(offered('baking-soda'))).toEqual(new Set(['leavener']));
    expect(() => swap(formula, 'oil', 'honey')).toThrow(/cannot do the work of rapeseed oil/);
    expect(() => swap(formula, 'moon', 'lard')).toThrow(/no line/);
    expect(() => swap(formula, 'oil', 'lard', { share: 0 })).toThrow(/share must be/);
  });
});

describe('comparing two versions', () => {
  test('line by line, with totals, method, griddle and product', () => {
    const after: Formula = {
      ...formula,
      lines: [
        ...formula.lines.slice(0, 2),
        { id: 'water', ingredient: 'water', fraction: 0.56 },
        ...formula.lines.slice(4),
        { id: 'lard', ingredient: 'lard', fraction: 0.1 },
      ],
      method: { ...formula.method, rests: formula.method.rests.slice(0, 1) },
      bake: { ...formula.bake, plateC: 240 },
    };
    const differences = compareFormulas(formula, after, CATALOGUE);
    const found = (label: string) => said(differences).find((difference) => difference.label === label);
    expect(found('Water')).toMatchObject({
      part: 'line',
      before: '54.00\u00a0%',
      after: '56.00\u00a0%',
      change: 'changed',
    });
    expect(found('Rapeseed oil')).toMatchObject({ change: 'removed', after: '' });
    expect(found('Lard')).toMatchObject({ change: 'added' });
    expect(found('Effective hydration')).toMatchObject({ part: 'total' });
    expect(found('Rest 2, earliest')).toMatchObject({ part: 'method', change: 'removed' });
    expect(found('Plate')).toMatchObject({ part: 'griddle', before: '230\u00a0°C', after: '240\u00a0°C' });
    expect(differences.some(({ label }) => label === 'Fine salt')).toBe(false);
    expect(compareFormulas(formula, { ...formula, version: 7 }, CATALOGUE)).toEqual([]);
  });
});

describe('cost', () => {
  const priced = CATALOGUE.map((food) => ({
    ...food,
    pack: { massG: 1000, price: food.kind === 'flour' ? 1 : 10 },
  }));

  test('per batch, kilogram and piece, with the share of each line', () => {
    const { cost } = formulaFacts({ ...formula, flourG: 2000 }, priced);
    expect(cost.perBatch).toBeCloseTo(2 + 2 * (0.54 + 0.11 + 0.019) * 10, 9);
    expect(cost.perKg).toBeCloseTo(cost.perBatch / (2 * 1.669), 9);
    expect(cost.pieces).toBe(Math.floor((2000 * 1.669 * 0.99 * 0.995) / 92));
    expect(cost.perPiece).toBeCloseTo(cost.perBatch / cost.pieces, 12);
    expect(cost.lines.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 12);
    expect(cost.unpriced).toEqual([]);
  });

  test('of a plan is that of its rounded sheet, shared by the pieces asked for', () => {
    const plan = planBatch({ ...request(), ingredients: priced });
    const cost = planCost(plan);
    const byHand = plan.sheet.reduce(
      (sum, { massG, kind }) => sum + (massG * (kind === 'flour' ? 1 : 10)) / 1000,
      0,
    );
    expect(cost.perBatch).toBeCloseTo(byHand * plan.bowls, 9);
    expect(cost.perPiece).toBeCloseTo(cost.perBatch / 64, 12);
  });

  test('an ingredient without a price is named', () => {
    const foods = priced.map(({ pack, ...food }) => (food.id === 'water' ? food : { ...food, pack }));
    expect(formulaFacts(formula, foods).cost.unpriced).toEqual(['Water']);
  });
});

test('every figure of a formula says where it comes from', () => {
  const facts = formulaFacts(buttery, CATALOGUE);
  const why = (figure: Parameters<typeof explainFormula>[2]) => explainFormula(buttery, facts, figure);
  expect(said(why('hydration'))).toMatchObject({
    value: '53.4\u00a0%',
    inputs: [
      { label: 'Water', value: '50.0\u00a0%' },
      { label: 'Butter, unsalted', value: '3.4\u00a0%' },
    ],
  });
  for (const figure of ['fat', 'salt', 'dough', 'disc', 'cost'] as const) {
    const { value, equation, inputs, changes } = why(figure);
    expect(said(value)).toMatch(/\d.*(%|g|mm|€)|€/);
    expect(said(equation).length).toBeGreaterThan(15);
    expect(inputs.length).toBeGreaterThan(0);
    expect(changes.length).toBeGreaterThan(0);
  }
});
