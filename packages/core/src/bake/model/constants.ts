/** 0 °C in kelvin. */
export const KELVIN = 273.15;
export const GAS_J_MOLK = 8.314462;
/** Gas constant of water vapour. */
export const VAPOUR_GAS_J_KGK = 461.5;
export const STEFAN_BOLTZMANN_W_M2K4 = 5.670374e-8;
export const WATER_HEAT_J_KGK = 4187;
export const WATER_KG_M3 = 997;
/** Latent heat of water that evaporates in a pore and condenses further in. */
export const LATENT_INSIDE_J_KG = 2.3e6;
export const STANDARD_PRESSURE_PA = 101_325;
export const MM_PER_M = 1000;
export const PERCENT = 100;

/** Enthalpy of steam over liquid water at 0 °C, J/kg (linear fit to steam tables). */
export const steamEnthalpyJKg = (tempC: number): number => 2.501e6 + 1840 * tempC;
