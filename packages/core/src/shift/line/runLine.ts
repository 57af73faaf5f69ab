import type { ShiftDay } from '../demand/shiftDay';
import { DAY_S, type LineBread, SHIFT_DEFAULTS, type ShiftPlan } from '../shiftSchema';
import type { Line } from './compile';
import { serveUntil } from './guests';
import { letHandsAct } from './hands';
import {
  type BatchNow,
  type BreadCount,
  type LineLog,
  type LineMoment,
  type LineRun,
  STAGE,
  firstMoment,
  noCount,
} from './lineState';
import { choosePlates, passTime } from './plates';
import { URGENT_S } from './tasks';

/** Just after a latest, so that it is past. */
const JUST_AFTER_S = 1e-6;
/** A line that moves more often than this is stuck in a circle. */
const MOST_MOMENTS = 60_000;

/** The sooner of two moments that are still to come; what is past counts for nothing. */
const sooner = (now: number, next: number, at: number): number => (at > now && at < next ? at : next);

/** What a batch waits for. */
function nextOfBatch(batch: BatchNow, { rest1, rest2 }: LineBread, now: number, before: number): number {
  const { stage, at } = batch;
  if (stage === STAGE.planned) return sooner(now, before, batch.start);
  if (stage === STAGE.weighing || stage === STAGE.mixing) return sooner(now, before, at);
  let next = before;
  if (stage === STAGE.resting) {
    next = sooner(now, next, at + rest1[0]);
    next = sooner(now, next, at + rest1[1] - URGENT_S);
    next = sooner(now, next, at + rest1[1] + JUST_AFTER_S);
    next = sooner(now, next, batch.bowlFreeAt);
  } else if (stage === STAGE.balls) {
    next = sooner(now, next, at + rest2[0]);
    next = sooner(now, next, at + rest2[1] + JUST_AFTER_S);
    next = sooner(now, next, batch.bakeAt);
  }
  return next;
}

/** What a plate waits for: its heat, its pace, its places, and the heat that the next batch wants. */
function nextOfPlate(run: LineRun, index: number, before: number): number {
  const { line, batches, t } = run;
  const plate = run.plates[index]!;
  let next = plate.litAt > 0 ? sooner(t, before, plate.litAt) : before;
  next = sooner(t, next, plate.lastOff);
  next = sooner(t, next, plate.nextOn);
  if (plate.hotAt < Infinity) {
    next = sooner(t, next, plate.hotAt);
    if (plate.batch >= 0) {
      next = sooner(t, next, plate.hotAt - line.breads[batches[plate.batch]!.bread]!.rollS);
    }
  }
  if (plate.rolled > 0) next = sooner(t, next, plate.freeAt[plate.count % plate.freeAt.length]!);
  if (plate.batch >= 0 || plate.litAt < 0) return next;
  for (const { stage, bakeAt, bread } of batches) {
    const heat = line.heatOf[bread]!;
    if (bakeAt <= 0 || stage >= STAGE.rolledOut || plate.heat === heat) continue;
    const changeS = plate.heat < 0 ? 0 : line.changeS[index]![plate.heat]![heat]!;
    next = sooner(t, next, bakeAt + line.breads[bread]!.rollS - changeS);
  }
  return next;
}

/** The next moment at which anything can change. */
function nextMoment(run: LineRun): number {
  const { t, line } = run;
  let next = Infinity;
  for (const { freeAt } of run.people) next = sooner(t, next, freeAt);
  for (const batch of run.batches) next = nextOfBatch(batch, line.breads[batch.bread]!, t, next);
  for (let index = 0; index < run.plates.length; index += 1) next = nextOfPlate(run, index, next);
  return next;
}

const emptyLog = (line: Line): LineLog => ({
  ...{ acts: [], pieces: [], heats: [], thrown: [] },
  served: line.breads.map(() => []),
});

/** A run that goes on from a moment. */
function openRun(line: Line, day: ShiftDay, from: LineMoment, log: boolean): LineRun {
  const mixers = line.shift.mixers.map(() => 0);
  from.batches.forEach(({ stage, mixer, bowlFreeAt }, k) => {
    const inside = stage === STAGE.mixing || stage === STAGE.mixed || bowlFreeAt >= 0;
    if (inside && mixer >= 0) mixers[mixer] = k + 1;
  });
  const { t, batches, people, plates, ready } = from;
  // Written out: objects that are spread together are slow to look into, and a run is looked into all the time.
  return {
    t,
    batches,
    people,
    plates,
    ready,
    line,
    wanted: day.wanted,
    luck: day.luck(),
    mixers,
    changes: 0,
    counts: line.breads.map(noCount),
    nextPiece: new Int32Array(line.breads.length),
    nextGuest: new Int32Array(line.breads.length),
    log: log ? emptyLog(line) : null,
  };
}

/** Lets a run go on until nothing changes before a moment any more. */
function advance(run: LineRun, until: number): void {
  for (let moments = 0; moments < MOST_MOMENTS; moments += 1) {
    passTime(run);
    choosePlates(run);
    letHandsAct(run);
    const next = nextMoment(run);
    if (next === Infinity || next >= run.line.shift.ends || next > until) return;
    run.t = next;
  }
  throw new Error('The line does not come to an end.');
}

/** Balls of the fridge that nobody bakes today and that are over before tomorrow's service cost as much as balls thrown out. */
function coldLeftCost({ shift, breads, ballCost }: Line, batches: readonly BatchNow[]): number {
  const { cold: stores = [], serviceFrom } = shift;
  return stores.reduce((sum, { bread, pieces, bestBy }, index) => {
    if (bestBy >= serviceFrom + DAY_S) return sum;
    const used = batches.reduce((all, { cold, n }) => (cold === index ? all + n : all), 0);
    return sum + Math.max(0, pieces - used) * (ballCost[breads.findIndex(({ id }) => id === bread)] ?? 0);
  }, 0);
}

/** What a line has made, before anybody has taken of it. */
export interface LineProduct {
  /** By bread, when each good piece came off the plate, in order. */
  ready: number[][];
  counts: BreadCount[];
  changes: number;
  /** Balls that were never rolled, and discs that were never baked. */
  unfinished: number;
  inHand: number;
  /** What making costs before anybody is served: changes of heat, dough and balls thrown away. */
  cost: number;
  log: LineLog | null;
  batches: BatchNow[];
}

export interface RunOptions {
  /** Goes on from here instead of from the opening. */
  from?: LineMoment;
  log?: boolean;
}

/** What is left at the end of the shift, and what making it came to. */
function productOf(run: LineRun): LineProduct {
  const { line, batches, plates, counts } = run;
  let unfinished = 0;
  for (const { stage, bread, n, left } of batches) {
    const count = counts[bread]!;
    if (stage === STAGE.planned) unfinished += n;
    else if (stage < STAGE.balls || stage === STAGE.mixed) {
      count.doughLeft += n;
      unfinished += n;
    } else if (left > 0) {
      count.ballsLeft += left;
      unfinished += left;
    }
  }
  if (plates.length > 1) for (const pieces of run.ready) pieces.sort((a, b) => a - b);
  const balls = counts.reduce(
    (sum, { ballsThrown, doughThrown, ballsLeft, doughLeft }, bread) =>
      sum + line.ballCost[bread]! * (ballsThrown + doughThrown + ballsLeft + doughLeft),
    0,
  );
  return {
    ...{ ready: run.ready, counts, changes: run.changes, unfinished, log: run.log, batches },
    inHand: plates.reduce((sum, { rolled, rolling }) => sum + rolled + rolling, 0),
    cost:
      (line.shift.changeCost ?? SHIFT_DEFAULTS.changeCost) * run.changes +
      // What waits in the fridge was weighed and mixed on another day.
      (line.shift.batchCost ?? 0) * batches.filter(({ cold }) => cold < 0).length +
      balls +
      coldLeftCost(line, batches),
  };
}

/**
 * What a plan makes on a day, whoever comes: with a fixed plan production does not depend on guests.
 * @param line the line
 * @param plan its batches
 * @param day what chance has to say
 * @param options where to go on from, and whether each act is kept
 */
export function produce(line: Line, plan: ShiftPlan, day: ShiftDay, options: RunOptions = {}): LineProduct {
  const run = openRun(line, day, options.from ?? firstMoment(line, plan), options.log ?? false);
  advance(run, Infinity);
  return productOf(run);
}

/** A whole shift: what was made, and who was served. */
export interface ShiftOutcome extends LineProduct {
  /** What the shift cost in all. */
  cost: number;
}

/** Guests of a finished production, by bread; what nobody took is kept where it holds until the next service. */
function closeService(line: Line, product: LineProduct, day: ShiftDay): ShiftOutcome {
  const { shift, breads } = line;
  const run: LineRun = {
    ...openRun(
      line,
      day,
      { t: shift.ends, batches: [], people: [], plates: [], ready: product.ready },
      false,
    ),
    counts: product.counts,
    log: product.log,
  };
  let { cost } = product;
  breads.forEach(({ holdS, cu, co, waitPerMin = 0 }, bread) => {
    serveUntil(run, bread, Infinity);
    const count = run.counts[bread]!;
    for (const off of run.ready[bread]!.slice(run.nextPiece[bread])) {
      if (shift.leftAtClose === 'kept' && off + holdS >= shift.serviceTo) count.kept += 1;
      else count.waste += 1;
    }
    cost += cu * count.lost + (waitPerMin * count.waitS) / 60 + co * count.waste;
  });
  return { ...product, cost };
}

/**
 * Runs a whole shift.
 * @param line the line
 * @param plan its batches
 * @param day what chance has to say
 * @param options where to go on from, and whether each act is kept
 */
export const runShift = (line: Line, plan: ShiftPlan, day: ShiftDay, options?: RunOptions): ShiftOutcome =>
  closeService(line, produce(line, plan, day, options), day);

/** A shift as it stands at a moment, with what was served so far. */
export interface SeenMoment extends LineMoment {
  counts: BreadCount[];
  /** By bread and slot, guests that were served so far: those who left are not seen. */
  servedBySlot: Int32Array[];
}

/**
 * Runs a shift up to a moment and says how it stands.
 * @param line the line
 * @param plan its batches
 * @param day what chance has to say
 * @param until s from midnight
 */
export function runUntil(line: Line, plan: ShiftPlan, day: ShiftDay, until: number): SeenMoment {
  const { shift, breads, slotS } = line;
  const run = openRun(line, day, firstMoment(line, plan), true);
  advance(run, until);
  const slots = Math.ceil((shift.serviceTo - shift.serviceFrom) / slotS);
  const servedBySlot = breads.map((_, bread) => {
    serveUntil(run, bread, until);
    const bySlot = new Int32Array(slots);
    for (const { wanted } of run.log!.served[bread]!) {
      const slot = Math.floor((wanted - shift.serviceFrom) / slotS);
      if (slot >= 0 && slot < slots) bySlot[slot] = bySlot[slot]! + 1;
    }
    return bySlot;
  });
  const { batches, people, plates, counts } = run;
  const ready = breads.map(({ holdS }, bread) =>
    run.ready[bread]!.slice(run.nextPiece[bread]).filter((off) => off + holdS >= until),
  );
  return { t: until, batches, people, plates, ready, counts, servedBySlot };
}
