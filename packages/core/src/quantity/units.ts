import { GRAMS_PER_OUNCE, GRAMS_PER_POUND, ML_PER_FLUID_OUNCE } from './customary';

/** What an amount measures. */
export type UnitKind = 'mass' | 'volume';

/** Which cup and spoons the kitchen uses; it chooses once. */
export type Measures = 'us' | 'metric';

export interface Unit {
  id:
    | 'g'
    | 'kg'
    | 'mg'
    | 'oz'
    | 'lb'
    | 'ml'
    | 'cl'
    | 'dl'
    | 'l'
    | 'tsp'
    | 'tbsp'
    | 'cup'
    | 'floz'
    | 'pint'
    | 'quart';
  kind: UnitKind;
  /** Grams (mass) or millilitres (volume) in one of this unit. */
  size: number;
  /** How people write it, in small letters. */
  names: readonly string[];
}

/** Millilitres of the measuring cup and spoons. US: customary sizes; metric: the rounded 250/15/5. */
const SPOONS: Record<Measures, { cup: number; tbsp: number; tsp: number }> = {
  us: { cup: 236.588, tbsp: 14.787, tsp: 4.929 },
  metric: { cup: 250, tbsp: 15, tsp: 5 },
};

/** Pints differ by country: the US liquid pint, and the imperial one where cups are metric. */
const PINT_ML: Record<Measures, number> = { us: 473.176, metric: 568.261 };

/**
 * The units the kitchen understands, for its cups and spoons.
 * @param measures whose cups and spoons
 */
export function unitsFor(measures: Measures): readonly Unit[] {
  const spoons = SPOONS[measures];
  return [
    { id: 'g', kind: 'mass', size: 1, names: ['g', 'gram', 'grams', 'gr'] },
    { id: 'kg', kind: 'mass', size: 1000, names: ['kg', 'kilo', 'kilos', 'kilogram', 'kilograms'] },
    { id: 'mg', kind: 'mass', size: 0.001, names: ['mg'] },
    { id: 'oz', kind: 'mass', size: GRAMS_PER_OUNCE, names: ['oz', 'ounce', 'ounces'] },
    { id: 'lb', kind: 'mass', size: GRAMS_PER_POUND, names: ['lb', 'lbs', 'pound', 'pounds'] },
    {
      id: 'ml',
      kind: 'volume',
      size: 1,
      names: ['ml', 'millilitre', 'millilitres', 'milliliter', 'milliliters'],
    },
    { id: 'cl', kind: 'volume', size: 10, names: ['cl', 'centilitre', 'centilitres', 'centiliter'] },
    {
      id: 'dl',
      kind: 'volume',
      size: 100,
      names: ['dl', 'decilitre', 'decilitres', 'deciliter', 'deciliters'],
    },
    { id: 'l', kind: 'volume', size: 1000, names: ['l', 'litre', 'litres', 'liter', 'liters'] },
    { id: 'tsp', kind: 'volume', size: spoons.tsp, names: ['tsp', 'tsps', 'teaspoon', 'teaspoons'] },
    { id: 'tbsp', kind: 'volume', size: spoons.tbsp, names: ['tbsp', 'tbsps', 'tablespoon', 'tablespoons'] },
    { id: 'cup', kind: 'volume', size: spoons.cup, names: ['cup', 'cups'] },
    {
      id: 'floz',
      kind: 'volume',
      size: ML_PER_FLUID_OUNCE,
      names: ['fl oz', 'floz', 'fluid ounce', 'fluid ounces'],
    },
    { id: 'pint', kind: 'volume', size: PINT_ML[measures], names: ['pint', 'pints', 'pt'] },
    { id: 'quart', kind: 'volume', size: 2 * PINT_ML[measures], names: ['quart', 'quarts', 'qt'] },
  ];
}
