import type { BatchState } from '@kettle-scale/core/batch';
import {
  type BakeRequest,
  type PlateTimes,
  type Trim,
  requestOf,
  secondsAt,
  trimmedSeconds,
} from '@kettle-scale/core/bake';
import type { Plan } from '@kettle-scale/core/plan';
import { useMemo } from 'react';
import { useWork } from '../../../workers/useWork';
import type { GriddleSubject } from '../useGriddle';

/** Times are worked out for plates so far around what is wanted, every so many degrees, and read between them. */
const AROUND_C = 40;
const EVERY_C = 10;

export interface LiveTimes {
  request: BakeRequest;
  /** Seconds of each side for plates around the wanted one; empty while they are worked out. */
  table: readonly PlateTimes[];
  /** Seconds of the model on a plate of this heat; the formula's own while it is asked. */
  modelAt: (plateC: number) => readonly number[];
  /** The same after what was judged. */
  timesAt: (plateC: number, by: Trim) => number[];
  ready: boolean;
  /** The model could not be asked: the formula's own seconds stand in. */
  failed: boolean;
}

/** A request for the batch's own bread on the plate as it is wanted. */
function liveRequest(plan: Plan, flattened: BatchState['flattened'], subject: GriddleSubject): BakeRequest {
  return requestOf({
    formula: plan.formula,
    foods: plan.ingredients as GriddleSubject['foods'],
    griddle: subject.griddle,
    plateC: plan.formula.bake.plateC,
    thicknessMm: flattened?.thicknessMm ?? plan.relaxed.thicknessMm,
    doughC: subject.doughC,
    altitudeM: subject.kitchen.altitudeM ?? 0,
  });
}

const NONE: readonly PlateTimes[] = [];

/** Seconds of the batch's bread on any plate near the wanted one, worked out once and read from then on. */
export function useLiveTimes(
  plan: Plan,
  flattened: BatchState['flattened'],
  subject: GriddleSubject,
): LiveTimes {
  const request = useMemo(() => liveRequest(plan, flattened, subject), [plan, flattened, subject]);
  const wantedC = plan.formula.bake.plateC;
  const plates = useMemo(
    () => Array.from({ length: (2 * AROUND_C) / EVERY_C + 1 }, (_, i) => wantedC - AROUND_C + i * EVERY_C),
    [wantedC],
  );
  const times = useWork('times', { request, platesC: plates });
  const { sides } = plan.formula.bake;
  const table = times.data ?? NONE;
  const nominal = useMemo(
    () => (table.length > 0 ? secondsAt(table, wantedC) : sides.map(({ seconds }) => seconds)),
    [table, wantedC, sides],
  );
  const failed = times.isError;
  return useMemo(() => {
    const modelAt = (plateC: number) => (table.length > 0 ? secondsAt(table, plateC) : nominal);
    const timesAt = (plateC: number, by: Trim) => trimmedSeconds(modelAt(plateC), by);
    return { request, table, modelAt, timesAt, ready: table.length > 0, failed };
  }, [request, table, nominal, failed]);
}
