import { CONDENSING_LENGTH_M, type Column } from './column';
import { WATER_CONDUCTIVITY } from './composition';
import { KELVIN, STANDARD_PRESSURE_PA, VAPOUR_GAS_J_KGK, WATER_HEAT_J_KGK, WATER_KG_M3 } from './constants';
import { SORPTION_POWER, SORPTION_SLOPE_1_K, waterActivity } from './sorption';
import { ROW, placeOf, tabled } from './tables';

const AIR_CONDUCTIVITY_W_MK = 0.03;
/** Conductivity polynomials of components are not carried beyond this. */
const CONDUCTIVITY_MAX_C = 150;
const LEAST_PORES = 0.01;
/** Water vapour in air at 0 °C and one atmosphere, m²/s. */
const VAPOUR_DIFFUSIVITY_M2_S = 2.2e-5;
/** The Stefan factor P / (P − p_v) is held below this. */
const STEFAN_MAX = 4;
/** Steam condenses fully where the vapour pressure is this far below ambient, as a share of it. */
const CONDENSING_ZONE = 0.2;
const PER_ZONE = 1 / CONDENSING_ZONE;
const [KW0, KW1, KW2] = WATER_CONDUCTIVITY;

/** Brings conductivity, heat capacity, vapour pressure and permeance of every cell and link up to its state. */
export function updateProperties(column: Column): void {
  const { cells, tempC, water, dough, pressurePa, perSorption, widthM, passing, passingCold } = column;
  const { conductivity, permeance, heatCapacity, vapourPa, vapourPerC, vapourPerWater } = column;
  const { dryKgM3, solidVolume, dryHeatJKgK } = dough;
  const k0 = dough.solidConductivity[0];
  const k1 = dough.solidConductivity[1];
  const k2 = dough.solidConductivity[2];
  const slowestStefan = pressurePa * (1 - 1 / STEFAN_MAX);
  const diffusivity = (VAPOUR_DIFFUSIVITY_M2_S * STANDARD_PRESSURE_PA) / (pressurePa * VAPOUR_GAS_J_KGK);
  const waterVolumePerX = dryKgM3 / WATER_KG_M3;
  const perPressure = 1 / pressurePa;
  for (let i = 0; i < cells; i += 1) {
    const t = tempC[i]!;
    const x = water[i]!;
    const cool = t > CONDUCTIVITY_MAX_C ? CONDUCTIVITY_MAX_C : t;
    const waterVolume = x * waterVolumePerX;
    const open = 1 - solidVolume - waterVolume;
    const pores = open < LEAST_PORES ? LEAST_PORES : open;
    // Components in parallel, then air by Maxwell-Eucken: k = ks (2 ks + ka − 2 e (ks − ka)) / (2 ks + ka + e (ks − ka)),
    // with ks = matter / volume; all over one denominator, since divisions are what a step spends its time on.
    const matter = k0 + cool * (k1 + cool * k2) + waterVolume * (KW0 + cool * (KW1 + cool * KW2));
    const volume = solidVolume + waterVolume;
    const airy = AIR_CONDUCTIVITY_W_MK * volume;
    const sum = 2 * matter + airy;
    const difference = pores * (matter - airy);
    const inverse = 1 / ((sum + difference) * volume * x);
    conductivity[i] = matter * (sum - 2 * difference) * x * inverse;
    heatCapacity[i] = dryKgM3 * (dryHeatJKgK + WATER_HEAT_J_KGK * x);

    const place = placeOf(t);
    const saturation = tabled(place, ROW.saturation);
    const slope = tabled(place, ROW.slope);
    const activity = waterActivity(x, perSorption, tabled(place, ROW.warmth));
    const vapour = activity * saturation;
    const drying = SORPTION_POWER * (1 - activity);
    vapourPa[i] = vapour;
    vapourPerC[i] = vapour * (slope + SORPTION_SLOPE_1_K * drying);
    vapourPerWater[i] = vapour * drying * (sum + difference) * volume * inverse;

    const tempK = t + KELVIN;
    const warm = tempK / KELVIN;
    // What air is left for the vapour to pass: the inverse of the Stefan factor times the pressure.
    const airPa = vapour < slowestStefan ? pressurePa - vapour : pressurePa / STEFAN_MAX;
    // (T/273)^1.81 without a power; within 1 % from 0 to 250 °C.
    permeance[i] = (pores * diffusivity * warm * warm * (0.9 + 0.1 * warm) * pressurePa) / (tempK * airPa);

    const below = (1 - vapour * perPressure) * PER_ZONE;
    passing[i] =
      below >= 1 ? passingCold[i]! : below > 0 ? Math.exp((-below * widthM[i]!) / CONDENSING_LENGTH_M) : 1;
  }
  updateLinks(column);
}

/** Two half cells in series. */
function updateLinks({ cells, widthM, conductivity, permeance, heatLink, vapourLink }: Column): void {
  for (let i = 0; i < cells - 1; i += 1) {
    const here = widthM[i]!;
    const there = widthM[i + 1]!;
    const k1 = conductivity[i]!;
    const k2 = conductivity[i + 1]!;
    const v1 = permeance[i]!;
    const v2 = permeance[i + 1]!;
    const heat = here * k2 + there * k1;
    const vapour = here * v2 + there * v1;
    const inverse = 2 / (heat * vapour);
    heatLink[i] = k1 * k2 * vapour * inverse;
    vapourLink[i] = v1 * v2 * heat * inverse;
  }
}
