import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen, Griddle } from '@kettle-scale/core/kitchen';
import { type BakeQuestion, USUAL_DOUGH_C, griddleFor, questionOfFormula } from '@kettle-scale/core/bake';
import { useMemo } from 'react';
import { useBookAndKitchen } from '../../api/queries';
import { useGriddleChoice } from '../../shared/griddleChoice';
import { type BakeTimes, useTimesInUse } from '../../shared/useBakeTimes';

export interface GriddleSubject extends BakeQuestion {
  formulas: Formula[];
  formula: Formula;
  foods: Ingredient[];
  kitchen: Kitchen;
  griddles: Griddle[];
  /** Whether nobody asks what if. */
  asWritten: boolean;
  /** Whose seconds hold; null while that is worked out. */
  times: BakeTimes | null;
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
  const bread = useMemo(() => {
    if (!ready) return null;
    const formula = formulas.find(({ id }) => id === choice.formulaId) ?? formulas[0];
    if (!formula) return null;
    const griddles = ready.kitchen.griddles ?? [];
    const griddle = griddles.find(({ id }) => id === choice.griddleId) ?? griddleFor(formula, griddles);
    const { foods, kitchen } = ready;
    const written = questionOfFormula(formula, foods, kitchen, { griddle });
    return { formulas, formula, formulaId: formula.id, foods, kitchen, griddles, written };
  }, [ready, formulas, choice.formulaId, choice.griddleId]);
  const { plateC, thicknessMm, doughC, altitudeM } = choice;
  const asWritten = [plateC, thicknessMm, altitudeM].every((one) => one === null) && doughC === USUAL_DOUGH_C;
  const asked = useMemo(() => {
    if (!bread) return null;
    const { formula, foods, kitchen, written } = bread;
    const chosen = { griddle: written.griddle, plateC, thicknessMm, doughC, altitudeM };
    const question = asWritten ? written : questionOfFormula(formula, foods, kitchen, chosen);
    return { ...bread, asWritten, question };
  }, [bread, asWritten, plateC, thicknessMm, doughC, altitudeM]);
  const times = useTimesInUse(asked);
  const subject = useMemo(
    () => asked && { ...asked, ...(times?.question ?? asked.question), times },
    [asked, times],
  );
  return { subject, empty: ready !== null && subject === null, error, retry };
}
