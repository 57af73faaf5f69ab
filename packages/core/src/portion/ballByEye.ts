/** Things that a hand knows, and how wide they are, mm (standards of sport, usual sizes of fruit and eggs). */
export const BY_EYE = [
  ['walnut', 36],
  ['golf ball', 43],
  ['egg', 46],
  ['tangerine', 58],
  ['tennis ball', 66],
  ['small orange', 68],
] as const;

const CUBIC_MM_PER_ML = 1000;

/**
 * What a ball of dough as large as a thing weighs: ρ·π/6·d³.
 * @param acrossMm mm
 * @param densityGMl dough with its air, g/ml
 * @returns g
 */
export const ballByEyeG = (acrossMm: number, densityGMl: number): number =>
  ((Math.PI / 6) * acrossMm ** 3 * densityGMl) / CUBIC_MM_PER_ML;
