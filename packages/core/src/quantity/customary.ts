/** US customary units by their definitions: the pound and the yard of 1959, the gallon of 231 cubic inches. */
export const GRAMS_PER_OUNCE = 28.349523125;
export const GRAMS_PER_POUND = 453.59237;
export const MM_PER_INCH = 25.4;
export const M_PER_FOOT = 0.3048;
export const ML_PER_FLUID_OUNCE = 29.5735295625;
export const ML_PER_US_CUP = 236.5882365;
/** Degrees Fahrenheit in a difference of one degree Celsius, and at 0 °C. */
export const F_PER_C = 1.8;
export const F_AT_0_C = 32;
