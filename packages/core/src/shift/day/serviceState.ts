import type { Batch } from '../../batch/batchSchema';
import { foldBatch } from '../../batch/foldBatch';
import type { BatchState } from '../../batch/batchState';
import { startOfDayMs, type Zone } from '../../quantity/days';
import { type Line } from '../line/compile';
import { type BatchNow, STAGE, firstMoment } from '../line/lineState';
import type { SeenMoment } from '../line/runLine';
import { noCount } from '../line/lineState';
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
  taken: number;
  thrownOut: number;
  /** When each piece was taken. */
  takenAt: number[];
}

/** Acts that still count. */
const liveActs = (acts: readonly ServiceAct[]): Exclude<ServiceAct, { type: 'void' }>[] => {
  const voided = new Set(acts.flatMap((act) => (act.type === 'void' ? [act.target] : [])));
  return acts.flatMap((act) => (act.type === 'void' || voided.has(act.id) ? [] : [act]));
};

/** When the good pieces of a batch came off, s from midnight; of a batch without taps, when it was finished. */
function goodOff(batch: Batch, state: BatchState, sinceMidnight: (ms: number) => number): number[] {
  const off = state.baked.map(({ onMs, sidesS }) =>
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

/** Seconds from the day's midnight, on the kitchen's clock. */
export const clockOf = (day: string, zone: Zone) => {
  const midnightMs = startOfDayMs(day, zone);
  return {
    toS: (ms: number) => (ms - midnightMs) / MS_PER_S,
    toMs: (s: number) => midnightMs + s * MS_PER_S,
  };
};

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
  { toS }: ReturnType<typeof clockOf>,
  nowS: number,
): BreadStock[] {
  return service.breads.map(({ formulaId }) => {
    const off = batches
      .filter(({ batch }) => batch.plan.formula.id === formulaId)
      .flatMap(({ batch, state }) => goodOff(batch, state, toS))
      .sort((a, b) => a - b);
    const stock: BreadStock = {
      formulaId,
      ready: [],
      tooOld: 0,
      made: off.length,
      taken: 0,
      thrownOut: 0,
      takenAt: [],
    };
    const own = liveActs(acts)
      .filter((act) => act.formulaId === formulaId)
      .sort((a, b) => a.at.localeCompare(b.at));
    let next = 0;
    const arriveUntil = (at: number) => {
      while (next < off.length && off[next]! <= at) stock.ready.push(off[next++]!);
    };
    for (const act of own) {
      const at = toS(Date.parse(act.at));
      arriveUntil(at);
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

/** How far a running batch is, as the line sees it. */
function batchNow(
  line: Line,
  { batch, state }: FoldedBatch,
  toS: (ms: number) => number,
  nowS: number,
): BatchNow | null {
  const bread = line.breads.findIndex(({ id }) => id === batch.plan.formula.id);
  const now = state.now;
  if (bread < 0 || state.status !== 'running' || !now) return null;
  const one = line.breads[bread]!;
  const n = state.divided?.pieces ?? batch.plan.pieces;
  const sinceS = toS(now.startedMs ?? Date.parse(state.lastAct?.at ?? batch.startedAt));
  const base: BatchNow = {
    ...{ bread, n, start: toS(Date.parse(batch.startedAt)), bakeAt: -1, stage: STAGE.mixing, at: nowS },
    ...{ left: n, ordinal: 0, mixer: -1, bowlFreeAt: -1 },
  };
  const { kind } = now.step;
  if (kind === 'weigh')
    return { ...base, stage: STAGE.weighing, at: Math.max(nowS, base.start + one.weighS) };
  if (kind === 'mix' || kind === 'knead' || kind === 'pause') {
    const doneS = base.start + one.weighS + one.loadS + one.mixS + one.kneadS;
    return { ...base, mixer: 0, at: Math.max(nowS, doneS) };
  }
  const ofBalls = kind === 'rest' && batch.plan.formula.method.rests[now.step.rest ?? 0]?.of === 'balls';
  if (kind === 'rest' && !ofBalls) return { ...base, stage: STAGE.resting, at: sinceS };
  if (kind === 'divide') return { ...base, stage: STAGE.resting, at: nowS - one.rest1[0] };
  const dividedS = state.divided ? toS(Date.parse(state.divided.at)) : sinceS;
  const left = Math.max(0, n - state.piecesOff - state.onPlate.length);
  return { ...base, stage: left > 0 ? STAGE.balls : STAGE.rolledOut, at: dividedS, left };
}

/**
 * The running shift as the planner goes on from it: what is begun, what lies ready, and who was served.
 * @param line the line
 * @param service the day
 * @param stock what lies ready
 * @param batches the day's batches
 * @param clock the day's clock
 * @param nowS s from midnight
 */
export function momentOf(
  line: Line,
  service: ServiceDay,
  stock: readonly BreadStock[],
  batches: readonly FoldedBatch[],
  { toS }: ReturnType<typeof clockOf>,
  nowS: number,
): SeenMoment {
  const begun = batches.flatMap((folded) => batchNow(line, folded, toS, nowS) ?? []);
  const rest = restOfPlan(service, batches).flatMap(({ formulaId, n, start, bakeAt }) => {
    const bread = line.breads.findIndex(({ id }) => id === formulaId);
    return bread < 0 ? [] : [{ bread, n, start: Math.max(start, nowS), bakeAt }];
  });
  const empty = firstMoment(line, { batches: rest, light: service.plan?.light ?? nowS });
  const baking = batches.find(({ state }) => state.onPlate.length > 0);
  const slots = Math.ceil((service.serviceTo - service.serviceFrom) / line.slotS);
  const stockFor = (id: string) => stock.find(({ formulaId }) => formulaId === id);
  return {
    t: nowS,
    batches: [...begun, ...empty.batches],
    people: empty.people.map((person) => ({ ...person, freeAt: nowS })),
    plates: empty.plates.map((plate) => {
      const bread = line.breads.findIndex(({ id }) => id === baking?.batch.plan.formula.id);
      return bread < 0
        ? plate
        : { ...plate, heat: line.heatOf[bread]!, hotAt: nowS, litAt: Math.min(plate.litAt, nowS) };
    }),
    ready: line.breads.map(({ id }) => stockFor(id)?.ready.slice() ?? []),
    counts: line.breads.map(noCount),
    servedBySlot: line.breads.map(({ id }) => {
      const bySlot = new Int32Array(slots);
      for (const at of stockFor(id)?.takenAt ?? []) {
        const slot = Math.floor((at - service.serviceFrom) / line.slotS);
        if (slot >= 0 && slot < slots) bySlot[slot] = bySlot[slot]! + 1;
      }
      return bySlot;
    }),
  };
}

/**
 * Batches of the plan that are still to be begun: as many of a formula as were begun are taken off its front.
 * @param service the day
 * @param batches the day's batches
 */
export function restOfPlan(service: ServiceDay, batches: readonly FoldedBatch[]) {
  const begun = new Map<string, number>();
  for (const { batch } of batches) {
    const { id } = batch.plan.formula;
    begun.set(id, (begun.get(id) ?? 0) + 1);
  }
  return [...(service.plan?.batches ?? [])]
    .sort((a, b) => a.start - b.start)
    .filter(({ formulaId }) => {
      const left = begun.get(formulaId) ?? 0;
      begun.set(formulaId, left - 1);
      return left <= 0;
    });
}
