/**
 * Names that mean more than one ingredient: asked, never guessed. At most three answers, the commonest first.
 * `byWeight` is taken without asking where the amount is a weight and the choice changes nothing.
 */
export interface GenericName {
  ids: readonly string[];
  byWeight?: string;
  ask: string;
}

const WHICH = 'Which one is it?';
const WHOLEMEAL = { ids: ['flour-wholemeal-fine', 'flour-wholemeal-coarse'], ask: 'How fine is it?' };
const RENDERED = { ids: ['lard', 'tallow', 'chicken-fat'], ask: 'Which fat is nearest?' };

export const GENERICS: Readonly<Record<string, GenericName>> = {
  flour: { ids: ['flour-plain', 'flour-strong', 'flour-wholemeal-fine'], ask: 'Which flour?' },
  'white flour': { ids: ['flour-plain', 'flour-strong', 'flour-soft'], ask: 'Which flour?' },
  'wheat flour': { ids: ['flour-plain', 'flour-strong', 'flour-wholemeal-fine'], ask: 'Which flour?' },
  'gluten free flour': { ids: ['flour-rice', 'flour-sorghum', 'flour-maize'], ask: 'Which flour?' },
  'wholemeal bread flour': WHOLEMEAL,
  'whole wheat bread flour': WHOLEMEAL,
  'wholewheat bread flour': WHOLEMEAL,
  'strong wholemeal flour': WHOLEMEAL,
  'bacon fat': RENDERED,
  'bacon grease': RENDERED,
  'bacon drippings': RENDERED,
  'cooking fat': { ids: ['lard', 'shortening', 'oil-rapeseed'], ask: 'Which fat?' },
  'strong wholemeal': { ids: ['flour-wholemeal-fine', 'flour-wholemeal-coarse'], ask: 'How fine is it?' },
  'corn flour': {
    ids: ['flour-maize', 'starch-maize', 'flour-maize-alkali'],
    ask: 'Meal, starch or alkali-treated?',
  },
  cornflour: { ids: ['starch-maize', 'flour-maize'], ask: 'Starch or ground maize?' },
  semolina: { ids: ['flour-semolina', 'flour-semolina-coarse'], ask: 'How fine is it?' },
  'spelt flour': { ids: ['flour-spelt-white', 'flour-spelt'], ask: 'White or wholemeal?' },
  spelt: { ids: ['flour-spelt-white', 'flour-spelt'], ask: 'White or wholemeal?' },
  'potato flour': { ids: ['starch-potato', 'potato-mashed'], ask: WHICH },
  starch: { ids: ['starch-maize', 'starch-potato', 'starch-tapioca'], ask: 'Which starch?' },
  milk: { ids: ['milk-whole', 'milk-semi', 'milk-skimmed'], ask: 'Which milk?' },
  yogurt: { ids: ['yogurt-plain', 'yogurt-strained', 'yogurt-lowfat'], ask: 'Which yogurt?' },
  yoghurt: { ids: ['yogurt-plain', 'yogurt-strained', 'yogurt-lowfat'], ask: 'Which yogurt?' },
  cream: { ids: ['cream-double', 'cream-single', 'cream-sour'], ask: 'Which cream?' },
  'milk powder': { ids: ['milk-powder', 'milk-powder-whole'], ask: 'Skimmed or whole?' },
  'powdered milk': { ids: ['milk-powder', 'milk-powder-whole'], ask: 'Skimmed or whole?' },
  'dry milk': { ids: ['milk-powder', 'milk-powder-whole'], ask: 'Skimmed or whole?' },
  butter: { ids: ['butter', 'butter-salted'], ask: 'Unsalted or salted?' },
  fat: { ids: ['lard', 'shortening', 'oil-rapeseed'], ask: 'Which fat?' },
  oil: { ids: ['oil-rapeseed', 'oil-sunflower', 'oil-olive'], ask: 'Which oil?' },
  'vegetable oil': { ids: ['oil-rapeseed', 'oil-sunflower', 'oil-soy'], ask: 'Which oil?' },
  'neutral oil': { ids: ['oil-rapeseed', 'oil-sunflower'], ask: 'Which oil?' },
  'cooking oil': { ids: ['oil-rapeseed', 'oil-sunflower', 'oil-soy'], ask: 'Which oil?' },
  salt: { ids: ['salt-fine', 'salt-coarse', 'salt-flaky'], byWeight: 'salt-fine', ask: 'Which crystal?' },
  'sea salt': {
    ids: ['salt-fine', 'salt-coarse', 'salt-flaky'],
    byWeight: 'salt-fine',
    ask: 'Which crystal?',
  },
  yeast: { ids: ['yeast-dry', 'yeast-active-dry', 'yeast-fresh'], ask: 'Which yeast?' },
  'dry yeast': { ids: ['yeast-dry', 'yeast-active-dry'], ask: 'Instant or active?' },
  'dried yeast': { ids: ['yeast-dry', 'yeast-active-dry'], ask: 'Instant or active?' },
  leavening: { ids: ['baking-powder', 'baking-soda', 'yeast-dry'], ask: 'Which leavener?' },
  seed: { ids: ['sesame-seed', 'nigella-seed', 'poppy-seed'], ask: 'Which seed?' },
  syrup: { ids: ['malt-syrup', 'honey', 'molasses'], ask: 'Which syrup?' },
};
