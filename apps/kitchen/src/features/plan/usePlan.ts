import {
  type Formula,
  InputError,
  type Ingredient,
  type Kitchen,
  type Need,
  type Plan,
} from '@kettle-scale/core';
import { planBatch } from '@kettle-scale/core/batch';
import { useMemo } from 'react';

export type PlanResult = { plan: Plan; problem: null } | { plan: null; problem: string };

/** Plans while the cook is still choosing; the same function that the server runs when the batch starts. */
export function usePlan(
  formula: Formula,
  need: Need | null,
  kitchen: Kitchen,
  ingredients: Ingredient[],
): PlanResult {
  return useMemo(() => {
    if (!need) return { plan: null, problem: '' };
    try {
      return { plan: planBatch({ formula, need, kitchen, ingredients }), problem: null };
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return { plan: null, problem: error.problems.map(({ message }) => message).join(' ') };
    }
  }, [formula, need, kitchen, ingredients]);
}
