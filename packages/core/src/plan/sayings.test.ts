import { formula as plain, kitchen } from '../test/examples';
import { said } from '../test/said';
import { type Formula, formulaSchema } from '../formula/formulaSchema';
import { goodWords } from '../formula/goodWords';
import { smokesAt } from './cautions';
import { mixGuide } from './mixGuide';
import { planBatch } from './planBatch';

const withMethod = (method: Partial<Formula['method']>, formula: Formula = plain): Formula => ({
  ...formula,
  method: { ...formula.method, ...method },
});
const guide = (formula: Formula) =>
  mixGuide(planBatch({ formula, need: { by: 'pieces', pieces: 12, ballG: 92 }, kitchen }))
    .map(({ text }) => said(text))
    .join('\n');
const lineOf = (id: string, ingredient: string, fraction: number) => ({ id, ingredient, fraction });
const withLines = (...lines: Formula['lines']): Formula =>
  formulaSchema.parse({ ...plain, lines: [...plain.lines.slice(0, 2), ...lines] });

test('a dough without salt is not told where its salt goes', () => {
  expect(guide(plain)).toContain('Salt goes into the flour.');
  const unsalted = withLines(lineOf('water', 'water', 0.54), lineOf('oil', 'oil-rapeseed', 0.1));
  expect(guide(unsalted)).not.toMatch(/salt/i);
});

test('while water is held back nobody is sent to turn until no dry flour is left', () => {
  expect(guide(plain)).toContain('a little dry flour may be left');
  expect(guide(withMethod({ holdBack: 0 }))).toContain('until no dry flour is left');
});

test('peas of fat make layers under cool water only; hot water melts them', () => {
  const lard = withLines(
    lineOf('water', 'water', 0.54),
    lineOf('lard', 'lard', 0.1),
    lineOf('salt', 'salt-fine', 0.018),
  );
  const rubbed = withMethod({ school: 'rubbed-in', liquidTempC: 20 }, lard);
  expect(guide(rubbed)).toContain('the peas make the layers');
  expect(guide(withMethod({ liquidTempC: 70 }, rubbed))).toContain('the warm liquid melts what is left');
});

test('what is poured together is named in one list', () => {
  const yogurt = withLines(
    lineOf('yogurt', 'yogurt-plain', 0.3),
    lineOf('water', 'water', 0.3),
    lineOf('ghee', 'ghee', 0.05),
  );
  const words = guide(withMethod({ school: 'yogurt-leavener' }, yogurt));
  expect(words).toMatch(/^Plain yogurt, water and ghee in at once/m);
});

test('one flour is not stirred together with anything, oil is not melted, and no milk is taken from the cold without any', () => {
  const oiled = withMethod({ school: 'oil' });
  expect(guide(oiled)).not.toMatch(/melted/);
  expect(guide(withMethod({ fatIn: 'whisked' }, withLines(lineOf('butter', 'butter', 0.1))))).toMatch(
    /Butter.*, melted at/,
  );
  const lean = withLines(lineOf('water', 'water', 0.6), lineOf('yeast', 'yeast-dry', 0.01));
  const one = { ...plain, lines: [lineOf('flour', 'flour-strong', 1), lineOf('water', 'water', 0.6)] };
  expect(guide(one)).toMatch(/^Strong flour into the bowl\.$/m);
  const risen = guide(withMethod({ school: 'yogurt-leavener' }, lean));
  expect(risen).not.toMatch(/milk|soap/);
  expect(risen).toContain('the leavener works where it is');
});

test('flour on a plate smokes before the iron does', () => {
  const dusted = (benchFlour: boolean) => withMethod({ shaping: { ...plain.method.shaping, benchFlour } });
  expect([195, 205, 250].map((plateC) => smokesAt(dusted(true), plateC, 'thin wheat'))).toEqual([
    false,
    true,
    true,
  ]);
  expect([195, 205, 250].map((plateC) => smokesAt(dusted(false), plateC, 'thin wheat'))).toEqual([
    false,
    false,
    true,
  ]);
  // A rich dough sweats fat, flour or none.
  expect(smokesAt(dusted(false), 205, 'enriched wheat')).toBe(true);
});

test('a good piece is what the product asks for: black where blisters are wanted, crisp where it stays crisp', () => {
  const good = (product: Partial<Formula['product']>) =>
    said(goodWords({ ...plain, product: { ...plain.product, ...product } }));
  expect(good({})).toBe('Good: folds without a crack, right size, freckles, no black.');
  expect(good({ spots: 'deep freckles' })).toContain('a few of them black');
  expect(good({ fold: 'stays crisp', spots: 'pale' })).toBe(
    'Good: crisp all over, right size, pale, hardly a freckle.',
  );
  expect(good({ spots: 'deep freckles', black: 0.2 })).toContain('up to 20\u00a0% of a face black');
  expect(good({ black: 0 })).toContain('no black');
  const flamed = { ...plain, bake: { ...plain.bake, finish: { kind: 'flame' as const, seconds: 5 } } };
  expect(said(goodWords(flamed))).not.toContain('no black');
});
