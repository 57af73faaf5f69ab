import type { PlannedBatch, ServiceAct, ServiceDay, ShiftPlan } from '@kettle-scale/core/shift';
import { v7 as uuidv7 } from 'uuid';
import { useSaveService, useServiceAct } from '../../api/queries';
import type { ServiceNow } from './useServiceDay';

const MIN_S = 60;

type ActBody =
  | { type: 'taken' | 'counted'; formulaId: string; pieces: number }
  | Omit<Extract<ServiceAct, { type: 'thrown-out' }>, 'id' | 'at'>
  | { type: 'void'; target: string };

/** A searched plan as the day keeps it. */
export const plannedFrom = (batches: ShiftPlan['batches'], ids: readonly string[]): PlannedBatch[] =>
  batches.map(({ bread, n, start, bakeAt }) => ({
    ...{ id: uuidv7(), formulaId: ids[bread] ?? '', n, start: Math.round(start) },
    bakeAt: Math.round(bakeAt ?? start),
  }));

/** What a cook does about the day's plan and its bread. */
export function usePlanActs({ day, record, rest }: ServiceNow) {
  const save = useSaveService();
  const tell = useServiceAct(day);
  const service = record?.service;
  const put = (changes: Partial<ServiceDay>) => {
    if (service) save.mutate({ ...service, ...changes });
  };
  /** Batches that are begun stay; the others are these. */
  const keepRest = (batches: PlannedBatch[], light?: number) => {
    const begun = (service?.plan?.batches ?? []).filter(({ id }) => !rest.some((one) => one.id === id));
    put({
      plan: {
        batches: [...begun, ...batches],
        ...((light ?? service?.plan?.light) === undefined ? {} : { light: light ?? service?.plan?.light }),
        chosenAt: new Date().toISOString(),
      },
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
    last: lastAct(record?.acts ?? []),
  };
}

function lastAct(acts: readonly ServiceAct[]): Exclude<ServiceAct, { type: 'void' }> | null {
  const voided = new Set(acts.flatMap((act) => (act.type === 'void' ? [act.target] : [])));
  for (const act of [...acts].reverse()) {
    if (act.type !== 'void' && !voided.has(act.id)) return act;
  }
  return null;
}

export type PlanActs = ReturnType<typeof usePlanActs>;
