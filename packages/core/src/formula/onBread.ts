import type { Ingredient } from '../ingredient/ingredientSchema';
import { InputError } from '../message/problem';
import { foodsOf, missingIngredients, noSuchIngredient } from './foodsOf';
import type { Formula } from './formulaSchema';
import { type OnBread } from './onBreadSchema';
import { ON_BREAD_WHEN } from './onBreadWhen';

/** An ingredient on the bread, together with what it is. */
export interface ResolvedOnBread extends OnBread {
  food: Ingredient;
  /** The method says that it is put on, and nobody has said how much: a usual amount stands in. */
  assumed: boolean;
}

/** What a brush of butter or a dusting of flour leaves on one piece, g (assumptions of the trade). */
export const USUAL_ON_BREAD_G = { butter: 2, benchFlour: 1.5 } as const;
const BUTTER = 'butter';

/**
 * What the method puts on the bread without an ingredient being named: a side that is buttered, a bench that is floured.
 * It counts as soon as the method says it, so that no allergen is missing because an amount is.
 */
function impliedBy(
  { lines, bake, method, onBread = [] }: Formula,
  foodOf: (id: string) => Ingredient | undefined,
): ResolvedOnBread[] {
  const buttered = bake.sides.some(({ butter }) => butter);
  const named = onBread.some(
    ({ ingredient, when }) => when !== 'on the bench' && foodOf(ingredient)?.kind === 'fat',
  );
  const floured = method.shaping.benchFlour === true && !onBread.some(({ when }) => when === 'on the bench');
  const flour = lines.find(({ ingredient }) => foodOf(ingredient)?.kind === 'flour')?.ingredient;
  const implied: OnBread[] = [
    ...(floured && flour
      ? [
          {
            id: 'bench-flour',
            ingredient: flour,
            gPerPiece: USUAL_ON_BREAD_G.benchFlour,
            when: 'on the bench' as const,
          },
        ]
      : []),
    ...(buttered && !named
      ? [
          {
            id: 'butter-on',
            ingredient: BUTTER,
            gPerPiece: USUAL_ON_BREAD_G.butter,
            when: 'after the turn' as const,
          },
        ]
      : []),
  ];
  return implied.flatMap((line) => {
    const food = foodOf(line.ingredient);
    return food ? [{ ...line, food, assumed: true }] : [];
  });
}

/**
 * Joins what goes on the bread to its ingredients, in the order of the work; what the method only implies is added.
 * @param formula the formula
 * @param catalogue ingredients it may name
 * @throws InputError when an ingredient is unknown
 */
export function resolveOnBread(formula: Formula, catalogue: readonly Ingredient[]): ResolvedOnBread[] {
  const missing = missingIngredients({ ...formula, lines: [] }, catalogue);
  if (missing.length > 0) throw new InputError(missing.map(noSuchIngredient));
  const foods = foodsOf(formula, catalogue);
  const named = (formula.onBread ?? []).flatMap((line): ResolvedOnBread[] => {
    const food = foods.get(line.ingredient);
    return food ? [{ ...line, food, assumed: false }] : [];
  });
  return [...named, ...impliedBy(formula, (id) => foods.get(id))].sort(
    (a, b) => ON_BREAD_WHEN.indexOf(a.when) - ON_BREAD_WHEN.indexOf(b.when),
  );
}
