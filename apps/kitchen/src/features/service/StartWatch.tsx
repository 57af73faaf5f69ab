import { say } from '../../reader/say';
import { type DayClock, dayClock } from '@kettle-scale/core/quantity';
import { type ServiceDay, foldAll, isDue, restOfPlan } from '@kettle-scale/core/shift';
import { usePathname, useRouter } from 'expo-router';
import { useMemo } from 'react';
import { useBatchesSince, useFormulas, useService } from '../../api/queries';
import { useDays } from '../../shared/useDays';
import { useServiceDate } from '../../shared/useServiceDate';
import { AlarmBar } from '../../ui/alarm/AlarmBar';
import { useAlarms } from '../../ui/alarm/useAlarm';
import { useNow } from '../../ui/useNow';

const LOOK_MS = 5000;

interface DueStart {
  key: string;
  words: string;
  href: `/${string}`;
}

/** The plan of the day, and where its clock stands. */
interface PlanNow {
  day: string;
  plan: NonNullable<ServiceDay['plan']>;
  clock: DayClock;
  nowS: number;
}

/** What the plan wants begun now, and nobody has begun. */
function useDueStarts({ day, plan, clock, nowS }: PlanNow): DueStart[] {
  const begun = useBatchesSince(day);
  const formulas = useFormulas();
  const folded = useMemo(() => foldAll(begun), [begun]);
  const rest = useMemo(() => restOfPlan({ plan }, folded, clock), [plan, folded, clock]);
  const baking = folded.some(({ state }) => state.onPlate.length > 0 || state.baked.length > 0);
  const { light } = plan;
  const nameOf = (id: string) => formulas.data?.find((formula) => formula.id === id)?.name ?? id;
  return [
    ...(light !== undefined && isDue(light, nowS) && rest.length > 0 && !baking
      ? [{ key: `light/${day}/${light}`, words: 'Light the plate', href: '/service' as const }]
      : []),
    ...rest
      .filter(({ start }) => isDue(start, nowS))
      .map(({ id, formulaId, n, start, cold }) => ({
        key: `start/${id}/${start}`,
        words: cold
          ? say('Take {n, number} {nameOf} out of the fridge', { n, nameOf: nameOf(formulaId) })
          : say('Weigh {n, number} {nameOf}', { n, nameOf: nameOf(formulaId) }),
        href: cold ? (`/bench/${cold.batchId}` as const) : ('/service' as const),
      })),
  ];
}

function Due(now: PlanNow) {
  const router = useRouter();
  const path = usePathname();
  const due = useDueStarts(now);
  const { ringing, quiet } = useAlarms(due.map(({ key }) => key));
  const first = due.find(({ key }) => key === ringing);
  if (!first) return null;
  const open = () => {
    quiet();
    if (path !== first.href) router.push(first.href);
  };
  return <AlarmBar words={first.words} act="Open" onAct={open} onQuiet={quiet} />;
}

/** Rings when the plan of the day wants a batch begun or the plate lit, wherever the cook is in the app. */
export function StartWatch() {
  const day = useServiceDate();
  const { zone } = useDays();
  const plan = useService(day).data?.service.plan;
  const clock = useMemo(() => dayClock(day, zone), [day, zone]);
  const nowS = clock.toS(useNow(LOOK_MS));
  // The day's batches are asked for only while something is due.
  const isAnyDue = [plan?.light, ...(plan?.batches ?? []).map(({ start }) => start)].some(
    (at) => at !== undefined && isDue(at, nowS),
  );
  return plan && isAnyDue ? <Due {...{ day, plan, clock, nowS }} /> : null;
}
