import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Kitchen } from '@kettle-scale/core/kitchen';
import { type Shift, lessonsOfLine } from '@kettle-scale/core/shift';
import { useMemo } from 'react';
import { useLessons } from '../api/logQueries';
import { useCook } from '../batch/cookHere';
import { useWork } from '../workers/useWork';

const DAY_S = 86_400;
const SURENESS = 0.85;

/** Breads as the line of the kitchen makes them, by what it has learned of its times and of the cook at work here, with nothing wanted of any; null until they are asked for and worked out. */
export function useLineOf(
  formulas: readonly Formula[] | null,
  kitchen: Kitchen | undefined,
  foods: readonly Ingredient[] | undefined,
  day: string,
): Shift | null {
  const lessons = useLessons().data;
  const cook = useCook().cook?.id;
  const asks = useMemo(() => {
    if (!formulas || formulas.length === 0 || !kitchen || !foods) return null;
    const ids = formulas.map(({ id }) => id);
    return {
      service: {
        ...({ format: 'kettle-scale/service-day', formatVersion: 1, day, name: 'One batch' } as const),
        ...{ opens: 0, serviceFrom: 0, serviceTo: DAY_S, ends: DAY_S, sureness: SURENESS },
        ...{ cooks: [], leftAtClose: 'kept' as const },
        breads: ids.map((formulaId) => ({ formulaId, waves: [] })),
      },
      facts: { formulas, foods, kitchen, cook, lessons: lessonsOfLine(lessons ?? [], ids) },
    };
  }, [formulas, kitchen, foods, day, lessons, cook]);
  return useWork('line', asks).data ?? null;
}
