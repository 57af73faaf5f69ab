import { type Formula, resolveLines } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen, Griddle } from '@kettle-scale/core/kitchen';
import {
  type BakeRequest,
  DEFAULT_AIR,
  DEFAULT_MODEL,
  type Spreads,
  STEEL_GRIDDLE,
  USUAL_SPREADS,
  doughProperties,
  packPieces,
  partsOfLines,
  plateAreaM2,
  plateOf,
  standardOf,
  withFactors,
} from '@kettle-scale/core/bake';
import { discDiameterMm, doughDensity } from '@kettle-scale/core/portion';
import { create } from 'zustand';

interface Choice {
  formulaId: string | null;
  griddleId: string | null;
  /** Null while the formula's own is meant. */
  plateC: number | null;
  thicknessMm: number | null;
  doughC: number;
  altitudeM: number | null;
  set: (changes: Partial<Omit<Choice, 'set'>>) => void;
}

const USUAL_DOUGH_C = 24;
/** Discs are this even, as a share of their thickness, where the product names no tolerance (assumption). */
const DISC_SPREAD = 0.04;
/** Between neighbours on the plate, mm. */
const GAP_MM = 8;
const MM_PER_M = 1000;

/** What the griddle pages look at; kept while the app is open. */
export const useGriddleChoice = create<Choice>()((set) => ({
  ...{ formulaId: null, griddleId: null, plateC: null, thicknessMm: null, altitudeM: null },
  doughC: USUAL_DOUGH_C,
  set: (changes) => set(changes),
}));

/** Diameter of a formula's relaxed disc, mm. */
export function breadDiameterMm(formula: Formula, foods: readonly Ingredient[], thicknessMm: number): number {
  const parts = resolveLines(formula, foods).map(({ fraction, food }) => ({ mass: fraction, food }));
  return discDiameterMm(formula.product.ballG, thicknessMm, doughDensity(parts, formula.product.air));
}

export const pieceAreaM2 = (diameterMm: number): number => (Math.PI / 4) * (diameterMm / MM_PER_M) ** 2;

/** The places of a griddle for pieces of a size, or a few in a row where the kitchen has told of no griddle. */
export const placesOf = (griddle: Griddle | null, diameterMm: number) =>
  griddle ? packPieces(griddle, diameterMm, GAP_MM) : [];

/** Share of a griddle that lies under bread when it is full. */
const coveredBy = (griddle: Griddle, diameterMm: number): number =>
  (placesOf(griddle, diameterMm).length * pieceAreaM2(diameterMm)) / plateAreaM2(griddle);

export interface Asked {
  formula: Formula;
  foods: readonly Ingredient[];
  kitchen: Kitchen;
  griddle: Griddle | null;
  plateC: number;
  thicknessMm: number;
  doughC: number;
  altitudeM: number;
  /** What the plate really has now, where it was read. */
  readC?: number | undefined;
}

/** The question to the model: this bread, on this plate, up here, with what the plate's own pieces have taught. */
export function requestOf({
  formula,
  foods,
  griddle,
  plateC,
  thicknessMm,
  doughC,
  altitudeM,
  readC,
}: Asked): BakeRequest {
  const learned = griddle?.calibrations?.filter(({ formulaId }) => formulaId === formula.id).at(-1);
  const startC = readC ?? plateC;
  return {
    setup: {
      dough: doughProperties(partsOfLines(resolveLines(formula, foods)), formula.product.air),
      ...{ thicknessMm, doughC, plateC, startC: { under: startC, rest: startC } },
      plate: griddle
        ? plateOf(griddle, coveredBy(griddle, breadDiameterMm(formula, foods, thicknessMm)))
        : STEEL_GRIDDLE,
      air: { ...DEFAULT_AIR, altitudeM },
      model: withFactors(
        DEFAULT_MODEL,
        Object.fromEntries((learned?.parameters ?? []).map(({ what, factor }) => [what, factor])),
      ),
    },
    program: { ...formula.bake, plateC },
    standard: standardOf(formula.product),
  };
}

/** How much pieces and plate of this kitchen spread: tolerances of the product, and the plate's own readings. */
export function spreadsOf(formula: Formula, plateSdC: number | null): Spreads {
  const { ballToleranceG, ballG, thicknessMm, thicknessToleranceMm } = formula.product;
  const TOLERANCE_IN_SD = 2;
  return {
    ...USUAL_SPREADS,
    ballShare: ballToleranceG / ballG / TOLERANCE_IN_SD,
    thicknessMm: thicknessToleranceMm ? thicknessToleranceMm / TOLERANCE_IN_SD : DISC_SPREAD * thicknessMm,
    ...(plateSdC === null ? {} : { plateC: Math.max(2, plateSdC) }),
  };
}
