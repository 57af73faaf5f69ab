import type { BatchState } from '@kettle-scale/core/batch';
import { type BakeQuestion, griddleFor, questionOfFormula, questionOfPlan } from '@kettle-scale/core/bake';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Plan } from '@kettle-scale/core/plan';
import { useMemo } from 'react';
import { useKitchen } from '../api/queries';
import { useGriddleChoice } from './griddleChoice';

/** What the model is asked about a formula as it is written, on the plate in use; null while the kitchen is fetched. */
export function useFormulaQuestion(
  formula: Formula,
  foods: readonly Ingredient[] | undefined,
): BakeQuestion | null {
  const kitchen = useKitchen().data;
  const chosenId = useGriddleChoice(({ griddleId }) => griddleId);
  return useMemo(() => {
    if (!kitchen || !foods) return null;
    const griddle = griddleFor(formula, kitchen.griddles ?? [], chosenId);
    return questionOfFormula(formula, foods, kitchen, { griddle });
  }, [formula, foods, kitchen, chosenId]);
}

/** The same about a batch: its own ball, and its disc as it was rolled. */
export function usePlanQuestion(plan: Plan | null, flattened: BatchState['flattened']): BakeQuestion | null {
  const kitchen = useKitchen().data;
  const chosenId = useGriddleChoice(({ griddleId }) => griddleId);
  return useMemo(() => {
    if (!kitchen || !plan) return null;
    const griddle = griddleFor(plan.formula, kitchen.griddles ?? [], chosenId);
    // The plan's ingredients are read-only by their type alone.
    const ingredients = plan.ingredients as readonly Ingredient[];
    return questionOfPlan({ ...plan, ingredients }, kitchen, { flattened, griddle });
  }, [plan, flattened, kitchen, chosenId]);
}
