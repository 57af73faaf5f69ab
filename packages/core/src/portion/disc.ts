/**
 * Ball, disc and thickness are one equation: m = ρ · π/4 · D² · h.
 * Masses in grams, lengths in millimetres, density in g/ml (the same as mg/mm³).
 */

const MG_PER_G = 1000;

/**
 * Mass of a disc in grams.
 * @param diameterMm mm
 * @param thicknessMm mm
 * @param densityGMl g/ml
 */
export function ballMassG(diameterMm: number, thicknessMm: number, densityGMl: number): number {
  return (densityGMl * (Math.PI / 4) * diameterMm ** 2 * thicknessMm) / MG_PER_G;
}

/**
 * Diameter in millimetres of the disc that a ball gives at a thickness.
 * @param massG g
 * @param thicknessMm mm
 * @param densityGMl g/ml
 */
export function discDiameterMm(massG: number, thicknessMm: number, densityGMl: number): number {
  return Math.sqrt((massG * MG_PER_G * 4) / (Math.PI * densityGMl * thicknessMm));
}

/**
 * Thickness in millimetres of a ball rolled to a diameter.
 * @param massG g
 * @param diameterMm mm
 * @param densityGMl g/ml
 */
export function discThicknessMm(massG: number, diameterMm: number, densityGMl: number): number {
  return (massG * MG_PER_G * 4) / (Math.PI * densityGMl * diameterMm ** 2);
}

/** A disc's two lengths. */
export interface Disc {
  diameterMm: number;
  thicknessMm: number;
}

/**
 * The disc to roll so that it relaxes to the wanted one: D_final = D_rolled (1 − s), the volume stays.
 * @param springBack s, share of the rolled diameter lost, 0 to below 1
 */
export function rolledFromRelaxed(relaxed: Disc, springBack: number): Disc {
  return {
    diameterMm: relaxed.diameterMm / (1 - springBack),
    thicknessMm: relaxed.thicknessMm * (1 - springBack) ** 2,
  };
}

/** What a rolled disc becomes when it has sprung back; the inverse of `rolledFromRelaxed`. */
export function relaxedFromRolled(rolled: Disc, springBack: number): Disc {
  return {
    diameterMm: rolled.diameterMm * (1 - springBack),
    thicknessMm: rolled.thicknessMm / (1 - springBack) ** 2,
  };
}
