import { type Formula, formulaSchema } from './formulaSchema';
import { type FormulaWarning, formulaWarnings } from './formulaWarnings';
import { type DoughTotals, doughTotals } from './percentages';
import { allergensOf } from './allergens';
import { resolveOnBread } from './onBread';
import { checkWorkable } from './checkWorkable';
import { kindOfBread } from './kindOfBread';
import { resolveLines } from './resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { parseInput } from '../message/problem';

export interface FormulaCheck extends DoughTotals {
  formula: Formula;
  warnings: FormulaWarning[];
  allergens: Ingredient['allergens'];
}

/**
 * Validates an unknown value as a formula and says what it comes to.
 * @param value anything
 * @param catalogue ingredients to join it to
 * @throws InputError naming every field that is wrong
 */
export function checkFormula(value: unknown, catalogue: readonly Ingredient[] = CATALOGUE): FormulaCheck {
  const formula = parseInput(formulaSchema, value);
  checkWorkable([{ formula, path: '' }], catalogue);
  const lines = resolveLines(formula, catalogue);
  return {
    formula,
    ...doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food }))),
    warnings: formulaWarnings(lines, kindOfBread(formula, lines)),
    allergens: allergensOf([...lines, ...resolveOnBread(formula, catalogue)]),
  };
}
