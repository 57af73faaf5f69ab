import { type LotState, lotToday } from '@kettle-scale/core/flourLot';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Conditions, Kitchen } from '@kettle-scale/core/kitchen';
import { InputError } from '@kettle-scale/core/message';
import { type Adjustment, type Need, type Plan, type PlanRequest, planBatch } from '@kettle-scale/core/plan';
import { lotWithSwitch } from '@kettle-scale/core/log';
import { useMemo } from 'react';
import { useToday as useDate } from '../../shared/useDays';
import { useDay } from './day';
import { say } from '../../reader/say';

export type PlanResult = { plan: Plan; problem: null } | { plan: null; problem: string };

interface Asked {
  formula: Formula;
  need: Need | null;
  kitchen: Kitchen;
  ingredients: Ingredient[];
  /** The day and the bowl. */
  today: Pick<PlanRequest, 'conditions' | 'mixer'>;
  /** What history changes. */
  adjustments: readonly Adjustment[];
}

/** The day and the bowl as a plan takes them; nothing where the formula is planned as it is written. */
export function useToday(
  kitchen: Kitchen,
  lot: LotState | undefined,
): { conditions?: Conditions; mixer?: string } {
  const { on, day, mixer } = useDay();
  // A lot ages by whole days of the kitchen.
  const date = useDate();
  return useMemo(() => {
    const conditions = on
      ? { ...day, ...(lot ? { lot: lotWithSwitch(lotToday(lot, date), kitchen.lessonsOff) } : {}) }
      : undefined;
    const known = kitchen.mixers?.some(({ id }) => id === mixer);
    return { ...(conditions ? { conditions } : {}), ...(mixer && known ? { mixer } : {}) };
  }, [on, day, mixer, lot, kitchen, date]);
}

/** Plans while the cook is still choosing; the same function that the server runs when the batch starts. */
export function usePlan({ formula, need, kitchen, ingredients, today, adjustments }: Asked): PlanResult {
  return useMemo(() => {
    if (!need) return { plan: null, problem: '' };
    try {
      return {
        plan: planBatch({ formula, need, kitchen, ingredients, ...today, adjustments: [...adjustments] }),
        problem: null,
      };
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return { plan: null, problem: error.problems.map(({ message }) => say(message)).join(' ') };
    }
  }, [formula, need, kitchen, ingredients, today, adjustments]);
}
