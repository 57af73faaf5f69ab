import {
  type BakeRequest,
  USUAL_DOUGH_C,
  griddleFor,
  ownSecondsWords,
  rangesOf,
  requestOf,
} from '@kettle-scale/core/bake';
import type { Formula } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import { useMemo } from 'react';
import { useKitchen } from '../api/queries';
import { useWork } from '../workers/useWork';
import { say } from '../reader/say';

/** What the model says of a formula's own seconds; null while it is asked. */
export interface OwnSeconds {
  /** The range of each side that they lie in; none where they lie outside. */
  ranges: readonly string[];
  words: string;
}

/** A formula's own seconds on the plate that this kitchen bakes it on, as every screen shows them. */
export function useOwnSeconds(formula: Formula, foods: readonly Ingredient[] | undefined): OwnSeconds | null {
  const kitchen = useKitchen().data;
  const asked = useMemo(() => {
    if (!kitchen || !foods) return null;
    const griddle = griddleFor(formula, kitchen.griddles ?? []);
    const request: BakeRequest = requestOf({
      ...{ formula, foods, griddle, doughC: USUAL_DOUGH_C, altitudeM: kitchen.altitudeM ?? 0 },
      ...{ plateC: formula.bake.plateC, thicknessMm: formula.product.thicknessMm },
    });
    return { request, plate: griddle?.name ?? '10 mm of steel' };
  }, [formula, foods, kitchen]);
  const { data } = useWork('solve', asked ? { request: asked.request } : null);
  if (!asked || !data) return null;
  const { solved } = data;
  return {
    ranges: solved.keepsSplit ? rangesOf(solved) : [],
    words: say(ownSecondsWords(solved, asked.plate)),
  };
}
