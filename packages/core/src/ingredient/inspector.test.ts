import { said } from '../test/said';
import { stepCautions } from '../plan/cautions';
import { planBatch } from '../plan/planBatch';
import { isPerishable } from './perishable';
import { HOLDINGS } from '../kitchen/holdings';
import { heldBread } from '../log/holding';
import { beforeReheating } from '../log/reheating';
import { formula, request } from '../test/examples';
import { CATALOGUE } from './catalogue';
import { MAY_CONTAIN } from './catalogue/mayContain';
import { ALLERGENS, type Allergen } from './ingredientSchema';

/** The catalogue as an inspector asks: what a name or a kind means must be declared. */
const MUST: readonly [RegExp, Allergen][] = [
  [
    /wheat|strong flour|plain flour|soft flour|type 00|self-raising|extraction|wholemeal$|semolina|spelt/i,
    'wheat',
  ],
  [/(?<!but)(?<!\w)(milk|yogurt|cream|kefir|whey|butter\b|ghee)/i, 'milk'],
  [/\begg/i, 'egg'],
  [/sesame/i, 'sesame'],
  [/soy/i, 'soy'],
  [/groundnut/i, 'peanut'],
  [/\brye\b/i, 'rye'],
  [/barley|malt|beer/i, 'barley'],
  [/\boat/i, 'oats'],
];
const GLUTEN: ReadonlySet<string> = new Set(['wheat', 'rye', 'barley', 'oats']);
/** Names that only sound like it. */
const NOT = new Set(['coconut-milk milk', 'cream-of-tartar milk', 'flour-buckwheat wheat', 'oat-drink milk']);

test.each(CATALOGUE.map((food) => [food.id, food] as const))(
  '%s declares what its name means',
  (id, food) => {
    for (const [words, allergen] of MUST) {
      if (words.test(food.name) && !NOT.has(`${id} ${allergen}`)) expect(food.allergens).toContain(allergen);
    }
    if (food.allergens.some((one) => GLUTEN.has(one))) expect(food.allergens).toContain('gluten');
    expect(food.note ?? '').not.toMatch(/gluten[- ]free|no gluten/i);
    if (food.kind === 'dairy') expect(food.allergens).toContain('milk');
  },
);

test('the list holds every group that labelling laws commonly ask for', () => {
  for (const group of [
    'fish',
    'crustaceans',
    'molluscs',
    'celery',
    'mustard',
    'lupin',
    'sulphites',
    'nuts',
  ]) {
    expect(ALLERGENS).toContain(group);
  }
});

test('what may be in a brand is about an ingredient that is there, and not what is always in it', () => {
  for (const [id, allergens] of Object.entries(MAY_CONTAIN)) {
    const food = CATALOGUE.find((one) => one.id === id);
    expect([...(food?.mayContain ?? [])].sort()).toEqual([...allergens].sort());
    expect(allergens.filter((one) => food?.allergens.includes(one))).toEqual([]);
  }
});

test('drinks of plants and mashed potato spoil in the warm too; powders and fats keep', () => {
  const spoils = (id: string) => isPerishable(CATALOGUE.filter((food) => food.id === id));
  for (const id of ['milk-whole', 'egg-whole', 'soy-drink', 'oat-drink', 'coconut-milk', 'potato-mashed']) {
    expect([id, spoils(id)]).toEqual([id, true]);
  }
  for (const id of ['milk-powder', 'butter', 'water', 'flour-strong'])
    expect([id, spoils(id)]).toEqual([id, false]);
});

test('steps say their danger: raw flour, mixer, hot fat, water on a hot pan, flame, allergens', () => {
  const plan = planBatch(
    request({
      formula: {
        ...formula,
        method: { ...formula.method, mix: { ...formula.method.mix, by: 'machine' } },
        bake: { ...formula.bake, plateC: 260, finish: { kind: 'flame', seconds: 6 } },
        onBread: [
          { id: 'oil-on', ingredient: 'oil-rapeseed', gPerPiece: 2, when: 'on the face' },
          { id: 'pan', ingredient: 'water', gPerPiece: 1, when: 'on the pan' },
        ],
      },
    }),
  );
  const leads = (kind: Parameters<typeof stepCautions>[1]) =>
    stepCautions(plan, kind).map(({ lead }) => lead);
  expect(leads('mix')).toEqual(['Mixer: hands out.']);
  expect(leads('knead')).toEqual(['Raw: no tasting.']);
  expect(leads('divide')).toEqual(['Raw: no tasting.']);
  expect(leads('griddle')).toEqual([
    ...['Flame: tongs, hood on.', 'Hot fat: brush thinly, never pour.'],
    ...['Water spits: keep your face away.', 'Smoke: run the hood.'],
  ]);
  expect(said(leads('finish'))).toEqual(['Contains gluten, wheat.']);
  expect(stepCautions(plan, 'finish')[0]?.text).toMatch(/local food code; the person in charge decides/);
});

test('a limit that nobody set is not the kitchen’s own, and how hot is hot enough is left to the code', () => {
  const held = { held: [{ how: 'cloth' as const, pieces: 3, atMs: 0 }] };
  expect(heldBread({}, held)[0]).toMatchObject({ limitH: 2, limitIsOwn: false });
  expect(heldBread({ holdH: { cloth: 1 } }, held)[0]).toMatchObject({ limitH: 1, limitIsOwn: true });
  for (const how of HOLDINGS.filter((one) => one !== 'served at once')) {
    expect(said(beforeReheating(how))).toMatch(/as your local food code asks/);
  }
});
