import { heatCapacity } from '../ingredient/heatCapacity';
import type { Ingredient } from '../ingredient/ingredientSchema';

/** Masses in grams, temperatures in °C, specific heats in kJ/(kg K), heats in kJ. */

/** Something that goes into the dough at a temperature. */
export interface HeatPart {
  massG: number;
  heatKJKgK: number;
  tempC: number;
  /** Heat that melts all of it, spread evenly over the melting range; 0 for what does not melt. */
  latentKJKg: number;
}

const G_PER_KG = 1000;
/** Specific heats that heat balances of doughs are worked with, by kind; others follow their composition. */
const KIND_HEAT: Partial<Record<Ingredient['kind'], number>> = {
  flour: 1.75,
  water: 4.18,
  fat: 2,
  salt: 0.88,
  sugar: 1.25,
};
/** Fats that are solid in a cool kitchen melt over this range (assumption). */
const MELTING_C = { from: 20, to: 42 } as const;
/** Heat that melts a fat, kJ/kg of its fat (assumptions). */
const LATENT_KJ_KG = { lard: 70, shortening: 60, butter: 75, other: 65 } as const;
/** Heat that flour gives off as it takes up water, kJ/kg of flour (assumption). */
export const HYDRATION_HEAT_KJ_KG = 6;
const WATER_HEAT_KJ_KGK = 4.18;
/** Heat that melts ice, kJ/kg. */
const ICE_KJ_KG = 334;

const latentOf = (food: Ingredient): number => {
  if (food.at20 !== 'solid' && food.at20 !== 'soft') return 0;
  const kind = (['lard', 'shortening', 'butter'] as const).find((name) => food.id.includes(name));
  return LATENT_KJ_KG[kind ?? 'other'] * food.fat;
};

/**
 * An ingredient as a part of a heat balance.
 * @param food ingredient
 * @param massG g
 * @param tempC °C
 */
export const heatPart = (food: Ingredient, massG: number, tempC: number): HeatPart => ({
  massG,
  heatKJKgK: food.heatKJKgK ?? KIND_HEAT[food.kind] ?? heatCapacity(food),
  tempC,
  latentKJKg: latentOf(food),
});

/** Share of a fat that melts between two temperatures; negative when it sets. */
const meltedShare = (fromC: number, toC: number): number => {
  const at = (tempC: number) =>
    Math.min(1, Math.max(0, (tempC - MELTING_C.from) / (MELTING_C.to - MELTING_C.from)));
  return at(toC) - at(fromC);
};

/** Heat that brings a part to a temperature, kJ. */
const heatTo = ({ massG, heatKJKgK, tempC, latentKJKg }: HeatPart, toC: number): number =>
  (massG / G_PER_KG) * (heatKJKgK * (toC - tempC) + latentKJKg * meltedShare(tempC, toC));

/**
 * Heat that warms all parts by one degree, kJ/K, without melting.
 * @param parts parts with g and °C
 * @returns kJ/K
 */
export const heatOfDegree = (parts: readonly HeatPart[]): number =>
  parts.reduce((sum, part) => sum + (part.massG / G_PER_KG) * part.heatKJKgK, 0);

/**
 * Temperature of the dough when everything is mixed.
 * @param extraKJ heat that comes in besides: friction and hydration
 */
export function mixedTemperature(parts: readonly HeatPart[], extraKJ = 0): number {
  let low = Math.min(...parts.map(({ tempC }) => tempC)) - 20;
  let high = Math.max(...parts.map(({ tempC }) => tempC)) + extraKJ / heatOfDegree(parts) + 1;
  // The heat needed grows with the temperature, so halving always closes in.
  for (let i = 0; i < 60; i += 1) {
    const middle = (low + high) / 2;
    const neededKJ = parts.reduce((sum, part) => sum + heatTo(part, middle), 0);
    if (neededKJ < extraKJ) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export interface WaterQuestion {
  /** Everything but the liquid. */
  dry: readonly HeatPart[];
  liquidG: number;
  liquidHeatKJKgK: number;
  wantedC: number;
  /** Friction and hydration, kJ. */
  extraKJ: number;
  /** The liquid as it comes, °C: the tap, or the fridge for milk. */
  comesAtC: number;
  /** Ice is water: it may take the place of water only. */
  isWater: boolean;
}

/** What the liquid must be so that the dough comes out at a temperature. */
export interface WaterAnswer {
  /** Of the liquid, were any temperature possible. */
  liquidC: number;
  /** Whether water of 0 to 100 °C does it. */
  reachable: boolean;
  /** Part of the liquid given as ice, the rest as it comes; null when no ice is needed or no amount is enough. */
  ice: { iceG: number; liquidG: number } | null;
  /** Where it cannot be reached: the dough that the liquid at 0 °C, all ice, or at 100 °C gives. */
  bestDoughC: number | null;
  /** Temperature of the dry parts that would make it reachable with liquid at 0 or 100 °C. */
  dryC: number | null;
}

/** Boiling and freezing bound what a liquid can do. */
const LIQUID_C = { coldest: 0, hottest: 100 } as const;

/** Ice in place of liquid: (m − i) c (T − T_l) + i (334 + c T) takes up what the rest gives. */
function iceFor(q: WaterQuestion, dryKJ: number): WaterAnswer['ice'] {
  const liquidKg = q.liquidG / G_PER_KG;
  const givenKJ = q.extraKJ - dryKJ;
  const byLiquid = q.liquidHeatKJKgK * (q.wantedC - q.comesAtC);
  const byIce = ICE_KJ_KG + WATER_HEAT_KJ_KGK * q.wantedC;
  const iceKg = (givenKJ - liquidKg * byLiquid) / (byIce - byLiquid);
  if (iceKg <= 0 || iceKg > liquidKg) return null;
  return { iceG: iceKg * G_PER_KG, liquidG: q.liquidG - iceKg * G_PER_KG };
}

/**
 * Temperature of the liquid for a wanted dough temperature:
 * T_w = T_d + [Σ m c (T_d − T) + m_fat L_melt − Q] / (m_w c_w); with ice, or what can be reached, where that is not possible.
 * @param q parts, wanted temperature and friction
 * @returns °C of the liquid, with ice in g where that is needed
 */
export function waterForDough(q: WaterQuestion): WaterAnswer {
  const dryKJ = q.dry.reduce((sum, part) => sum + heatTo(part, q.wantedC), 0);
  const liquidKJK = (q.liquidG / G_PER_KG) * q.liquidHeatKJKgK;
  const liquidC = q.wantedC + (dryKJ - q.extraKJ) / liquidKJK;
  const ice = q.isWater && liquidC < q.comesAtC ? iceFor(q, dryKJ) : null;
  const reachable = liquidC >= LIQUID_C.coldest && liquidC <= LIQUID_C.hottest;
  if (reachable || ice) return { liquidC, reachable, ice, bestDoughC: null, dryC: null };

  const tooCold = liquidC < LIQUID_C.coldest;
  const edgeC = tooCold ? LIQUID_C.coldest : LIQUID_C.hottest;
  const liquid = { massG: q.liquidG, heatKJKgK: q.liquidHeatKJKgK, tempC: edgeC, latentKJKg: 0 };
  const iceKJ = tooCold && q.isWater ? (q.liquidG / G_PER_KG) * ICE_KJ_KG : 0;
  const shortKJ = liquidKJK * (q.wantedC - edgeC) + iceKJ - q.extraKJ;
  const dryKJK = heatOfDegree(q.dry);
  return {
    liquidC,
    reachable,
    ice: null,
    bestDoughC: mixedTemperature([...q.dry, liquid], q.extraKJ - iceKJ),
    dryC: dryKJK > 0 ? q.wantedC + shortKJ / dryKJK : null,
  };
}
