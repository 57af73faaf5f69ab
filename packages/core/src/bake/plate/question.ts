import type { Formula } from '../../formula/formulaSchema';
import { resolveLines } from '../../formula/resolveLines';
import type { Ingredient } from '../../ingredient/ingredientSchema';
import type { Griddle } from '../../kitchen/griddleSchema';
import type { Kitchen } from '../../kitchen/kitchenSchema';
import { type Disc, relaxedFromRolled } from '../../portion/disc';
import { doughProperties, partsOfLines } from '../model/composition';
import { plateOf } from '../model/griddlePlate';
import { DEFAULT_AIR, DEFAULT_MODEL } from '../model/model';
import { STEEL_GRIDDLE } from '../model/plate';
import { withFactors } from '../model/withFactors';
import type { BakeRequest } from '../solve/bakeRequest';
import { standardOf } from '../solve/standard';
import type { Spreads } from '../solve/spreads';
import { hotSpots } from './hotSpots';
import {
  USUAL_DOUGH_C,
  breadDiameterMm,
  calibrationOf,
  coveredBy,
  griddleFor,
  spreadsOf,
} from './kitchenRequest';

/** What of a kitchen a bake depends on. */
export type BakingKitchen = Pick<Kitchen, 'griddles' | 'altitudeM'>;

/** What somebody chose for this bake; what is left out is the formula's or the kitchen's own. */
export interface BakeChoice {
  /** Null: a plate that nobody told of. */
  griddle?: Griddle | null | undefined;
  plateC?: number | null | undefined;
  thicknessMm?: number | null | undefined;
  doughC?: number | undefined;
  altitudeM?: number | null | undefined;
}

/** A bread on a plate as the model is asked about it. */
export interface BakeQuestion {
  request: BakeRequest;
  /** How its pieces and that plate spread. */
  spreads: Spreads;
  /** Where it is baked; null where the kitchen has told of no plate. */
  griddle: Griddle | null;
  plateC: number;
  thicknessMm: number;
  doughC: number;
  altitudeM: number;
}

/** A formula's disc as it lies on the plate. */
interface Bread {
  formula: Formula;
  foods: readonly Ingredient[];
  ballG: number;
  thicknessMm: number;
}

function questionOf(
  { formula, foods, ballG, thicknessMm }: Bread,
  kitchen: BakingKitchen,
  choice: BakeChoice,
): BakeQuestion {
  const griddle = choice.griddle === undefined ? griddleFor(formula, kitchen.griddles ?? []) : choice.griddle;
  const plateC = choice.plateC ?? formula.bake.plateC;
  const doughC = choice.doughC ?? USUAL_DOUGH_C;
  const altitudeM = choice.altitudeM ?? kitchen.altitudeM ?? 0;
  const diameterMm = breadDiameterMm(formula, foods, thicknessMm, ballG);
  const learned = griddle && calibrationOf(griddle, formula.id);
  const factors = (learned?.parameters ?? []).map(({ what, factor }) => [what, factor] as const);
  const request: BakeRequest = {
    setup: {
      dough: doughProperties(partsOfLines(resolveLines(formula, foods)), formula.product.air),
      thicknessMm,
      doughC,
      plateC,
      startC: { under: plateC, rest: plateC },
      plate: griddle ? plateOf(griddle, coveredBy(griddle, diameterMm)) : STEEL_GRIDDLE,
      air: { ...DEFAULT_AIR, altitudeM },
      model: withFactors(DEFAULT_MODEL, Object.fromEntries(factors)),
    },
    program: { ...formula.bake, plateC },
    standard: standardOf(formula.product, formula.bake.finish),
    written: {
      plateC: formula.bake.plateC,
      thicknessMm: formula.product.thicknessMm,
      doughC: USUAL_DOUGH_C,
    },
  };
  const spreads = spreadsOf(formula, griddle ? (hotSpots(griddle)?.sdC ?? null) : null);
  return { request, spreads, griddle, plateC, thicknessMm, doughC, altitudeM };
}

/**
 * The question to the model about a formula as it is written: its own ball, thickness and heat, on the kitchen's plate of
 * its surface, up here, with what that plate's pieces have taught.
 * @param formula the formula
 * @param foods ingredients of the kitchen
 * @param kitchen its plates and altitude
 * @param choice what somebody chose instead
 * @throws InputError when an ingredient of the formula is unknown
 */
export function questionOfFormula(
  formula: Formula,
  foods: readonly Ingredient[],
  kitchen: BakingKitchen,
  choice: BakeChoice = {},
): BakeQuestion {
  const thicknessMm = choice.thicknessMm ?? formula.product.thicknessMm;
  return questionOf({ formula, foods, ballG: formula.product.ballG, thicknessMm }, kitchen, choice);
}

/** What of a batch's plan a bake depends on. */
export interface PlannedBread {
  formula: Formula;
  ingredients: readonly Ingredient[];
  ballG: number;
  relaxed: Disc;
  rolled: Disc;
}

/** A disc is keyed to this, mm: what is within half of it of the plan is the plan's. */
export const ROLLED_STEP_MM = 0.1;
const HALF_STEP_MM = ROLLED_STEP_MM / 2 + 1e-9;

/**
 * How thick a batch's disc lies on the plate, sprung back: as planned, or as it was rolled.
 * @param plan the batch's plan
 * @param flattened what it was rolled to, where that was told
 * @returns mm
 */
export function bakedThicknessMm(
  { relaxed, rolled, formula }: Pick<PlannedBread, 'relaxed' | 'rolled' | 'formula'>,
  flattened: Pick<Disc, 'thicknessMm'> | null,
): number {
  if (!flattened || Math.abs(flattened.thicknessMm - rolled.thicknessMm) <= HALF_STEP_MM) {
    return relaxed.thicknessMm;
  }
  return relaxedFromRolled({ ...rolled, ...flattened }, formula.product.springBack).thicknessMm;
}

/**
 * The question to the model about a batch: its formula as the plan froze it, its ball, and its disc as it was rolled.
 * @param plan the batch's plan
 * @param kitchen plates and altitude as they are now
 * @param choice what was rolled, and the plate that somebody chose
 */
export function questionOfPlan(
  plan: PlannedBread,
  kitchen: BakingKitchen,
  choice: { flattened: Pick<Disc, 'thicknessMm'> | null } & Pick<BakeChoice, 'griddle'>,
): BakeQuestion {
  const { formula, ingredients: foods, ballG } = plan;
  const bread = { formula, foods, ballG, thicknessMm: bakedThicknessMm(plan, choice.flattened) };
  return questionOf(bread, kitchen, choice);
}
