import type { Allergen } from '../ingredientSchema';

const MILLED_BESIDE_WHEAT: readonly Allergen[] = ['gluten', 'wheat'];
const SPICE: readonly Allergen[] = ['mustard', 'celery'];
const SEED: readonly Allergen[] = ['sesame', 'mustard'];

/**
 * What is in an ingredient in some brands, or gets in where it is milled or packed: the pack decides. Read as an inspector
 * would ask; beside `allergens`, which is always in it.
 */
export const MAY_CONTAIN: Readonly<Record<string, readonly Allergen[]>> = {
  'flour-rye': ['wheat'],
  'flour-rye-whole': ['wheat'],
  'flour-barley': ['wheat'],
  'flour-oat': ['wheat', 'barley'],
  'oats-rolled': ['wheat', 'barley'],
  'flour-chickpea': MILLED_BESIDE_WHEAT,
  'flour-lentil': MILLED_BESIDE_WHEAT,
  'flour-maize': MILLED_BESIDE_WHEAT,
  'flour-maize-alkali': MILLED_BESIDE_WHEAT,
  'flour-rice': MILLED_BESIDE_WHEAT,
  'flour-buckwheat': MILLED_BESIDE_WHEAT,
  'flour-sorghum': MILLED_BESIDE_WHEAT,
  'flour-millet': MILLED_BESIDE_WHEAT,
  'flour-teff': MILLED_BESIDE_WHEAT,
  'starch-maize': MILLED_BESIDE_WHEAT,
  'starch-potato': ['sulphites'],
  'starch-tapioca': MILLED_BESIDE_WHEAT,
  'coconut-milk': ['sulphites', 'milk', 'nuts'],
  'oat-drink': ['wheat', 'barley'],
  beer: ['wheat', 'sulphites'],
  shortening: ['soy', 'milk'],
  tallow: ['gluten', 'wheat'],
  margarine: ['milk', 'soy'],
  'baking-powder': MILLED_BESIDE_WHEAT,
  'cream-of-tartar': ['sulphites'],
  sourdough: ['rye'],
  jaggery: ['sulphites'],
  'malt-syrup': ['wheat'],
  'malt-powder': ['wheat'],
  vinegar: ['sulphites', 'gluten', 'barley'],
  'lemon-juice': ['sulphites'],
  'nigella-seed': SEED,
  'poppy-seed': SEED,
  'cumin-seed': SEED,
  'fennel-seed': SEED,
  'sunflower-seed': SEED,
  linseed: SEED,
  'herbs-dried': ['sesame', 'gluten', 'wheat', ...SPICE],
  'chilli-ground': SPICE,
  turmeric: SPICE,
  'potato-mashed': ['milk', 'sulphites'],
};
