import type { Lesson } from '@kettle-scale/core/log';
import { dayClock } from '@kettle-scale/core/quantity';
import {
  type BreadStock,
  type FoldedBatch,
  type Line,
  type LineFacts,
  type Cold,
  type PlannedBatch,
  type SeenMoment,
  type ServiceRecord,
  type Shift,
  coldStock,
  compileShift,
  foldAll,
  lessonsOfLine,
  momentOf,
  restOfPlan,
  stockOf,
} from '@kettle-scale/core/shift';
import { useMemo } from 'react';
import { useLessons } from '../../api/logQueries';
import { useBatchesSince, useBook, useIngredients, useKitchen, useService } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { useServiceDate } from '../../shared/useServiceDate';
import { useNow } from '../../ui/useNow';
import { useWork } from '../../workers/useWork';

/** A change of the rest of the day is looked for this often, and whenever something happens. */
const LOOK_MS = 60_000;

/** Everything about today's service, as far as it is there. */
export interface ServiceNow {
  day: string;
  record: ServiceRecord | null;
  shift: Shift | null;
  line: Line | null;
  batches: FoldedBatch[];
  /** Balls and dough in the fridge, of any day. */
  cold: readonly Cold[];
  stock: BreadStock[];
  /** Batches of the plan that are not begun. */
  rest: PlannedBatch[];
  /** Where the shift stands; null before it is known. */
  moment: SeenMoment | null;
  nowS: number;
  /** Seconds from midnight as an instant, ms. */
  toMs: (s: number) => number;
  /** What the batches taught of its breads; those that are switched off too. */
  lessons: readonly Lesson[];
  loading: boolean;
  error: Error | null;
  retry: () => void;
}

/** What the line of the service's breads is worked out from. */
function useLineFacts(formulaIds: readonly string[] | undefined, cold: readonly Cold[]): LineFacts | null {
  const [book, foods, kitchen] = [useBook(), useIngredients(), useKitchen()];
  const lessons = useLessons();
  return useMemo(() => {
    if (!formulaIds || !book.data || !foods.data || !kitchen.data || !lessons.data) return null;
    return {
      formulas: book.data.flatMap(({ formula }) => (formulaIds.includes(formula.id) ? [formula] : [])),
      ...{ foods: foods.data, kitchen: kitchen.data },
      lessons: lessonsOfLine(lessons.data, formulaIds),
      cold,
    };
  }, [formulaIds, book.data, foods.data, kitchen.data, lessons.data, cold]);
}

/** The value as it was, as long as it says the same. */
function useSame<T>(value: T): T {
  const words = JSON.stringify(value);
  return useMemo(() => JSON.parse(words) as T, [words]);
}

/** Today's service: what was wanted and planned, what lies ready, and where the shift stands. */
export function useServiceDay(): ServiceNow {
  const day = useServiceDate();
  const { zone } = useDays();
  const nowMs = useNow(LOOK_MS);
  const service = useService(day);
  const begun = useBatchesSince(day);
  const batches = useMemo(() => foldAll(begun), [begun]);
  const clock = useMemo(() => dayClock(day, zone), [day, zone]);
  const nowS = clock.toS(nowMs);
  // What is cold changes by acts; its best-by is looked at every minute, without a new line each time.
  const coldNow = useMemo(() => coldStock(batches, clock, nowS), [batches, clock, nowS]);
  const cold = useSame(coldNow);
  const record = service.data ?? null;
  const formulaIds = useMemo(() => record?.service.breads.map(({ formulaId }) => formulaId), [record]);
  const facts = useLineFacts(formulaIds, cold);
  const asks = useMemo(() => {
    if (!record || !facts) return null;
    // A batch that is moved asks for no other line.
    const { plan: _, ...told } = record.service;
    return { service: told, facts };
  }, [record, facts]);
  const worked = useWork('line', asks);
  const shift = asks ? (worked.data ?? null) : null;
  const line = useMemo(() => (shift && shift.breads.length > 0 ? compileShift(shift) : null), [shift]);
  const stock = useMemo(
    () => (record && line ? stockOf(record.service, record.acts, batches, line, clock, nowS) : []),
    [record, line, batches, clock, nowS],
  );
  const moment = useMemo(
    () => (record && line ? momentOf(line, record.service, stock, batches, clock, nowS) : null),
    [record, line, stock, batches, clock, nowS],
  );
  const rest = useMemo(
    () => (record ? restOfPlan(record.service, batches, clock) : []),
    [record, batches, clock],
  );
  return {
    lessons: facts?.lessons ?? [],
    ...{ day, record, shift, line, batches, cold, stock, rest, moment, nowS, toMs: clock.toMs },
    loading: service.isPending || (record !== null && (!facts || !line) && !worked.error),
    error: service.error ?? worked.error,
    retry: () => void service.refetch(),
  };
}
