import { quantileOf } from '../demand/demand';
import type { ShiftDay } from '../demand/shiftDay';
import { doughS, leadS, mostBalls, pieceOffsets } from '../line/alone';
import { actsS, loadOf, onPlaceS, type Line } from '../line/compile';
import { STAGE } from '../line/lineState';
import type { ShiftBatch, ShiftPlan } from '../shiftSchema';
import { asUsual, fitsABowl, inOrder, keepsRules, sizesOf } from './rules';

/** The first plan wants each piece there on three days of four. */
const EARLY_SHARE = 0.25;

export interface FirstPlanStyle {
  /** Balls of a batch, about. */
  size: number;
  /** Room between a dough's rest and its baking, s. */
  slackS: number;
}

interface Job {
  bread: number;
  n: number;
  /** Rolling begins then at the latest. */
  latest: number;
  /** How long it holds the plate, s. */
  plateS: number;
}

const plateFor = ({ shift, plateOf }: Line, bread: number) => shift.plates[Math.max(0, plateOf[bread]!)]!;

/** What is wanted of one bread: how many, and by when each. */
export interface Need {
  pieces: number;
  at: number[];
}

/**
 * The newsvendor's number of pieces of each bread, and when each is wanted on one day of four at the earliest.
 * @param line the line
 * @param days seeded days
 */
export const needsOf = ({ shift, breads }: Line, days: readonly ShiftDay[]): Need[] =>
  breads.map(({ cu, co, rejectShare = 0 }, bread) => {
    const guests = days.map(({ wanted }) => wanted[bread]!);
    const sorted = (figures: ArrayLike<number>) => [...Float64Array.from(figures).sort()];
    const totals = sorted(guests.map(({ length }) => length));
    const pieces = Math.round(quantileOf(totals, cu / (cu + co)) / (1 - rejectShare));
    return {
      pieces,
      at: Array.from({ length: pieces }, (_, piece) =>
        quantileOf(sorted(guests.map((come) => come[piece] ?? shift.serviceTo)), EARLY_SHARE),
      ),
    };
  });

/** Batches of one bread: what is wanted cut into batches, each with its latest. */
function jobsOf(line: Line, bread: number, { pieces, at }: Need, size: number): Job[] {
  const { shift, breads } = line;
  if (pieces <= 0) return [];
  const { least, most: bowl } = loadOf(line, bread);
  const plate = plateFor(line, bread);
  const helperRolls = shift.people.length > 1;
  // More balls than this would lie past their latest before the plate has come to them.
  const most = Math.max(least, Math.min(bowl, mostBalls(breads[bread]!, plate, helperRolls)));
  const count = Math.max(1, Math.ceil(pieces / Math.min(most, Math.max(least, size))));
  const jobs: Job[] = [];
  let before = 0;
  for (let index = 0; index < count; index += 1) {
    const n = Math.min(most, Math.max(least, Math.round((pieces - before) / (count - index))));
    const offsets = pieceOffsets(breads[bread]!, plate, n, helperRolls);
    const latest = Math.min(
      ...offsets.map((offset, piece) => at[Math.min(before + piece, pieces - 1)]! - offset),
    );
    const plateS = offsets[n - 1]! - onPlaceS(breads[bread]!) + actsS(breads[bread]!);
    jobs.push({ bread, n, latest, plateS });
    before += n;
  }
  return jobs;
}

/**
 * A plan counted back from what is wanted: newsvendor numbers, batches one after the other on the first plate.
 * @param line the line
 * @param needs what is wanted of each bread
 * @param style size of a batch and slack
 */
export function firstPlan(line: Line, needs: readonly Need[], { size, slackS }: FirstPlanStyle): ShiftPlan {
  const { shift, breads, heatOf, changeS, placeS } = line;
  const jobs = breads
    .flatMap((_, bread) => jobsOf(line, bread, needs[bread]!, size))
    .sort((a, b) => b.latest - a.latest);
  const before = shift.plates.map(() => shift.ends);
  const heatAfter = shift.plates.map(() => -1);
  const batches = jobs.map(({ bread, n, latest, plateS }): ShiftBatch => {
    const plate = Math.max(0, line.plateOf[bread]!);
    const heat = heatOf[bread]!;
    const next = heatAfter[plate]!;
    const change = next >= 0 && heat !== next ? changeS[plate]![heat]![next]! + placeS[bread]! : 0;
    const bakeAt = Math.round(Math.min(latest, before[plate]! - plateS - change));
    before[plate] = bakeAt;
    heatAfter[plate] = heat;
    const leadS = doughS(breads[bread]!, n);
    const start = Math.max(shift.opens, Math.round(bakeAt - leadS - slackS));
    return { bread, n, start, bakeAt: Math.max(bakeAt, Math.ceil(start + leadS)) };
  });
  return { batches: inOrder(batches) };
}

/** A plan is mended this often, then given up. */
const MOST_MENDS = 80;
const EARLIER_BAKE_S = 600;
const EARLIER_START_S = 900;
const SMALLER = 0.8;

/** Batches that break a rule at usual times; the last of them is mended first. */
function badBatch(line: Line, { batches }: ShiftPlan): ShiftBatch | null {
  const misfit = batches.findLast((batch) => !fitsABowl(line, batch) || batch.start < line.shift.opens);
  if (misfit) return misfit;
  const { log, batches: ended } = asUsual(line, { batches }, undefined, true);
  const thrown = log?.thrown.map(({ batch }) => batch) ?? [];
  const undone = ended.flatMap(({ stage, left }, k) => (stage < STAGE.balls || left > 0 ? [k] : []));
  const last = Math.max(-1, ...thrown, ...undone);
  return batches[last] ?? batches.at(-1) ?? null;
}

/**
 * Makes a plan keep the hard rules: a batch that breaks one bakes or begins earlier, gets smaller, or goes.
 * @param line the line
 * @param plan any plan
 */
export function mend(line: Line, plan: ShiftPlan): ShiftPlan {
  let batches = inOrder(plan.batches);
  for (let round = 0; round < MOST_MENDS && batches.length > 0; round += 1) {
    if (keepsRules(line, { batches })) return { ...plan, batches };
    const bad = badBatch(line, { batches });
    if (!bad) break;
    const { least } = sizesOf(line, bad);
    const rested = bad.start + leadS(line.shift, bad);
    const bakeAt = bad.bakeAt ?? rested;
    const ways = [
      bakeAt > rested ? { ...bad, bakeAt: Math.max(rested, bakeAt - EARLIER_BAKE_S) } : null,
      bad.n > least ? { ...bad, n: Math.max(least, Math.round(bad.n * SMALLER)) } : null,
      bad.start > line.shift.opens + EARLIER_START_S ? { ...bad, start: bad.start - EARLIER_START_S } : null,
      null,
    ];
    const mended = ways[round % ways.length] ?? null;
    // What this round's way cannot do the next may; only the last takes the batch out.
    if (!mended && round % ways.length < ways.length - 1) continue;
    batches = inOrder(batches.flatMap((batch) => (batch === bad ? (mended ? [mended] : []) : [batch])));
  }
  return { ...plan, batches: keepsRules(line, { batches }) ? batches : [] };
}

/**
 * A plan that begins with what is in the fridge: the first batches of a bread are taken out instead of being mixed, as far as
 * it goes. Of a batch that it does not fill, the rest stays one from flour where a bowl takes that.
 * @param line the line
 * @param plan a plan from flour
 */
export function withCold(line: Line, plan: ShiftPlan): ShiftPlan {
  const { shift, breads } = line;
  let batches = plan.batches;
  (shift.cold ?? []).forEach(({ bread: id, pieces, bestBy }, cold) => {
    const bread = breads.findIndex((one) => one.id === id);
    let left = pieces;
    batches = batches.flatMap((batch): ShiftBatch[] => {
      const bakeAt = batch.bakeAt ?? batch.start + leadS(shift, batch);
      if (batch.bread !== bread || batch.cold !== undefined || left === 0 || bakeAt > bestBy) return [batch];
      const n = Math.min(left, batch.n);
      left -= n;
      const chilled: ShiftBatch = { ...batch, n, cold, bakeAt };
      const mixed = batch.n - n;
      return [
        { ...chilled, start: Math.max(shift.opens, Math.floor(bakeAt - leadS(shift, chilled))) },
        ...(mixed >= loadOf(line, bread).least ? [{ ...batch, n: mixed }] : []),
      ];
    });
  });
  return { ...plan, batches: inOrder(batches) };
}
