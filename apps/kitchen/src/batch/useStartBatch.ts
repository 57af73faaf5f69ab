import { type Batch, type BatchStart, batchRecord, foldBatch } from '@kettle-scale/core/batch';
import { type Plan, keepablePlan } from '@kettle-scale/core/plan';
import { useMutation } from '@tanstack/react-query';
import { Unreachable, api } from '../api/api';
import { keys, queryClient } from '../api/queries';
import type { QueuedStart } from '../api/waitingActs';
import { cookOfAct } from './cookHere';
import { kitchenQueue } from './kitchenQueue';

interface Start {
  start: BatchStart;
  /** What the cook sees. */
  plan: Plan;
}

/** Freezes a batch on this phone; it is sent before its acts once a server answers. */
async function startHere({ start, plan: seen }: Start): Promise<Batch> {
  const plan = keepablePlan(seen);
  const { id, at, cook, formulaId, formulaVersion, flourLotId = null } = start;
  const { lines: _lines, ...record } = batchRecord(plan, foldBatch(plan, []));
  const queued: QueuedStart = {
    batchId: id,
    start: { ...start, frozenPlan: plan },
    summary: {
      id,
      startedAt: at,
      formulaId,
      formulaName: plan.formula.name,
      formulaVersion,
      flourLotId,
      cook,
      begunOffline: true,
      record,
    },
  };
  await kitchenQueue.add(queued);
  return { id, startedAt: at, cook, plan, flourLotId, events: [] };
}

/** Starts a batch at the server or, while none answers, on this phone. */
export const useStartBatch = () =>
  useMutation({
    mutationFn: async ({ start, plan }: Start) => {
      const begun = { start: { ...start, ...cookOfAct() }, plan };
      try {
        return await api.startBatch(begun.start);
      } catch (error) {
        if (error instanceof Unreachable) return startHere(begun);
        throw error;
      }
    },
    onSuccess: (batch) => {
      // From here on this device holds work that is nowhere else; browsers without the question keep what they can.
      void navigator.storage?.persist?.();
      queryClient.setQueryData(keys.batch(batch.id), batch);
      void queryClient.invalidateQueries({ queryKey: keys.batches() });
    },
  });
