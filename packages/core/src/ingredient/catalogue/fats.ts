import type { Ingredient } from '../ingredientSchema';
import { fatFills, food, poured } from './food';

const MILK: Ingredient['allergens'] = ['milk'];
const HEAT = 2.0;
const OIL = { heat: HEAT, at20: 'liquid' } as const;
const STICK = { stick: [112, 113.4, 115], knob: [10, 15, 25] } as const;
const KNOB = { knob: [10, 15, 25] } as const;

const oil = (
  id: string,
  name: string,
  aliases: string,
  price: number,
  allergens: Ingredient['allergens'] = [],
) =>
  food(id, name, 'fat', [0, 0, 1, 0, 0], {
    ...OIL,
    aliases,
    allergens,
    fills: poured(0.918, 0.006),
    pack: [4590, price],
  });

/** Fats. Salted butter carries its salt in its ash. */
export const FATS: readonly Ingredient[] = [
  food('lard', 'Lard', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'pork lard, pork fat, manteca, leaf lard',
    fills: fatFills(0.87, 0.9),
    pieces: KNOB,
    heat: HEAT,
    pack: [10_000, 32],
    at20: 'soft',
  }),
  food('shortening', 'Vegetable shortening', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'shortening, vegetable fat, white vegetable fat, solid vegetable fat, vegetable lard',
    fills: fatFills(0.81, 0.9),
    pieces: { ...KNOB, stick: [94, 96, 98] },
    heat: HEAT,
    pack: [10_000, 34],
    at20: 'solid',
  }),
  food('tallow', 'Beef tallow', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'tallow, beef fat, beef dripping, dripping, suet',
    fills: fatFills(0.87, 0.9),
    pieces: KNOB,
    heat: HEAT,
    pack: [10_000, 36],
    at20: 'solid',
  }),
  food('chicken-fat', 'Chicken fat', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'schmaltz, duck fat, goose fat, rendered chicken fat',
    fills: fatFills(0.87, 0.9),
    pieces: KNOB,
    heat: HEAT,
    pack: [2000, 14],
    at20: 'soft',
  }),
  food('butter', 'Butter, unsalted', 'fat', [0.17, 0.008, 0.815, 0.005, 0.002], {
    aliases: 'unsalted butter, sweet butter, sweet cream butter',
    fills: fatFills(0.95, 0.91),
    pieces: STICK,
    heat: 2.3,
    pack: [5000, 41],
    allergens: MILK,
    at20: 'solid',
  }),
  food('butter-salted', 'Butter, salted', 'fat', [0.165, 0.008, 0.805, 0.005, 0.017], {
    aliases: 'salted butter',
    fills: fatFills(0.95, 0.91),
    pieces: STICK,
    heat: 2.3,
    pack: [5000, 41],
    allergens: MILK,
    at20: 'solid',
    note: 'About 1.5 % salt: count it when you set the salt of the dough.',
  }),
  food('butter-cultured', 'Cultured butter', 'fat', [0.16, 0.007, 0.825, 0.006, 0.002], {
    aliases: 'lactic butter, european butter, sour cream butter',
    fills: fatFills(0.95, 0.91),
    pieces: STICK,
    heat: 2.3,
    pack: [5000, 46],
    allergens: MILK,
    at20: 'solid',
  }),
  food('ghee', 'Ghee', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'clarified butter, butter oil, desi ghee',
    fills: fatFills(0.91, 0.9),
    pieces: KNOB,
    heat: HEAT,
    pack: [5000, 52],
    allergens: MILK,
    at20: 'soft',
  }),
  food('margarine', 'Baking margarine', 'fat', [0.18, 0.002, 0.8, 0.005, 0.013], {
    aliases: 'margarine, block margarine, oleo',
    fills: fatFills(0.95, 0.91),
    pieces: STICK,
    heat: 2.3,
    pack: [5000, 17],
    at20: 'solid',
  }),
  food('coconut-oil', 'Coconut oil', 'fat', [0, 0, 1, 0, 0], {
    aliases: 'coconut fat, solid coconut oil',
    fills: fatFills(0.9, 0.915),
    pieces: KNOB,
    heat: HEAT,
    pack: [2500, 19],
    at20: 'solid',
  }),
  oil('oil-rapeseed', 'Rapeseed oil', 'canola oil, canola, rape seed oil, colza oil', 12),
  oil('oil-sunflower', 'Sunflower oil', 'sun flower oil', 11),
  oil('oil-olive', 'Olive oil', 'extra virgin olive oil, virgin olive oil, evoo', 38),
  oil('oil-maize', 'Maize oil', 'corn oil', 13),
  oil('oil-soy', 'Soybean oil', 'soya oil, soy oil, soya bean oil', 11, ['soy']),
  oil('oil-groundnut', 'Groundnut oil', 'peanut oil, arachide oil', 16, ['peanut']),
  oil('oil-sesame', 'Sesame oil', 'toasted sesame oil', 42, ['sesame']),
  oil('oil-grapeseed', 'Grapeseed oil', 'grape seed oil', 26),
];
