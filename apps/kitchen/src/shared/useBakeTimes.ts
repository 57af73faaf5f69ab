import type { BatchState } from '@kettle-scale/core/batch';
import {
  type BakeQuestion,
  type Opinions,
  type TimesInUse,
  griddleFor,
  inUse,
  opinionsKey,
  questionOfFormula,
  questionOfPlan,
} from '@kettle-scale/core/bake';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import type { Plan } from '@kettle-scale/core/plan';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { Refused, Unreachable, api } from '../api/api';
import { useKitchen } from '../api/queries';
import { askWorker } from '../workers/background';
import { useGriddleChoice } from './griddleChoice';

/** The seconds that hold for a bread on the plate in use, and what was said of them. */
export interface BakeTimes extends TimesInUse {
  /** Null where they could not be worked out: then the formula's seconds stand. */
  opinions: Opinions | null;
  formulaId: string;
}

/** Both opinions as somebody has worked them out; else worked out here, and told to the others. */
async function opinionsAbout(
  { request, spreads }: BakeQuestion,
  key: string,
  signal: AbortSignal,
): Promise<Opinions> {
  const away = (error: unknown): null => {
    if (error instanceof Unreachable || error instanceof Refused) return null;
    throw error;
  };
  const kept = await api.bakeOpinions(key).catch(away);
  if (kept) return kept;
  const found = await askWorker('opinions', { request, spreads }, { signal });
  // What is fetched, this phone keeps for when no server answers.
  if (await api.keepBakeOpinions(key, found).catch(away)) await api.bakeOpinions(key).catch(away);
  return found;
}

/** Both opinions about a bread; null while they are worked out. */
function useOpinions(question: BakeQuestion | null) {
  const key = useMemo(() => question && opinionsKey(question.request, question.spreads), [question]);
  return useQuery({
    queryKey: ['bake-opinions', key],
    queryFn: ({ signal }) => {
      if (!question || !key) throw new RangeError('nothing was asked');
      return opinionsAbout(question, key, signal);
    },
    enabled: question !== null,
    networkMode: 'always',
    staleTime: Infinity,
    gcTime: Infinity,
    retry: false,
  });
}

interface Asked {
  kitchen: Kitchen;
  formulaId: string;
  /** As the formula is written, on the plate in use. */
  written: BakeQuestion;
  /** What is asked about. */
  question: BakeQuestion;
}

/** The seconds that hold for a question, as everything that shows seconds asks; null while they are worked out. */
export function useTimesInUse(asked: Asked | null): BakeTimes | null {
  const { data: opinions, isError } = useOpinions(asked?.written ?? null);
  return useMemo(() => {
    if (!asked) return null;
    const { question, formulaId, kitchen } = asked;
    if (opinions) return { ...inUse(question, formulaId, opinions, kitchen), opinions, formulaId };
    return isError ? { question, use: 'formula', open: false, opinions: null, formulaId } : null;
  }, [asked, opinions, isError]);
}

/** Those of a formula as it is written, on the plate in use. */
export function useFormulaTimes(
  formula: Formula,
  foods: readonly Ingredient[] | undefined,
): BakeTimes | null {
  const kitchen = useKitchen().data;
  const chosenId = useGriddleChoice(({ griddleId }) => griddleId);
  const asked = useMemo(() => {
    if (!kitchen || !foods) return null;
    const griddle = griddleFor(formula, kitchen.griddles ?? [], chosenId);
    const written = questionOfFormula(formula, foods, kitchen, { griddle });
    return { kitchen, formulaId: formula.id, written, question: written };
  }, [formula, foods, kitchen, chosenId]);
  return useTimesInUse(asked);
}

/** Those of a batch: its own ball, and its disc as it was rolled. */
export function usePlanTimes(plan: Plan | null, flattened: BatchState['flattened']): BakeTimes | null {
  const kitchen = useKitchen().data;
  const chosenId = useGriddleChoice(({ griddleId }) => griddleId);
  const asked = useMemo(() => {
    if (!kitchen || !plan) return null;
    const { formula } = plan;
    const griddle = griddleFor(formula, kitchen.griddles ?? [], chosenId);
    // The plan's ingredients are read-only by their type alone.
    const ingredients = plan.ingredients as readonly Ingredient[];
    return {
      kitchen,
      formulaId: formula.id,
      written: questionOfFormula(formula, ingredients, kitchen, { griddle }),
      question: questionOfPlan({ ...plan, ingredients }, kitchen, { flattened, griddle }),
    };
  }, [plan, flattened, kitchen, chosenId]);
  return useTimesInUse(asked);
}
