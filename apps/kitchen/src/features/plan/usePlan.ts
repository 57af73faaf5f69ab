import {
  type Conditions,
  type Formula,
  InputError,
  type Ingredient,
  type Kitchen,
  type LotState,
  type Need,
  type Plan,
  lotToday,
} from '@kettle-scale/core';
import { planBatch } from '@kettle-scale/core/batch';
import { useMemo } from 'react';
import { useDay } from './day';

export type PlanResult = { plan: Plan; problem: null } | { plan: null; problem: string };

interface Asked {
  formula: Formula;
  need: Need | null;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  lot: LotState | undefined;
}

/** The day and the bowl as a plan takes them; nothing where the formula is planned as it is written. */
export function useToday(
  kitchen: Kitchen,
  lot: LotState | undefined,
): { conditions?: Conditions; mixer?: string } {
  const { on, day, mixer } = useDay();
  return useMemo(() => {
    const conditions = on ? { ...day, ...(lot ? { lot: lotToday(lot, Date.now()) } : {}) } : undefined;
    const known = kitchen.mixers?.some(({ id }) => id === mixer);
    return { ...(conditions ? { conditions } : {}), ...(mixer && known ? { mixer } : {}) };
  }, [on, day, mixer, lot, kitchen]);
}

/** Plans while the cook is still choosing; the same function that the server runs when the batch starts. */
export function usePlan({ formula, need, kitchen, ingredients, lot }: Asked): PlanResult {
  const today = useToday(kitchen, lot);
  return useMemo(() => {
    if (!need) return { plan: null, problem: '' };
    try {
      return { plan: planBatch({ formula, need, kitchen, ingredients, ...today }), problem: null };
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return { plan: null, problem: error.problems.map(({ message }) => message).join(' ') };
    }
  }, [formula, need, kitchen, ingredients, today]);
}
