import { type OtherBatch, type OtherPiece, griddleFor, piecesOfOthers } from '@kettle-scale/core/bake';
import { foldBatch } from '@kettle-scale/core/batch';
import { bakePhases } from '@kettle-scale/core/formula';
import { useMemo } from 'react';
import { useKitchen, useRunning, useSomeBatches } from '../../../api/queries';
import { useSampled } from '../../../ui/useSampled';

/** How often it is looked whether another batch has forgotten a piece. */
const EVERY_MS = 5000;

/** Nothing of a batch at these steps is on the plate: they are not even asked for. */
const BEFORE = new Set(['weigh', 'mix', 'knead']);

/** Pieces of other batches that lie on the same plate, by any phone, with when their next act is due. */
export function useOthersOnPlate(id: string, griddleId: string | undefined): OtherPiece[] {
  const running = useRunning();
  const kitchen = useKitchen().data;
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
      batches.flatMap(({ plan, events }): OtherBatch[] => {
        const { formula } = plan;
        if (griddleFor(formula, kitchen?.griddles ?? [])?.id !== griddleId) return [];
        const secondsS = bakePhases(formula.bake).map(({ seconds }) => seconds);
        return [{ name: formula.name, secondsS, onPlate: foldBatch(plan, events).onPlate }];
      }),
    [batches, kitchen, griddleId],
  );
  const lying = useSampled((nowMs) => JSON.stringify(piecesOfOthers(others, nowMs)), EVERY_MS);
  return useMemo(() => JSON.parse(lying) as OtherPiece[], [lying]);
}
