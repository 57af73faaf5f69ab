import {
  type BakeQuestion,
  type BakeRequest,
  type PlateTimes,
  type Trim,
  secondsAt,
  trimmedSeconds,
} from '@kettle-scale/core/bake';
import { useMemo, useState } from 'react';
import { useWork } from '../../../workers/useWork';

/** Times are worked out for plates so far around what is wanted, every so many degrees, and read between them. */
const AROUND_C = 40;
const EVERY_C = 10;

const platesAround = (plateC: number): number[] =>
  Array.from({ length: (2 * AROUND_C) / EVERY_C + 1 }, (_, i) => plateC - AROUND_C + i * EVERY_C);

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

const NONE: readonly PlateTimes[] = [];

/**
 * Seconds of the batch's bread on any plate near the wanted one, worked out once and read from then on. Those of the plate
 * as it is come first: a cook waits for no others.
 * @param question the bread on its plate
 * @param readC what the plate has, °C; null where nothing reads it
 */
export function useLiveTimes({ request }: BakeQuestion, readC: number | null): LiveTimes {
  const { sides } = request.program;
  const wantedC = request.setup.plateC;
  const laterC = request.program.later?.plateC;
  const plates = useMemo(() => {
    const heats = laterC === undefined ? [wantedC] : [wantedC, laterC];
    return [...new Set(heats.flatMap(platesAround))].sort((a, b) => a - b);
  }, [wantedC, laterC]);
  const isC = readC ?? wantedC;
  // As it was at first sight: a plate that heats up meanwhile begins no work anew.
  const [firstC] = useState(isC);
  const around = plates.filter((plateC) => Math.abs(plateC - firstC) < EVERY_C);
  const first = useWork('times', { request, platesC: around.length > 0 ? around : plates });
  const times = useWork('times', first.data || first.isError ? { request, platesC: plates } : null);
  // What stays on while another question is worked on is another bread's.
  const own = [times, first].find(({ data, isPlaceholderData }) => data && !isPlaceholderData);
  const table = own?.data ?? NONE;
  const nominal = useMemo(
    () => (table.length > 0 ? secondsAt(table, wantedC) : sides.map(({ seconds }) => seconds)),
    [table, wantedC, sides],
  );
  const isRead = own === times || table.some(({ plateC }) => Math.abs(plateC - isC) < EVERY_C);
  const failed = times.isError;
  return useMemo(() => {
    const modelAt = (plateC: number) => (table.length > 0 ? secondsAt(table, plateC) : nominal);
    const timesAt = (plateC: number, by: Trim) => trimmedSeconds(modelAt(plateC), by);
    return { request, table, modelAt, timesAt, ready: table.length > 0 && isRead, failed };
  }, [request, table, nominal, isRead, failed]);
}
