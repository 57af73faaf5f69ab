import type { Formula } from '../../formula/formulaSchema';
import { resolveLines } from '../../formula/resolveLines';
import type { Ingredient } from '../../ingredient/ingredientSchema';
import type { Griddle } from '../../kitchen/griddleSchema';
import { discDiameterMm } from '../../portion/disc';
import { doughDensity } from '../../portion/doughDensity';
import { plateAreaM2 } from '../model/griddlePlate';
import { MODEL_CONSTANTS } from '../model/model';
import { type Spreads, USUAL_SPREADS } from '../solve/spreads';
import { type PaceFacts, USUAL_HANDS } from './pace';
import { packPieces } from './packing';

/** A dough that nobody measured, as it goes on, °C. */
export const USUAL_DOUGH_C = 24;
/** Discs are this even, as a share of their thickness, where the product names no tolerance (assumption). */
const DISC_SPREAD = 0.04;
/** Between neighbours on the plate, mm. */
const GAP_MM = 8;
const MM_PER_M = 1000;
/** A tolerance is so many standard deviations, and no plate is known better than that, °C. */
const TOLERANCE_IN_SD = 2;
const BEST_PLATE_SD_C = 2;

/**
 * The griddle that a formula is baked on: the one that somebody chose, where it has the formula's surface, flat or domed;
 * else the first that has.
 * @param formula its bake program
 * @param griddles griddles of the kitchen
 * @param chosenId id of the one that somebody chose
 * @returns null where the kitchen has none
 */
export function griddleFor(
  { bake }: Pick<Formula, 'bake'>,
  griddles: readonly Griddle[],
  chosenId: string | null = null,
): Griddle | null {
  const ofSurface = griddles.filter(({ domed }) => (domed ?? false) === (bake.surface === 'domed'));
  return ofSurface.find(({ id }) => id === chosenId) ?? ofSurface[0] ?? griddles[0] ?? null;
}

/**
 * Diameter of a formula's relaxed disc, mm.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 * @param thicknessMm mm
 * @param ballG g, where it is not the formula's own
 * @returns mm
 */
export function breadDiameterMm(
  formula: Formula,
  foods: readonly Ingredient[],
  thicknessMm: number,
  ballG = formula.product.ballG,
): number {
  const parts = resolveLines(formula, foods).map(({ fraction, food }) => ({ mass: fraction, food }));
  return discDiameterMm(ballG, thicknessMm, doughDensity(parts, formula.product.air));
}

const pieceAreaM2 = (diameterMm: number): number => (Math.PI / 4) * (diameterMm / MM_PER_M) ** 2;

/**
 * The places of a griddle for pieces of a size, or a few in a row where the kitchen has told of no griddle.
 * @param griddle the griddle, if there is one
 * @param diameterMm mm
 * @returns centres, mm
 */
export const placesOf = (griddle: Griddle | null, diameterMm: number) =>
  griddle ? packPieces(griddle, diameterMm, GAP_MM) : [];

/**
 * Share of a griddle that lies under bread when it is full.
 * @param griddle the plate
 * @param diameterMm mm
 */
export const coveredBy = (griddle: Griddle, diameterMm: number): number =>
  (placesOf(griddle, diameterMm).length * pieceAreaM2(diameterMm)) / plateAreaM2(griddle);

/**
 * What the pace of a formula's breads on a griddle depends on; `rollS` where the same hands roll.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 * @param griddle the griddle, if there is one
 * @param thicknessMm mm
 * @param rollS s of rolling a piece, where the same hands roll
 */
export function paceFactsOf(
  formula: Formula,
  foods: readonly Ingredient[],
  griddle: Griddle | null,
  thicknessMm: number,
  rollS = 0,
): PaceFacts {
  const diameterMm = breadDiameterMm(formula, foods, thicknessMm);
  return {
    ...{ places: placesOf(griddle, diameterMm).length, pieceAreaM2: pieceAreaM2(diameterMm) },
    ...{ plateAreaM2: griddle ? plateAreaM2(griddle) : 0, hands: { ...USUAL_HANDS, rollS } },
    gapS: USUAL_HANDS.onS + USUAL_HANDS.offS,
  };
}

/**
 * What a plate's own pieces of a formula have taught, for the constants in use; what others taught is not asked.
 * @param griddle the plate with what it learned
 * @param formulaId id of the formula
 * @returns undefined where nothing was learned
 */
export const calibrationOf = ({ calibrations }: Griddle, formulaId: string) =>
  calibrations?.filter((one) => one.formulaId === formulaId && one.constants === MODEL_CONSTANTS).at(-1);

/**
 * How much pieces and plate of this kitchen spread: tolerances of the product, and the plate's own readings.
 * @param formula the formula
 * @param plateSdC standard deviation of the plate's readings, °C, or null
 * @returns standard deviations
 */
export function spreadsOf(formula: Formula, plateSdC: number | null): Spreads {
  const { ballToleranceG, ballG, thicknessMm, thicknessToleranceMm } = formula.product;
  return {
    ...USUAL_SPREADS,
    ballShare: ballToleranceG / ballG / TOLERANCE_IN_SD,
    thicknessMm: thicknessToleranceMm ? thicknessToleranceMm / TOLERANCE_IN_SD : DISC_SPREAD * thicknessMm,
    ...(plateSdC === null ? {} : { plateC: Math.max(BEST_PLATE_SD_C, plateSdC) }),
  };
}
