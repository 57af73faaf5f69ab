import {
  type Line,
  type PlannedBatch,
  type ServiceAct,
  type ShiftPlan,
  liveActs,
  litAtOf,
  lineBatches,
} from '@kettle-scale/core/shift';
import { v7 as uuidv7 } from 'uuid';
import { useSaveService, useServiceAct } from '../../api/changes';
import type { ServiceNow } from './useServiceDay';

const MIN_S = 60;

type ActBody =
  | { type: 'taken' | 'counted' | 'brought'; formulaId: string; pieces: number }
  | Omit<Extract<ServiceAct, { type: 'thrown-out' }>, 'id' | 'at'>
  | { type: 'void'; target: string };

/** A searched plan as the day keeps it. */
export const plannedFrom = (batches: ShiftPlan['batches'], { breads, shift }: Line): PlannedBatch[] =>
  batches.map(({ bread, n, start, bakeAt, cold }) => {
    const store = shift.cold?.[cold ?? -1];
    return {
      ...{ id: uuidv7(), formulaId: breads[bread]?.id ?? '', n, start: Math.round(start) },
      bakeAt: Math.round(bakeAt ?? start),
      ...(store ? { cold: { batchId: store.id, as: store.as } } : {}),
    };
  });

/** What a cook does about the day's plan and its bread. */
export function usePlanActs({ day, record, rest, line }: ServiceNow) {
  const save = useSaveService(record?.service ?? null);
  const tell = useServiceAct(day);
  const service = record?.service;
  /** Batches that are begun stay; the others are these. */
  const keepRest = (batches: PlannedBatch[]) => {
    if (!service) return;
    const { plan } = service;
    // What came out of the fridge is counted from the choice on: with a new choice it is no part of the plan any more.
    const begun = (plan?.batches ?? []).filter(({ id, cold }) => !cold && !rest.some((one) => one.id === id));
    const chosenAt = new Date().toISOString();
    const all = [...begun, ...batches];
    const light = line ? litAtOf(line, { batches: lineBatches(line, all) }) : -1;
    save.mutate({
      ...service,
      plan: { batches: all, chosenAt, ...(light >= 0 ? { light: Math.round(light) } : {}) },
    });
  };
  return {
    error: save.error ?? tell.error,
    keepRest,
    /** Moves a batch that is not begun; its baking goes along. */
    move: (id: string, minutes: number) =>
      keepRest(
        rest.map((batch) =>
          batch.id === id
            ? {
                ...batch,
                start: Math.max(0, batch.start + minutes * MIN_S),
                bakeAt: Math.max(0, batch.bakeAt + minutes * MIN_S),
              }
            : batch,
        ),
      ),
    drop: (id: string) => keepRest(rest.filter((batch) => batch.id !== id)),
    act: (body: ActBody) => {
      const act = { ...body, id: uuidv7(), at: new Date().toISOString() };
      tell.mutate(act);
      return act.id;
    },
    /** The last act that still counts, to be taken back. */
    last: liveActs(record?.acts ?? []).at(-1) ?? null,
  };
}

export type PlanActs = ReturnType<typeof usePlanActs>;
