import {
  type DoughTotals,
  type Formula,
  type Ingredient,
  type ResolvedLine,
  discDiameterMm,
  doughDensity,
  doughTotals,
  resolveLines,
  rolledFromRelaxed,
  type Disc,
} from '@kettle-scale/core';

/** What a formula comes to, for its ticket and its page. */
export interface FormulaFacts {
  lines: ResolvedLine[];
  totals: DoughTotals;
  relaxed: Disc;
  rolled: Disc;
  allergens: string[];
}

/** Computes the facts of a formula from core; the kitchen's ingredients decide. */
export function formulaFacts(formula: Formula, ingredients: readonly Ingredient[]): FormulaFacts {
  const lines = resolveLines(formula, ingredients);
  const parts = lines.map(({ fraction, food }) => ({ mass: fraction, food }));
  const { ballG, thicknessMm, air, springBack } = formula.product;
  const relaxed = { thicknessMm, diameterMm: discDiameterMm(ballG, thicknessMm, doughDensity(parts, air)) };
  return {
    lines,
    totals: doughTotals(parts),
    relaxed,
    rolled: rolledFromRelaxed(relaxed, springBack),
    allergens: [...new Set(lines.flatMap(({ food }) => food.allergens))],
  };
}
