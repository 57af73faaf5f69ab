import { type Kitchen } from '../kitchen/kitchenSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { type Disc, discDiameterMm, rolledFromRelaxed } from '../portion/disc';
import { doughDensity } from '../portion/doughDensity';
import { type CheckPack, allergensOf, packsToCheck } from './allergens';
import { type FormulaCost, costOf } from './cost';
import type { Formula, ResolvedLine } from './formulaSchema';
import { type FormulaWarning, formulaWarnings } from './formulaWarnings';
import { type DoughTotals, doughTotals } from './percentages';
import { type ResolvedOnBread, resolveOnBread } from './onBread';
import { kindOfBread } from './kindOfBread';
import { resolveLines } from './resolveLines';

/** Flour that figures in grams stand for when a formula does not name any. */
export const DEFAULT_FLOUR_G = 1000;

/** What a formula comes to. */
export interface FormulaFacts {
  lines: ResolvedLine[];
  /** What goes on the bread, with what the method only implies. */
  onBread: ResolvedOnBread[];
  totals: DoughTotals;
  /** Flour and dough of the batch that the formula has in mind, grams. */
  flourG: number;
  doughG: number;
  densityGMl: number;
  relaxed: Disc;
  rolled: Disc;
  cost: FormulaCost;
  allergens: string[];
  /** Ingredients that hold more of them in some brands. */
  checkPacks: CheckPack[];
  warnings: FormulaWarning[];
}

/** Share of the dough that reaches the griddle before a kitchen has measured its own losses (1 % and 0.5 %). */
const USUAL_KEPT = 0.99 * 0.995;

/**
 * Works out what a formula comes to: totals, disc, cost, allergens, warnings.
 * @param formula the formula
 * @param ingredients ingredients it may name
 * @param kitchen its losses
 * @returns g, mm, shares and money
 * @throws InputError when an ingredient is unknown or the flours are not a whole
 */
export function formulaFacts(
  formula: Formula,
  ingredients: readonly Ingredient[],
  kitchen?: Pick<Kitchen, 'bowlLoss' | 'benchLoss'>,
): FormulaFacts {
  const lines = resolveLines(formula, ingredients);
  const parts = lines.map(({ fraction, food }) => ({ mass: fraction, food }));
  const onBread = resolveOnBread(formula, ingredients);
  const { ballG, thicknessMm, air, springBack } = formula.product;
  const densityGMl = doughDensity(parts, air);
  const relaxed = { thicknessMm, diameterMm: discDiameterMm(ballG, thicknessMm, densityGMl) };
  const totals = doughTotals(parts);
  const flourG = formula.flourG ?? DEFAULT_FLOUR_G;
  const kept = kitchen ? keptShare(kitchen) : USUAL_KEPT;
  return {
    lines,
    onBread,
    totals,
    flourG,
    doughG: flourG * totals.doughPerFlour,
    densityGMl,
    relaxed,
    rolled: rolledFromRelaxed(relaxed, springBack),
    cost: costOf(lines, { flourG, ballG, kept }, onBread),
    allergens: allergensOf([...lines, ...onBread]),
    checkPacks: packsToCheck([...lines, ...onBread]),
    warnings: formulaWarnings(lines, kindOfBread(formula, lines)),
  };
}
