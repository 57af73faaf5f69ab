import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen, Griddle } from '@kettle-scale/core/kitchen';
import {
  type BakeQuestion,
  griddleFor,
  hotSpots,
  questionOfFormula,
  spreadsOf,
} from '@kettle-scale/core/bake';
import { useMemo } from 'react';
import { useBookAndKitchen } from '../../api/queries';
import { useGriddleChoice } from '../../shared/griddleChoice';

export interface GriddleSubject extends BakeQuestion {
  formulas: Formula[];
  formula: Formula;
  foods: Ingredient[];
  kitchen: Kitchen;
  griddles: Griddle[];
  spreads: ReturnType<typeof spreadsOf>;
}

/** The bread and the plate that the griddle pages look at, and the question to the model. */
export function useGriddleSubject(): {
  subject: GriddleSubject | null;
  empty: boolean;
  error: Error | null;
  retry: () => void;
} {
  const { ready, error, retry } = useBookAndKitchen();
  const choice = useGriddleChoice();
  const formulas = useMemo(
    () => (ready?.entries ?? []).filter(({ archived }) => !archived).map(({ formula }) => formula),
    [ready],
  );
  const subject = useMemo(() => {
    if (!ready) return null;
    const formula = formulas.find(({ id }) => id === choice.formulaId) ?? formulas[0];
    if (!formula) return null;
    const griddles = ready.kitchen.griddles ?? [];
    const griddle = griddles.find(({ id }) => id === choice.griddleId) ?? griddleFor(formula, griddles);
    const { foods, kitchen } = ready;
    const { plateC, thicknessMm, doughC, altitudeM } = choice;
    return {
      formulas,
      formula,
      foods,
      kitchen,
      griddles,
      ...questionOfFormula(formula, foods, kitchen, { griddle, plateC, thicknessMm, doughC, altitudeM }),
      spreads: spreadsOf(formula, griddle ? (hotSpots(griddle)?.sdC ?? null) : null),
    };
  }, [ready, formulas, choice]);
  return { subject, empty: ready !== null && subject === null, error, retry };
}
