import { placesOfOthers } from '@kettle-scale/core/bake';
import { foldBatch } from '@kettle-scale/core/batch';
import { useMemo } from 'react';
import { useRunning, useSomeBatches } from '../../../api/queries';
import { useSampled } from '../../../ui/useSampled';

/** How often it is looked whether another batch has forgotten a piece. */
const EVERY_MS = 5000;

/** Nothing of a batch at these steps is on the plate: they are not even asked for. */
const BEFORE = new Set(['weigh', 'mix', 'knead']);

/** Places where pieces of other batches lie, with the batch's name. */
export function useOthersOnPlate(id: string): Map<number, string> {
  const running = useRunning();
  const ids = useMemo(
    () =>
      (running.data ?? []).flatMap((batch) =>
        batch.id !== id && batch.record.now && !BEFORE.has(batch.record.now.kind) ? [batch.id] : [],
      ),
    [running.data, id],
  );
  const batches = useSomeBatches(ids);
  const others = useMemo(
    () =>
      batches.map(({ plan, events }) => ({
        name: plan.formula.name,
        onPlate: foldBatch(plan, events).onPlate,
      })),
    [batches],
  );
  const lying = useSampled((nowMs) => JSON.stringify([...placesOfOthers(others, nowMs)]), EVERY_MS);
  return useMemo(() => new Map(JSON.parse(lying) as [number, string][]), [lying]);
}
