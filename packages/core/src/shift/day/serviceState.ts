import type { Batch } from '../../batch/batchSchema';
import { foldBatch } from '../../batch/foldBatch';
import type { BatchState } from '../../batch/batchState';
import type { DayClock } from '../../quantity/clock';
import type { Line } from '../line/compile';
import type { ServiceAct, ServiceDay } from './serviceDaySchema';

const MS_PER_S = 1000;

/** What there is of one bread. */
export interface BreadStock {
  formulaId: string;
  /** When each good piece that lies ready came off the plate, the oldest first, s from midnight. */
  ready: number[];
  /** Of them, past their holding: not to be served. */
  tooOld: number;
  made: number;
  /** Of another day: from the fridge, the freezer or a box. */
  broughtIn: number;
  taken: number;
  thrownOut: number;
  /** When each piece was taken. */
  takenAt: number[];
}

/** An act that counts by itself. */
export type TrayAct = Exclude<ServiceAct, { type: 'void' }>;

/**
 * Acts that still count, in the order in which they were told.
 * @param acts acts of a day
 */
export const liveActs = (acts: readonly ServiceAct[]): TrayAct[] => {
  const voided = new Set(acts.flatMap((act) => (act.type === 'void' ? [act.target] : [])));
  return acts.flatMap((act) => (act.type === 'void' || voided.has(act.id) ? [] : [act]));
};

/** When the good pieces of a batch came off, s from midnight; of a batch without taps, when it was finished. */
function goodOff(batch: Batch, state: BatchState, sinceMidnight: (ms: number) => number): number[] {
  const sold = state.baked.filter(({ piece }) => !state.trials.includes(piece));
  const off = sold.map(({ onMs, sidesS }) =>
    sinceMidnight(onMs + MS_PER_S * sidesS.reduce((sum, s) => sum + s, 0)),
  );
  const { finished } = state;
  if (finished && off.length < finished.pieces) {
    const at = sinceMidnight(Date.parse(finished.at));
    off.push(...Array<number>(finished.pieces - off.length).fill(at));
  }
  const rejected = finished
    ? finished.pieces - finished.good
    : state.rejected.reduce((sum, { pieces }) => sum + pieces, 0);
  return off.sort((a, b) => a - b).slice(0, Math.max(0, off.length - rejected));
}

/** A batch with its state. */
export interface FoldedBatch {
  batch: Batch;
  state: BatchState;
}

/**
 * Batches of a day, each folded once.
 * @param batches batches that were begun on the day
 */
export const foldAll = (batches: readonly Batch[]): FoldedBatch[] =>
  batches.map((batch) => ({ batch, state: foldBatch(batch.plan, batch.events) }));

/**
 * What of each bread lies ready, was taken and was thrown out.
 * @param service the day
 * @param acts what happened to ready bread
 * @param batches the day's batches
 * @param line the line, for how long each bread holds
 * @param clock the day's clock
 * @param nowS s from midnight
 */
export function stockOf(
  service: ServiceDay,
  acts: readonly ServiceAct[],
  batches: readonly FoldedBatch[],
  line: Line,
  { toS }: DayClock,
  nowS: number,
): BreadStock[] {
  return service.breads.map(({ formulaId }) => {
    const off = batches
      .filter(({ batch }) => batch.plan.formula.id === formulaId)
      .flatMap(({ batch, state }) => goodOff(batch, state, toS))
      // What a batch of another day gave then is held bread by now.
      .filter((at) => at >= 0)
      .sort((a, b) => a - b);
    const stock: BreadStock = {
      formulaId,
      ready: [],
      tooOld: 0,
      made: 0,
      broughtIn: 0,
      taken: 0,
      thrownOut: 0,
      takenAt: [],
    };
    const own = liveActs(acts)
      .filter((act) => act.formulaId === formulaId)
      .sort((a, b) => a.at.localeCompare(b.at));
    let next = 0;
    const arriveUntil = (at: number) => {
      for (; next < off.length && off[next]! <= at; next += 1) {
        stock.ready.push(off[next]!);
        stock.made += 1;
      }
    };
    for (const act of own) {
      const at = toS(Date.parse(act.at));
      arriveUntil(at);
      if (act.type === 'brought') {
        stock.ready.push(...Array<number>(act.pieces).fill(at));
        stock.broughtIn += act.pieces;
        continue;
      }
      const gone = act.type === 'counted' ? stock.ready.length - act.pieces : act.pieces;
      if (act.type === 'counted' && gone < 0) {
        // More than was known of: from now on they are there.
        stock.ready.push(...Array<number>(-gone).fill(at));
        stock.made -= gone;
        continue;
      }
      stock.ready.splice(0, gone);
      if (act.type === 'thrown-out') stock.thrownOut += gone;
      else {
        stock.taken += gone;
        stock.takenAt.push(...Array<number>(gone).fill(at));
      }
    }
    arriveUntil(nowS);
    const holdS = line.breads.find(({ id }) => id === formulaId)?.holdS ?? Infinity;
    stock.tooOld = stock.ready.filter((at) => at + holdS < nowS).length;
    return stock;
  });
}
