import { type HydrationSpread, hydrationSpread } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Measures } from '@kettle-scale/core/quantity';
import { type ReadList, readList } from '@kettle-scale/core/writing';
import { useDeferredValue, useMemo } from 'react';
import { wordsOfLists } from '../../reader/language';
import { useWriting } from '../../drafts/writing';

export interface Reading {
  list: ReadList;
  /** Null until flour and a liquid are known. */
  spread: HydrationSpread | null;
  /** Questions and unknown lines still open. */
  open: number;
}

/** Reads what is written, again on every change. */
export function useReading(foods: readonly Ingredient[], measures: Measures): Reading {
  const { text, answers } = useWriting();
  const steady = useDeferredValue(text);
  return useMemo(() => {
    const list = readList(steady, { foods, measures, answers, words: wordsOfLists() });
    const weighed = list.lines.flatMap((line) =>
      line.mass && line.mass.typical > 0
        ? [{ id: String(line.index), food: line.food, mass: line.mass }]
        : [],
    );
    const wet = weighed.some(({ food }) => food.kind !== 'flour' && food.water > 0);
    return {
      list,
      spread: wet && (list.flourG ?? 0) > 0 ? hydrationSpread(weighed) : null,
      open: list.questions.length + list.unknown.length,
    };
  }, [steady, foods, measures, answers]);
}
