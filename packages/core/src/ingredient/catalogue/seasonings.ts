import type { Ingredient } from '../ingredientSchema';
import { food, level, poured } from './food';

const SALT_HEAT = 0.88;
const SUGAR_HEAT = 1.25;
const PACKET = { packet: [6.5, 7, 8] } as const;

const salt = (
  id: string,
  name: string,
  aliases: string,
  spoon: readonly [number, number, number],
  price: number,
) =>
  food(id, name, 'salt', [0, 0, 0, 0, 1], {
    aliases,
    fills: level(...spoon),
    heat: SALT_HEAT,
    pack: [10_000, price],
    note: 'By weight every crystal salts alike; by the spoon they differ up to twofold.',
  });

const sugar = (
  id: string,
  name: string,
  aliases: string,
  spoon: readonly [number, number, number],
  price: number,
) =>
  food(id, name, 'sugar', [0.005, 0, 0, 0.99, 0.005], {
    aliases,
    fills: level(...spoon),
    heat: SUGAR_HEAT,
    pack: [10_000, price],
  });

/** Salts by crystal, leaveners, sugars, milk powder, seeds, herbs and what else is kneaded in. Leaveners count as ash: their gas is in the product's air. */
export const SEASONINGS: readonly Ingredient[] = [
  salt(
    'salt-fine',
    'Fine salt',
    'table salt, fine sea salt, iodised salt, iodized salt',
    [1.15, 1.22, 1.3],
    6,
  ),
  salt(
    'salt-coarse',
    'Coarse salt',
    'coarse sea salt, rock salt, cooking salt, coarse kosher salt',
    [0.95, 1.05, 1.15],
    8,
  ),
  salt('salt-kosher', 'Hollow-flake salt', 'kosher salt, light flake salt', [0.56, 0.64, 0.75], 12),
  salt(
    'salt-flaky',
    'Sea-salt flakes',
    'flaky salt, flaky sea salt, salt flakes, sea salt flakes',
    [0.5, 0.62, 0.75],
    34,
  ),
  food('baking-powder', 'Baking powder', 'leavener', [0, 0, 0, 0.3, 0.7], {
    aliases: 'double acting baking powder, bp',
    fills: level(0.8, 0.9, 1),
    heat: 1.2,
    pack: [1000, 6],
  }),
  food('baking-soda', 'Baking soda', 'leavener', [0, 0, 0, 0, 1], {
    aliases: 'bicarbonate of soda, sodium bicarbonate, bicarb, bicarbonate, soda, bread soda',
    fills: level(0.9, 0.96, 1.05),
    heat: 1.04,
    pack: [1000, 4],
    note: 'Needs something sour, like yogurt or buttermilk.',
  }),
  food('cream-of-tartar', 'Cream of tartar', 'leavener', [0, 0, 0, 0, 1], {
    aliases: 'potassium bitartrate, tartar',
    fills: level(0.6, 0.7, 0.8),
    heat: 1.1,
    pack: [500, 9],
  }),
  food('yeast-dry', 'Dry yeast, instant', 'leavener', [0, 0.44, 0.06, 0.44, 0.06], {
    aliases:
      'instant yeast, fast action yeast, instant dry yeast, rapid rise yeast, easy bake yeast, bread machine yeast',
    fills: level(0.58, 0.64, 0.7),
    pieces: PACKET,
    heat: 1.6,
    pack: [500, 6],
  }),
  food('yeast-active-dry', 'Dry yeast, active', 'leavener', [0.06, 0.41, 0.06, 0.41, 0.06], {
    aliases: 'active dry yeast, active dried yeast',
    fills: level(0.58, 0.64, 0.7),
    pieces: PACKET,
    heat: 1.7,
    pack: [500, 6],
  }),
  food('yeast-fresh', 'Fresh yeast', 'leavener', [0.7, 0.13, 0.02, 0.12, 0.03], {
    aliases: 'compressed yeast, cake yeast, live yeast, bakers yeast fresh',
    fills: level(0.6, 0.7, 0.8),
    pieces: { cube: [41, 42, 43] },
    heat: 3.2,
    pack: [500, 2.5],
    note: 'Keep cold; use within two weeks.',
  }),
  food('sourdough', 'Sourdough starter', 'other', [0.57, 0.055, 0.006, 0.366, 0.003], {
    aliases: 'starter, levain, leaven, sour dough, sourdough discard',
    fills: level(0.7, 0.95, 1.1),
    heat: 2.9,
    pack: [1000, 1],
    allergens: ['gluten', 'wheat'],
    note: 'Taken as equal parts of flour and water. Its flour is not counted in the 100 %.',
  }),
  sugar(
    'sugar-white',
    'White sugar',
    'sugar, granulated sugar, caster sugar, castor sugar, superfine sugar',
    [0.82, 0.85, 0.9],
    12,
  ),
  sugar(
    'sugar-brown',
    'Brown sugar',
    'light brown sugar, dark brown sugar, muscovado, demerara',
    [0.72, 0.85, 0.95],
    16,
  ),
  sugar('sugar-icing', 'Icing sugar', 'powdered sugar, confectioners sugar', [0.45, 0.53, 0.6], 15),
  food('jaggery', 'Jaggery', 'sugar', [0.06, 0.004, 0.001, 0.92, 0.015], {
    aliases: 'panela, piloncillo, palm sugar, gur',
    fills: level(0.7, 0.8, 0.95),
    heat: SUGAR_HEAT,
    pack: [5000, 14],
  }),
  food('honey', 'Honey', 'sugar', [0.172, 0.003, 0, 0.823, 0.002], {
    aliases: 'clear honey, runny honey',
    fills: poured(1.42, 0.02),
    heat: 2.4,
    pack: [1000, 9],
  }),
  food('malt-syrup', 'Malt syrup', 'sugar', [0.21, 0.06, 0, 0.713, 0.012], {
    aliases: 'barley malt syrup, malt extract, malt, liquid malt',
    fills: poured(1.4, 0.03),
    heat: 2.5,
    pack: [1000, 8],
    allergens: ['gluten', 'barley'],
  }),
  food('malt-powder', 'Malt powder, diastatic', 'sugar', [0.08, 0.1, 0.018, 0.782, 0.02], {
    aliases: 'diastatic malt, diastatic malt powder, malt flour, malted barley flour',
    fills: level(0.55, 0.62, 0.7),
    heat: 1.7,
    pack: [1000, 9],
    allergens: ['gluten', 'barley'],
  }),
  food('molasses', 'Molasses', 'sugar', [0.22, 0, 0.001, 0.749, 0.03], {
    aliases: 'treacle, black treacle, golden syrup',
    fills: poured(1.4, 0.03),
    heat: 2.4,
    pack: [1000, 6],
    allergens: ['sulphites'],
  }),
  food('milk-powder', 'Skimmed milk powder', 'dairy', [0.035, 0.355, 0.008, 0.525, 0.077], {
    aliases: 'skim milk powder, nonfat dry milk, dried skimmed milk, dry milk powder, nonfat milk powder',
    fills: { spooned: [0.42, 0.48, 0.55], packed: [0.55, 0.62, 0.7] },
    heat: 1.6,
    pack: [1000, 7],
    allergens: ['milk'],
  }),
  food('milk-powder-whole', 'Whole milk powder', 'dairy', [0.03, 0.26, 0.267, 0.384, 0.06], {
    aliases: 'full cream milk powder, dried whole milk, full fat milk powder',
    fills: { spooned: [0.42, 0.48, 0.55], packed: [0.55, 0.62, 0.7] },
    heat: 1.7,
    pack: [1000, 9],
    allergens: ['milk'],
  }),
  food('vinegar', 'White vinegar', 'other', [0.945, 0, 0, 0.005, 0.001], {
    aliases: 'vinegar, distilled vinegar, cider vinegar, apple cider vinegar, wine vinegar',
    fills: poured(1.01),
    heat: 4.05,
    pack: [5000, 5],
  }),
  food('lemon-juice', 'Lemon juice', 'other', [0.91, 0.004, 0.002, 0.08, 0.003], {
    aliases: 'lime juice, juice of lemon',
    fills: poured(1.03, 0.02),
    heat: 3.9,
    pack: [1000, 4],
  }),
  food('sesame-seed', 'Sesame seed', 'other', [0.047, 0.18, 0.5, 0.228, 0.045], {
    aliases: 'sesame, white sesame, black sesame',
    fills: level(0.56, 0.61, 0.66),
    heat: 1.9,
    pack: [1000, 8],
    allergens: ['sesame'],
  }),
  food('nigella-seed', 'Nigella seed', 'other', [0.06, 0.2, 0.35, 0.34, 0.05], {
    aliases: 'nigella, kalonji, black onion seed, black caraway',
    fills: level(0.5, 0.56, 0.62),
    heat: 1.9,
    pack: [500, 6],
  }),
  food('poppy-seed', 'Poppy seed', 'other', [0.06, 0.18, 0.42, 0.28, 0.06], {
    aliases: 'poppy',
    fills: level(0.55, 0.6, 0.65),
    heat: 1.9,
    pack: [1000, 9],
  }),
  food('cumin-seed', 'Cumin seed', 'other', [0.08, 0.18, 0.22, 0.44, 0.08], {
    aliases: 'cumin, jeera, caraway, caraway seed, ajwain, carom seed',
    fills: level(0.38, 0.44, 0.5),
    heat: 1.9,
    pack: [500, 7],
  }),
  food('fennel-seed', 'Fennel seed', 'other', [0.09, 0.16, 0.15, 0.52, 0.08], {
    aliases: 'fennel, anise, aniseed, anise seed',
    fills: level(0.34, 0.4, 0.46),
    heat: 1.9,
    pack: [500, 7],
  }),
  food('sunflower-seed', 'Sunflower seed', 'other', [0.05, 0.21, 0.51, 0.2, 0.03], {
    aliases: 'pumpkin seed, sunflower kernels',
    fills: level(0.54, 0.59, 0.64),
    heat: 1.9,
    pack: [1000, 5],
  }),
  food('linseed', 'Linseed', 'other', [0.07, 0.18, 0.42, 0.29, 0.04], {
    aliases: 'flaxseed, flax seed, flax, linseeds, chia seed, chia',
    fills: level(0.62, 0.68, 0.74),
    heat: 1.9,
    pack: [1000, 5],
  }),
  food('wheat-bran', 'Wheat bran', 'other', [0.11, 0.155, 0.043, 0.635, 0.057], {
    aliases: 'bran, miller bran',
    fills: { spooned: [0.2, 0.25, 0.3], packed: [0.28, 0.34, 0.4] },
    heat: 1.75,
    pack: [5000, 7],
    allergens: ['gluten', 'wheat'],
  }),
  food('garlic', 'Garlic', 'other', [0.6, 0.06, 0.005, 0.32, 0.015], {
    aliases: 'garlic clove, fresh garlic, chopped garlic, minced garlic, crushed garlic',
    fills: level(0.5, 0.58, 0.66),
    pieces: { clove: [3, 5, 8] },
    heat: 3.1,
    pack: [1000, 8],
  }),
  food('onion', 'Onion', 'other', [0.89, 0.011, 0.001, 0.093, 0.005], {
    aliases: 'chopped onion, red onion, spring onion, scallion, shallot',
    fills: level(0.55, 0.65, 0.75),
    pieces: { onion: [90, 130, 180] },
    heat: 3.8,
    pack: [10_000, 9],
  }),
  food('herbs-fresh', 'Fresh herbs, chopped', 'other', [0.85, 0.03, 0.008, 0.085, 0.02], {
    aliases:
      'parsley, coriander, cilantro, coriander leaf, dill, mint, chives, basil, fresh herbs, herbs, fenugreek leaf',
    fills: { spooned: [0.12, 0.18, 0.25], packed: [0.25, 0.32, 0.4] },
    pieces: { bunch: [20, 30, 50] },
    heat: 3.7,
    pack: [500, 6],
  }),
  food('herbs-dried', 'Dried herbs', 'other', [0.08, 0.1, 0.07, 0.65, 0.1], {
    aliases:
      'dried oregano, oregano, dried thyme, thyme, zaatar, dried mint, kasuri methi, rosemary, dried rosemary, dried herb',
    fills: level(0.15, 0.22, 0.3),
    heat: 1.7,
    pack: [500, 9],
  }),
  food('chilli-ground', 'Ground chilli', 'other', [0.08, 0.13, 0.14, 0.58, 0.07], {
    aliases: 'chilli powder, chili powder, paprika, cayenne, chilli flakes, chili flakes, red pepper flakes',
    fills: level(0.4, 0.48, 0.56),
    heat: 1.8,
    pack: [500, 8],
  }),
  food('turmeric', 'Ground turmeric', 'other', [0.12, 0.095, 0.04, 0.67, 0.07], {
    aliases: 'turmeric, turmeric powder, haldi',
    fills: level(0.52, 0.6, 0.68),
    heat: 1.8,
    pack: [500, 7],
  }),
  food('potato-mashed', 'Mashed potato', 'other', [0.78, 0.02, 0.003, 0.187, 0.01], {
    aliases: 'mashed potatoes, boiled potato, potato, potatoes',
    fills: level(0.9, 0.98, 1.05),
    pieces: { potato: [100, 150, 220] },
    heat: 3.5,
    pack: [10_000, 12],
    keepCold: true,
    note: 'Perishable: keep cold, and limit its time in the warm by your local food code.',
  }),
];
