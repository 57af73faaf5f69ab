import { type LotState, lotToday } from '@kettle-scale/core/flourLot';
import type { Adjustment, Carried } from '@kettle-scale/core/plan';
import { lessonAdjustments } from '@kettle-scale/core/log';
import { useMemo, useState } from 'react';
import { useToday } from '../../shared/useDays';
import { useCook } from '../../batch/cookHere';
import { useCarried, useLessons } from '../../api/logQueries';

/** What history offers a plan of a formula, and what of it is left out by hand. */
export interface History {
  offered: Adjustment[];
  used: Adjustment[];
  carried: Carried[];
  left: ReadonlySet<string>;
  leave: (id: string, leave: boolean) => void;
}

const NONE: ReadonlySet<string> = new Set();

/** Lessons that are about this formula and lot, and changes carried from its earlier batches. */
export function useHistory(formulaId: string, lot: LotState | undefined): History {
  const lessons = useLessons();
  const all = useCarried();
  const [left, setLeft] = useState(NONE);
  const carried = useMemo(
    () => (all.data ?? []).filter((one) => one.formulaId === formulaId),
    [all.data, formulaId],
  );
  const today = useToday();
  const { cook } = useCook();
  const offered = useMemo(() => {
    const learned = lessonAdjustments(lessons.data ?? [], {
      formulaId,
      today,
      cook: cook?.id,
      lot: lot ? lotToday(lot, today) : undefined,
    });
    return [...learned, ...carried.map(({ adjustment }) => adjustment)];
  }, [lessons.data, carried, formulaId, lot, today, cook?.id]);
  const used = useMemo(() => offered.filter(({ id }) => !left.has(id)), [offered, left]);
  return {
    ...{ offered, used, carried, left },
    leave: (id, leave) =>
      setLeft((was) => {
        const next = new Set(was);
        if (leave) next.add(id);
        else next.delete(id);
        return next;
      }),
  };
}
