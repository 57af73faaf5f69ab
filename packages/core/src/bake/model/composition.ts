import type { ResolvedLine } from '../../formula/formulaSchema';
import { WATER_KG_M3 } from './constants';

/** Masses of what a dough is made of, in any one unit. */
export interface DoughParts {
  water: number;
  protein: number;
  fat: number;
  /** Salt and other minerals. */
  ash: number;
  /** Starch, sugar, fibre: what is left. */
  carb: number;
}

/** What the model needs to know of a dough. X is kilograms of water per kilogram of dry matter. */
export interface DoughProperties {
  /** X at the start. */
  waterPerDry: number;
  densityKgM3: number;
  /** Dry matter in a cubic metre of raw dough. */
  dryKgM3: number;
  dryHeatJKgK: number;
  /** Share of the volume that is solids. */
  solidVolume: number;
  /** Conductivity of the solids times their volume share, as a polynomial in °C. */
  solidConductivity: readonly [number, number, number];
  /** Share of the dry matter that is not fat, and so holds water. */
  nonFatShare: number;
  /** Wet-basis moisture. */
  moisture: number;
}

/** Wheat flour as shares of its mass (common white flour). */
const FLOUR = { water: 0.135, protein: 0.11, fat: 0.012, ash: 0.006 } as const;

type Solid = Exclude<keyof DoughParts, 'water'>;
type Polynomial = readonly [number, number, number];
/** Conductivity (W/mK), specific heat (J/kgK) and density (kg/m³) of food components over °C (Choi & Okos 1986). */
const COMPONENTS: Record<Solid, { k: Polynomial; c: Polynomial; rho: readonly [number, number] }> = {
  protein: {
    k: [0.17881, 1.1958e-3, -2.7178e-6],
    c: [2008.2, 1.2089, -1.3129e-3],
    rho: [1329.9, -0.5184],
  },
  fat: { k: [0.18071, -2.7604e-4, -1.7749e-7], c: [1984.2, 1.4733, -4.8008e-3], rho: [925.59, -0.41757] },
  carb: { k: [0.20141, 1.3874e-3, -4.3312e-6], c: [1548.8, 1.9625, -5.9399e-3], rho: [1599.1, -0.31046] },
  ash: { k: [0.32961, 1.4011e-3, -2.9069e-6], c: [1092.6, 1.8896, -3.6817e-3], rho: [2423.8, -0.28063] },
};
const SOLIDS = Object.keys(COMPONENTS) as Solid[];
export const WATER_CONDUCTIVITY: Polynomial = [0.57109, 1.7625e-3, -6.7036e-6];
/** Densities are taken at this, specific heats at that. */
const DENSITY_C = 20;
const HEAT_C = 60;

/** A plain dough in baker's percent: flour 100. */
export interface PlainDough {
  water: number;
  fat: number;
  salt: number;
}

/**
 * Parts of a plain dough of white flour, per 100 of flour.
 * @param dough per 100 of flour
 * @returns per 100 of flour
 */
export function partsOfPlainDough({ water, fat, salt }: PlainDough): DoughParts {
  const flour = 100;
  return {
    water: water + flour * FLOUR.water,
    protein: flour * FLOUR.protein,
    fat: fat + flour * FLOUR.fat,
    ash: salt + flour * FLOUR.ash,
    carb: flour * (1 - FLOUR.water - FLOUR.protein - FLOUR.fat - FLOUR.ash),
  };
}

/**
 * Parts of a formula's dough, per unit of flour, with every ingredient's own water, fat and protein.
 * @param lines lines joined to their ingredients
 * @returns per unit of flour
 */
export function partsOfLines(lines: readonly ResolvedLine[]): DoughParts {
  const parts: DoughParts = { water: 0, protein: 0, fat: 0, ash: 0, carb: 0 };
  for (const { fraction, food } of lines) {
    const mineral =
      food.kind === 'salt' || food.kind === 'leavener'
        ? Math.max(0, 1 - food.water - food.fat - food.protein)
        : food.kind === 'flour'
          ? FLOUR.ash
          : 0;
    parts.water += fraction * food.water;
    parts.fat += fraction * food.fat;
    parts.protein += fraction * food.protein;
    parts.ash += fraction * mineral;
    parts.carb += fraction * Math.max(0, 1 - food.water - food.fat - food.protein - mineral);
  }
  return parts;
}

const at = ([a, b, c]: Polynomial, x: number): number => a + x * (b + x * c);

/**
 * Properties of a raw dough from its parts and its share of air.
 * Volumes add up; the conductivity is the volume-weighted parallel mix.
 * @param parts shares of the dough by mass
 * @param air share of the raw dough's volume
 * @returns density kg/m³, heat J/(kg K), conductivity W/(m K)
 */
export function doughProperties(parts: DoughParts, air: number): DoughProperties {
  const dry = SOLIDS.reduce((sum, solid) => sum + parts[solid], 0);
  if (!(dry > 0) || !(parts.water > 0)) throw new RangeError('a dough needs dry matter and water');
  const total = dry + parts.water;
  const density = (solid: Solid) => COMPONENTS[solid].rho[0] + COMPONENTS[solid].rho[1] * DENSITY_C;
  const volume = SOLIDS.reduce(
    (sum, solid) => sum + parts[solid] / density(solid),
    parts.water / WATER_KG_M3,
  );
  const densityKgM3 = ((1 - air) * total) / volume;
  const dryKgM3 = (densityKgM3 * dry) / total;
  const conductivity: [number, number, number] = [0, 0, 0];
  let solidVolume = 0;
  let dryHeatJKgK = 0;
  for (const solid of SOLIDS) {
    const share = parts[solid] / dry;
    const inVolume = (dryKgM3 * share) / density(solid);
    solidVolume += inVolume;
    COMPONENTS[solid].k.forEach((term, power) => {
      conductivity[power] = (conductivity[power] ?? 0) + inVolume * term;
    });
    dryHeatJKgK += share * at(COMPONENTS[solid].c, HEAT_C);
  }
  return {
    waterPerDry: parts.water / dry,
    densityKgM3,
    dryKgM3,
    dryHeatJKgK,
    solidVolume,
    solidConductivity: conductivity,
    nonFatShare: 1 - parts.fat / dry,
    moisture: parts.water / total,
  };
}
