import type { Ingredient, IngredientKind } from './ingredientSchema';

type Row = [
  id: string,
  name: string,
  kind: IngredientKind,
  water: number,
  protein: number,
  fat: number,
  carbohydrate: number,
  ash: number,
  allergens?: Ingredient['allergens'],
];

/**
 * The ingredients that come with the product. Mass fractions are rounded values of public food-composition
 * knowledge; flours stand at 14 % moisture, the milling standard; salt, fats and leaveners count as dry. Leaveners count as ash: their gas is small
 * against the dough and is covered by the product's air share.
 */
const ROWS: Row[] = [
  // id, name, kind, water, protein, fat, carbohydrate, ash
  ['flour-strong', 'Strong flour', 'flour', 0.14, 0.125, 0.013, 0.716, 0.006, ['gluten']],
  ['flour-plain', 'Plain flour', 'flour', 0.14, 0.105, 0.012, 0.737, 0.006, ['gluten']],
  ['flour-soft', 'Soft flour', 'flour', 0.14, 0.09, 0.011, 0.754, 0.005, ['gluten']],
  ['flour-wholemeal-fine', 'Fine wholemeal', 'flour', 0.14, 0.12, 0.022, 0.703, 0.015, ['gluten']],
  ['flour-wholemeal-coarse', 'Coarse wholemeal', 'flour', 0.14, 0.118, 0.022, 0.704, 0.016, ['gluten']],
  ['flour-semolina', 'Fine semolina', 'flour', 0.14, 0.125, 0.012, 0.715, 0.008, ['gluten']],
  ['flour-rye', 'Light rye flour', 'flour', 0.14, 0.085, 0.013, 0.754, 0.008, ['gluten']],
  ['water', 'Water', 'water', 1, 0, 0, 0, 0],
  ['milk-whole', 'Whole milk', 'dairy', 0.875, 0.033, 0.037, 0.048, 0.007, ['milk']],
  ['milk-skimmed', 'Skimmed milk', 'dairy', 0.908, 0.034, 0.002, 0.049, 0.007, ['milk']],
  ['yogurt-plain', 'Plain yogurt', 'dairy', 0.87, 0.04, 0.033, 0.05, 0.007, ['milk']],
  ['milk-powder', 'Skimmed milk powder', 'dairy', 0.035, 0.355, 0.008, 0.525, 0.077, ['milk']],
  ['butter', 'Butter', 'fat', 0.17, 0.008, 0.815, 0.005, 0.002, ['milk']],
  ['ghee', 'Ghee', 'fat', 0, 0, 1, 0, 0, ['milk']],
  ['lard', 'Lard', 'fat', 0, 0, 1, 0, 0],
  ['shortening', 'Vegetable shortening', 'fat', 0, 0, 1, 0, 0],
  ['oil-rapeseed', 'Rapeseed oil', 'fat', 0, 0, 1, 0, 0],
  ['oil-olive', 'Olive oil', 'fat', 0, 0, 1, 0, 0],
  ['salt-fine', 'Fine salt', 'salt', 0, 0, 0, 0, 1],
  ['baking-powder', 'Baking powder', 'leavener', 0, 0, 0, 0.3, 0.7],
  ['baking-soda', 'Baking soda', 'leavener', 0, 0, 0, 0, 1],
  ['yeast-dry', 'Dry yeast', 'leavener', 0, 0.44, 0.06, 0.44, 0.06],
  ['sugar-white', 'White sugar', 'sugar', 0, 0, 0, 1, 0],
  ['honey', 'Honey', 'sugar', 0.172, 0.003, 0, 0.823, 0.002],
  ['egg-whole', 'Whole egg', 'egg', 0.76, 0.126, 0.1, 0.004, 0.01, ['egg']],
  ['sesame-seed', 'Sesame seed', 'other', 0.047, 0.18, 0.5, 0.228, 0.045, ['sesame']],
];

export const CATALOGUE: readonly Ingredient[] = ROWS.map(
  ([id, name, kind, water, protein, fat, carbohydrate, ash, allergens = []]) => ({
    id,
    name,
    kind,
    water,
    protein,
    fat,
    carbohydrate,
    ash,
    allergens,
  }),
);
