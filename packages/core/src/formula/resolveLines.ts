import { message } from '../message/message';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError } from '../message/problem';
import { foodsOf, missingIngredients, noSuchIngredient } from './foodsOf';
import type { Formula, ResolvedLine } from './formulaSchema';

/** Flour shares may differ from the whole by this much: rounding of written percentages, nothing more. */
const FLOUR_SUM_TOLERANCE = 0.0005;

/**
 * Joins a formula's lines to their ingredients: those the document brings along first, then the catalogue.
 * @param formula the formula
 * @param catalogue ingredients it may name
 * @throws InputError when an ingredient is unknown, there is no flour, or the flours do not add up to the whole.
 */
export function resolveLines(formula: Formula, catalogue: readonly Ingredient[]): ResolvedLine[] {
  const missing = missingIngredients({ ...formula, onBread: [] }, catalogue);
  if (missing.length > 0) throw new InputError(missing.map(noSuchIngredient));
  const foods = foodsOf(formula, catalogue);
  const lines = formula.lines.flatMap((line): ResolvedLine[] => {
    const food = foods.get(line.ingredient);
    return food ? [{ ...line, food }] : [];
  });

  const flours = lines.filter((line) => line.food.kind === 'flour');
  if (flours.length === 0) {
    throw InputError.at('lines', 'A formula needs flour: every other line is a share of it.');
  }
  if (flours.every(({ late }) => late)) {
    throw InputError.at('lines', 'All flour goes in late: some of it must be in the mix.');
  }
  const liquids = lines.filter(({ food }) => food.kind === 'water' || food.kind === 'dairy');
  if (liquids.length > 0 && liquids.every(({ late }) => late)) {
    throw InputError.at('lines', 'All of the liquid goes in late: some of it must be in the mix.');
  }
  const flourSum = flours.reduce((sum, line) => sum + line.fraction, 0);
  if (Math.abs(flourSum - 1) > FLOUR_SUM_TOLERANCE) {
    throw InputError.at(
      'lines',
      message('The flours add up to {flourSum} %; together they must be 100 %.', {
        flourSum: { figure: flourSum * 100, decimals: 1 },
      }),
    );
  }
  return lines;
}

/**
 * Ids of every ingredient that a formula names.
 * @param formula its lines and what goes on the bread
 */
export const ingredientsOf = ({ lines, onBread = [] }: Pick<Formula, 'lines' | 'onBread'>): Set<string> =>
  new Set([...lines, ...onBread].map(({ ingredient }) => ingredient));
