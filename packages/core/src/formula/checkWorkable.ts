import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError, type Problem } from '../message/problem';
import type { Formula } from './formulaSchema';
import { missingIngredients, noSuchIngredient } from './foodsOf';
import { resolveLines } from './resolveLines';

/** Everything that keeps a formula from being worked with these ingredients; empty when nothing does. */
function unworkable(formula: Formula, catalogue: readonly Ingredient[]): readonly Problem[] {
  const missing = missingIngredients(formula, catalogue);
  if (missing.length > 0) return missing.map(noSuchIngredient);
  try {
    resolveLines(formula, catalogue);
    return [];
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.problems;
  }
}

/**
 * Checks that formulas can be worked with a kitchen's ingredients: whoever stores or brings in a formula asks this first.
 * @param formulas formulas with the path of each in what was sent; empty for the document itself
 * @param catalogue ingredients they may name beside those they bring along
 * @throws InputError naming each dough line and topping whose ingredient nobody knows, and lines that make no dough
 */
export function checkWorkable(
  formulas: readonly { formula: Formula; path: string }[],
  catalogue: readonly Ingredient[],
): void {
  const problems = formulas.flatMap(({ formula, path }) =>
    unworkable(formula, catalogue).map((problem): Problem => ({
      ...problem,
      path: path ? `${path}.${problem.path}` : problem.path,
    })),
  );
  if (problems.length > 0) throw new InputError(problems);
}
