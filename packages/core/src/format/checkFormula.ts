import { type Formula, formulaSchema } from '../formula/formulaSchema';
import { type FormulaWarning, formulaWarnings } from '../formula/formulaWarnings';
import { type DoughTotals, doughTotals } from '../formula/percentages';
import { allergensOf } from '../formula/allergens';
import { resolveOnBread } from '../formula/onBread';
import { resolveLines } from '../formula/resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { parseInput } from '../problem';

export interface FormulaCheck extends DoughTotals {
  formula: Formula;
  warnings: FormulaWarning[];
  allergens: Ingredient['allergens'];
}

/**
 * Validates an unknown value as a formula and says what it comes to.
 * @throws InputError naming every field that is wrong
 */
export function checkFormula(value: unknown, catalogue: readonly Ingredient[] = CATALOGUE): FormulaCheck {
  const formula = parseInput(formulaSchema, value);
  const lines = resolveLines(formula, catalogue);
  return {
    formula,
    ...doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food }))),
    warnings: formulaWarnings(lines, formula.method.school),
    allergens: allergensOf([...lines, ...resolveOnBread(formula, catalogue)]),
  };
}
