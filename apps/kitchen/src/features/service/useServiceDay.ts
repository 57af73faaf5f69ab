import type { Ingredient } from '@kettle-scale/core/ingredient';
import {
  type BreadStock,
  type FoldedBatch,
  type Line,
  type PlannedBatch,
  type SeenMoment,
  type ServiceRecord,
  type Shift,
  type ShiftPlan,
  clockOf,
  compileShift,
  foldAll,
  momentOf,
  restOfPlan,
  stockOf,
} from '@kettle-scale/core/shift';
import { useMemo } from 'react';
import { useFacts } from '../../api/logQueries';
import { useBatchesSince, useBook, useIngredients, useKitchen, useService } from '../../api/queries';
import { useDays, useToday } from '../../shared/useDays';
import { useNow } from '../../ui/useNow';
import { useWork } from '../../workers/useWork';

/** A change of the rest of the day is looked for this often, and whenever something happens. */
const LOOK_MS = 60_000;
/** What is eaten and wasted in a quarter of a year says what a bread loses. */
const FACTS_LIMIT = '200';

/** Everything about today's service, as far as it is there. */
export interface ServiceNow {
  day: string;
  record: ServiceRecord | null;
  shift: Shift | null;
  line: Line | null;
  batches: FoldedBatch[];
  stock: BreadStock[];
  /** Batches of the plan that are not begun. */
  rest: PlannedBatch[];
  /** Where the shift stands; null before it is known. */
  moment: SeenMoment | null;
  nowS: number;
  /** Seconds from midnight as an instant, ms. */
  toMs: (s: number) => number;
  loading: boolean;
  error: Error | null;
  retry: () => void;
}

/** The foods and formulas that the line is worked out from. */
function useBreadFacts() {
  const [book, foods, kitchen] = [useBook(), useIngredients(), useKitchen()];
  const facts = useFacts({ limit: FACTS_LIMIT });
  return useMemo(() => {
    if (!book.data || !foods.data || !kitchen.data || !facts.data) return null;
    const shared: { foods: Ingredient[]; kitchen: typeof kitchen.data; facts: typeof facts.data } = {
      ...{ foods: foods.data, kitchen: kitchen.data, facts: facts.data },
    };
    return {
      kitchen: kitchen.data,
      breads: book.data.map(({ formula }) => ({ ...shared, formula })),
    };
  }, [book.data, foods.data, kitchen, facts]);
}

/** A plan's batches as the planner counts them: breads by their place in the shift. */
export const batchesFor = (line: Line, planned: readonly PlannedBatch[]): ShiftPlan['batches'] =>
  planned.flatMap(({ formulaId, n, start, bakeAt }) => {
    const bread = line.breads.findIndex(({ id }) => id === formulaId);
    return bread < 0 ? [] : [{ bread, n, start, bakeAt }];
  });

/** Today's service: what was wanted and planned, what lies ready, and where the shift stands. */
export function useServiceDay(): ServiceNow {
  const day = useToday();
  const { zone } = useDays();
  const nowMs = useNow(LOOK_MS);
  const service = useService(day);
  const told = useBreadFacts();
  const record = service.data ?? null;
  const asks = useMemo(
    () =>
      record && told
        ? {
            service: { ...record.service, plan: undefined },
            breads: told.breads.filter(({ formula }) =>
              record.service.breads.some(({ formulaId }) => formulaId === formula.id),
            ),
            kitchen: told.kitchen,
          }
        : null,
    [record, told],
  );
  const worked = useWork('line', asks);
  const shift = asks ? (worked.data ?? null) : null;
  const line = useMemo(() => (shift && shift.breads.length > 0 ? compileShift(shift) : null), [shift]);
  const begun = useBatchesSince(day);
  const batches = useMemo(() => foldAll(begun), [begun]);
  const clock = useMemo(() => clockOf(day, zone), [day, zone]);
  const nowS = clock.toS(nowMs);
  const stock = useMemo(
    () => (record && line ? stockOf(record.service, record.acts, batches, line, clock, nowS) : []),
    [record, line, batches, clock, nowS],
  );
  const moment = useMemo(
    () => (record && line ? momentOf(line, record.service, stock, batches, clock, nowS) : null),
    [record, line, stock, batches, clock, nowS],
  );
  const rest = useMemo(() => (record ? restOfPlan(record.service, batches) : []), [record, batches]);
  return {
    ...{ day, record, shift, line, batches, stock, rest, moment, nowS, toMs: clock.toMs },
    loading: service.isPending || (record !== null && (!told || !line) && !worked.error),
    error: service.error ?? worked.error,
    retry: () => void service.refetch(),
  };
}
