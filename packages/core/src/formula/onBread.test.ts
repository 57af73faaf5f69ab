import { problemsIn, said } from '../test/said';
import { heldBread } from '../log/holding';
import { allergensOfPlan, breadLabel } from '../log/breadLabel';
import { labelHtml } from '../exchange/labelHtml';
import { planBatch } from '../plan/planBatch';
import { planCost } from '../plan/planCost';
import { cardHtml } from '../exchange/card';
import { ingredientTexts } from '../exchange/recipe';
import { CATALOGUE } from '../ingredient/catalogue';
import { formula, request } from '../test/examples';
import { packsToCheck } from './allergens';
import { compareFormulas } from './compareFormulas';
import { formulaFacts } from './formulaFacts';
import { type Formula, formulaSchema } from './formulaSchema';
import { resolveOnBread } from './onBread';

const buttered: Formula = {
  ...formula,
  onBread: [{ id: 'top', ingredient: 'butter', gPerPiece: 3, when: 'after the turn' }],
};
const saysButter: Formula = {
  ...formula,
  bake: { ...formula.bake, sides: [{ seconds: 25 }, { seconds: 20, butter: true }] },
};
const labelOf = (of: Formula) => {
  const plan = planBatch(request({ formula: of }));
  const [held] = heldBread({}, { held: [{ how: 'cloth', pieces: 10, atMs: 0 }] });
  if (!held) throw new Error('nothing held');
  return labelHtml(breadLabel('019a0000-0000-7000-8000-000000000001', plan, held), {
    qrSvg: '',
    zone: 'UTC',
  });
};

test('the label of a bread that is buttered names milk, whether the butter is named or only said', () => {
  expect(labelOf(formula)).not.toContain('milk');
  expect(labelOf(buttered)).toContain('gluten, wheat, milk');
  expect(labelOf(saysButter)).toContain('gluten, wheat, milk');
});

test('a plan of an older program, which asked nobody, still names it', () => {
  const { onBread: _none, ...old } = planBatch(request({ formula: saysButter }));
  const ingredients = old.ingredients.filter(({ id }) => id !== 'butter');
  expect(allergensOfPlan({ ...old, ingredients })).toContain('milk');
});

test('the sheet has it for all pieces and never short; the dough is what it was', () => {
  const [plain, plan] = [planBatch(request()), planBatch(request({ formula: buttered }))];
  expect(plan.sheet).toEqual(plain.sheet);
  // 64 pieces of 3 g on a scale of 5 g: 192 g, so 195.
  expect(plan.onBread).toMatchObject([{ lineId: 'top', gPerPiece: 3, massG: 195, stepG: 5, assumed: false }]);
  expect(plan.onBread?.[0]?.fraction).toBeCloseTo(192 / plan.flourG, 9);
});

test('its cost is on the piece and not in the dough', () => {
  const butter = CATALOGUE.find(({ id }) => id === 'butter');
  const perG = (butter?.pack?.price ?? 0) / (butter?.pack?.massG ?? 1);
  const [plain, plan] = [planCost(planBatch(request())), planCost(planBatch(request({ formula: buttered })))];
  expect(plan.perPiece - plain.perPiece).toBeCloseTo(3 * perG, 9);
  expect(plan.perKg).toBeCloseTo(plain.perKg, 9);
  expect(formulaFacts(buttered, CATALOGUE).allergens).toContain('milk');
});

test('card, recipe and comparison say it', () => {
  expect(cardHtml(buttered, CATALOGUE)).toMatch(
    /On the bread[\s\S]*Butter, unsalted, after the turn[\s\S]*3\.0.g a piece/,
  );
  expect(ingredientTexts(buttered, CATALOGUE).at(-1)).toMatch(
    /g Butter, unsalted \(after the turn, 3 g a piece\)$/,
  );
  expect(said(compareFormulas(formula, buttered, CATALOGUE))).toMatchObject([
    {
      path: 'onBread.butter, after the turn',
      change: 'added',
      after: expect.stringMatching(/3\.0.g a piece/),
    },
  ]);
});

test('what the method only implies is a usual amount and says so; what is named takes its place', () => {
  const floured = {
    ...saysButter,
    method: { ...formula.method, shaping: { ...formula.method.shaping, benchFlour: true } },
  };
  expect(resolveOnBread(floured, CATALOGUE)).toMatchObject([
    { ingredient: 'flour-strong', when: 'on the bench', assumed: true },
    { ingredient: 'butter', when: 'after the turn', assumed: true },
  ]);
  expect(resolveOnBread({ ...floured, onBread: buttered.onBread }, CATALOGUE)).toMatchObject([
    { ingredient: 'flour-strong', assumed: true },
    { ingredient: 'butter', gPerPiece: 3, assumed: false },
  ]);
});

test.each([
  [
    'an unknown ingredient',
    [{ id: 'a', ingredient: 'moon-dust', gPerPiece: 1, when: 'at the end' }],
    /moon-dust/,
  ],
])('%s is refused at the field', (_case, onBread, words) => {
  expect(() => planBatch(request({ formula: { ...formula, onBread } as Formula }))).toThrow(words);
});

test('two lines of the bread and of the dough do not share an id', () => {
  const twice = {
    ...formula,
    onBread: [{ id: 'salt', ingredient: 'butter', gPerPiece: 1, when: 'at the end' }],
  };
  expect(said(problemsIn(formulaSchema, twice)[0])).toMatch(/share the id “salt”/);
});

test('ingredients that hold an allergen in some brands ask for their pack, unless the bread has it anyway', () => {
  const food = (id: string) => {
    const found = CATALOGUE.find((one) => one.id === id);
    if (!found) throw new Error(id);
    return { food: found };
  };
  expect(packsToCheck([food('flour-strong'), food('margarine'), food('baking-powder')])).toEqual([
    { name: 'Baking margarine', allergens: ['milk', 'soy'] },
  ]);
  expect(packsToCheck([food('flour-maize'), food('butter'), food('margarine')])).toEqual([
    { name: 'Maize flour, plain', allergens: ['gluten', 'wheat'] },
    { name: 'Baking margarine', allergens: ['soy'] },
  ]);
});
