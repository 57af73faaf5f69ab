import { ballsAtHand, ballsMade, workableAtMs } from '../../batch/coldStore';
import type { BatchState } from '../../batch/batchState';
import type { DayClock } from '../../quantity/clock';
import type { Line } from '../line/compile';
import { type BatchNow, STAGE, firstMoment, noCount } from '../line/lineState';
import type { SeenMoment } from '../line/runLine';
import { takenOutSince } from './coldStock';
import type { PlannedBatch, ServiceDay } from './serviceDaySchema';
import type { BreadStock, FoldedBatch } from './serviceState';

/** Where a batch stands whose dough is not divided yet. */
function beforeDividing(
  bread: Line['breads'][number],
  startS: number,
  { step: { kind } }: NonNullable<BatchState['now']>,
  sinceS: number,
  nowS: number,
): Pick<BatchNow, 'stage' | 'at'> & { mixer?: number } {
  const { weighS, loadS, mixS, kneadS, rest1 } = bread;
  if (kind === 'weigh') return { stage: STAGE.weighing, at: Math.max(nowS, startS + weighS) };
  if (kind === 'mix' || kind === 'knead' || kind === 'pause') {
    return { stage: STAGE.mixing, mixer: 0, at: Math.max(nowS, startS + weighS + loadS + mixS + kneadS) };
  }
  // Whatever comes after the dough's rest waits to be divided.
  return { stage: STAGE.resting, at: kind === 'rest' ? sinceS : nowS - rest1[0] };
}

/**
 * How far a running batch is, as the line sees it; null where it does not run or the line does not make it.
 * @param line the line
 * @param folded the batch
 * @param toS an instant as s from midnight
 * @param nowS s from midnight
 */
export function batchNow(
  line: Line,
  folded: FoldedBatch,
  toS: (ms: number) => number,
  nowS: number,
): BatchNow | null {
  const { batch, state } = folded;
  const bread = line.breads.findIndex(({ id }) => id === batch.plan.formula.id);
  const now = state.now;
  if (bread < 0 || state.status !== 'running' || !now) return null;
  const one = line.breads[bread]!;
  const n = ballsMade(batch.plan, state);
  const sinceS = toS(now.startedMs ?? Date.parse(state.lastAct?.at ?? batch.startedAt));
  const base: BatchNow = {
    ...{ bread, n, start: toS(Date.parse(batch.startedAt)), bakeAt: -1, stage: STAGE.mixing, at: nowS },
    ...{ left: n, ordinal: 0, mixer: -1, bowlFreeAt: -1, cold: -1 },
  };
  if (!state.divided) return { ...base, ...beforeDividing(one, base.start, now, sinceS, nowS) };
  const left = ballsAtHand(batch.plan, state);
  return {
    ...base,
    stage: left > 0 ? STAGE.balls : STAGE.rolledOut,
    at: restedFromS(one, folded, toS) ?? sinceS,
    left,
  };
}

/** Since when the balls at hand rest: since they were divided or drawn, or so that balls out of the fridge are ready once they are warm. */
function restedFromS(
  { rest2 }: Line['breads'][number],
  { batch, state }: FoldedBatch,
  toS: (ms: number) => number,
): number | null {
  const warmMs = workableAtMs(batch.plan, state);
  if (warmMs !== null && Number.isFinite(warmMs)) return toS(warmMs) - rest2[0];
  const divided = state.drawn.at(-1) ?? state.divided;
  return divided ? toS(Date.parse(divided.at)) : null;
}

/** A plate is not let go cold between batches: after its last piece it is taken to stay hot for so long, s (assumption). */
const STAYS_HOT_S = 3600;

/** The bread that each plate has the heat of, by the last piece that lay on it; plates that nobody baked on are cold. */
function hotNow(
  { breads, plateOf }: Line,
  batches: readonly FoldedBatch[],
  { toS }: DayClock,
  nowS: number,
): Map<number, number> {
  const last = new Map<number, { atS: number; bread: number }>();
  for (const { batch, state } of batches) {
    const bread = breads.findIndex(({ id }) => id === batch.plan.formula.id);
    const on = [...state.onPlate, ...state.baked].map(({ onMs }) => toS(onMs));
    if (bread < 0 || on.length === 0) continue;
    const plate = Math.max(0, plateOf[bread]!);
    const atS = Math.max(...on);
    if (atS > (last.get(plate)?.atS ?? nowS - STAYS_HOT_S)) last.set(plate, { atS, bread });
  }
  return new Map([...last].map(([plate, { bread }]) => [plate, bread]));
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
  clock: DayClock,
  nowS: number,
): SeenMoment {
  const { toS } = clock;
  const begun = batches.flatMap((folded) => batchNow(line, folded, toS, nowS) ?? []);
  const rest = lineBatches(line, restOfPlan(service, batches, clock)).map((one) => ({
    ...one,
    start: Math.max(one.start, nowS),
  }));
  const empty = firstMoment(line, { batches: rest, light: service.plan?.light ?? nowS });
  const hot = hotNow(line, batches, clock, nowS);
  const slots = Math.ceil((service.serviceTo - service.serviceFrom) / line.slotS);
  const stockFor = (id: string) => stock.find(({ formulaId }) => formulaId === id);
  return {
    t: nowS,
    batches: [...begun, ...empty.batches],
    people: empty.people.map((person) => ({ ...person, freeAt: nowS })),
    plates: empty.plates.map((plate, index) => {
      const bread = hot.get(index);
      return bread === undefined
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
 * Batches of the plan that are still to be begun: as many of a formula as were begun today are taken off its front, and of
 * what is cold as much as was taken out of the fridge since the plan was chosen.
 * @param service the day
 * @param batches the day's batches, and those of other days that still run
 * @param clock the day's clock
 */
export function restOfPlan(
  { plan }: Pick<ServiceDay, 'plan'>,
  batches: readonly FoldedBatch[],
  { toS }: DayClock,
): PlannedBatch[] {
  const begun = new Map<string, number>();
  for (const { batch } of batches) {
    const { id } = batch.plan.formula;
    if (toS(Date.parse(batch.startedAt)) >= 0) begun.set(id, (begun.get(id) ?? 0) + 1);
  }
  const out = takenOutSince(batches, plan?.chosenAt ?? '');
  return [...(plan?.batches ?? [])]
    .sort((a, b) => a.start - b.start)
    .filter(({ formulaId, n, cold }) => {
      const [counts, key, each] = cold ? [out, `${cold.batchId}/${cold.as}`, n] : [begun, formulaId, 1];
      const left = counts.get(key) ?? 0;
      counts.set(key, left - each);
      return left <= 0;
    });
}

/**
 * Planned batches as the line counts them: breads, and what is in the fridge, by their places in the shift. What is in no book
 * or no fridge any more is left out.
 * @param line the line
 * @param planned batches of a day
 */
export const lineBatches = (line: Line, planned: readonly PlannedBatch[]) =>
  planned.flatMap(({ formulaId, n, start, bakeAt, cold }) => {
    const bread = line.breads.findIndex(({ id }) => id === formulaId);
    const stores = line.shift.cold ?? [];
    const store = cold ? stores.findIndex(({ id, as }) => id === cold.batchId && as === cold.as) : -1;
    if (bread < 0 || (cold && store < 0)) return [];
    if (!cold) return [{ bread, n, start, bakeAt }];
    return [{ bread, n: Math.min(n, stores[store]!.pieces), start, bakeAt, cold: store }];
  });
