import type { Density, FillMethod, Ingredient, IngredientKind, PieceWeight } from '../ingredientSchema';

/** Water, protein, fat, carbohydrate, ash: mass fractions. */
type Composition = readonly [water: number, protein: number, fat: number, carbohydrate: number, ash: number];
type Interval = readonly [low: number, typical: number, high: number];

interface Details {
  allergens?: Ingredient['allergens'];
  /** Names people write, separated by commas. */
  aliases?: string;
  fills: Partial<Record<FillMethod, Interval>>;
  pieces?: Record<string, Interval>;
  heat: number;
  /** Grams in the pack and its price. */
  pack: readonly [massG: number, price: number];
  absorption?: number;
  rolls?: Ingredient['rolls'];
  at20?: Ingredient['at20'];
  keepCold?: boolean;
  note?: string;
}

/** Where the figures of the catalogue come from. */
const SOURCE =
  'Rounded from public food-composition tables; densities from kitchen weighings; price is an example';

/** One entry of the catalogue, from its short form. */
export function food(
  id: string,
  name: string,
  kind: IngredientKind,
  [water, protein, fat, carbohydrate, ash]: Composition,
  { allergens = [], aliases = '', fills, pieces = {}, heat, pack, ...rest }: Details,
): Ingredient {
  const densities = Object.entries(fills).map(([fill, [low, typical, high]]): Density => ({
    fill: fill as FillMethod,
    low,
    typical,
    high,
  }));
  const weights = Object.entries(pieces).map(([piece, [lowG, typicalG, highG]]): PieceWeight => ({
    name: piece,
    lowG,
    typicalG,
    highG,
  }));
  return {
    id,
    name,
    kind,
    water,
    protein,
    fat,
    carbohydrate,
    ash,
    allergens,
    aliases: aliases.split(',').flatMap((alias) => alias.trim() || []),
    densities,
    ...(weights.length > 0 ? { pieces: weights } : {}),
    heatKJKgK: heat,
    pack: { massG: pack[0], price: pack[1] },
    source: SOURCE,
    ...rest,
  };
}

/** The four fills of a flour, as a multiple of the wheat flour that cooks weigh most. */
export function flourFills(factor = 1): Details['fills'] {
  const of = (...interval: Interval): Interval => {
    const [low, typical, high] = interval.map((value) => Number((value * factor).toFixed(3)));
    return [low ?? 0, typical ?? 0, high ?? 0];
  };
  return {
    sifted: of(0.44, 0.47, 0.51),
    spooned: of(0.5, 0.53, 0.56),
    scooped: of(0.56, 0.6, 0.64),
    packed: of(0.63, 0.66, 0.7),
  };
}

/** A liquid has one density, known closely. */
export const poured = (density: number, spread = 0.01): Details['fills'] => ({
  poured: [Number((density - spread).toFixed(3)), density, Number((density + spread).toFixed(3))],
});

/** A powder or grain, levelled in its spoon or cup. */
export const level = (low: number, typical: number, high: number): Details['fills'] => ({
  level: [low, typical, high],
});

/** A fat that can be pressed in, dropped in with gaps, or melted. */
export const fatFills = (solid: number, melted: number): Details['fills'] => {
  const around = (middle: number, below: number, above: number): Interval =>
    hundredths(middle - below, middle, middle + above);
  return {
    packed: around(solid, 0.03, 0.02),
    spooned: around(solid - 0.09, 0.07, 0.05),
    melted: around(melted, 0.01, 0.01),
  };
};

/** Densities are not known finer than this. */
const hundredths = (...[low, typical, high]: Interval): Interval => {
  const round = (value: number) => Number(value.toFixed(2));
  return [round(low), round(typical), round(high)];
};
