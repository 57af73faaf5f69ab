import { type DemandBand, demandBand } from '../demand/demand';
import type { ShiftDay } from '../demand/shiftDay';
import { serve } from '../line/guests';
import type { Line } from '../line/compile';
import { withRest } from '../line/lineState';
import { beliefsAt, futureDays } from '../follow/futures';
import { type LineProduct, type SeenMoment, produce } from '../line/runLine';
import { drawDays } from '../planner/planShift';
import { asUsual } from '../planner/rules';
import type { ShiftPlan } from '../shiftSchema';

/** A stretch in which somebody, a bowl or a plate is busy with a batch. */
export interface Bar {
  /** A cold plate is lit, a hot one brought to another heat. */
  kind: 'weigh' | 'load' | 'mix' | 'knead' | 'divide' | 'bake' | 'light' | 'heat';
  batch: number;
  bread: number;
  from: number;
  to: number;
}

/** One row of the day's picture. */
export interface Row {
  id: string;
  of: 'cook' | 'mixer' | 'plate';
  bars: Bar[];
}

/** Pieces of one bread through the day. */
export interface StockCurve {
  bread: number;
  band: DemandBand;
  /** Ready pieces in all by the end of each slot, when everything takes its usual time. */
  made: number[];
  /** Chance that somebody goes without in the slot, 0 to 1. */
  risk: number[];
}

/** What the plate or a pair of hands is to a stretch of the day: it has no room left. */
export interface Binding {
  of: Row['of'];
  id: string;
  from: number;
  to: number;
}

export interface DayPicture {
  rows: Row[];
  curves: StockCurve[];
  /** What holds the shift back, the longest first. */
  binds: Binding[];
  /** When each batch is weighed, divided, baked and done; the table behind the picture. */
  batches: {
    bread: number;
    n: number;
    start: number;
    /** Which of the shift's cold doughs it begins with; null: flour, or it is begun. */
    cold: number | null;
    divided: number | null;
    bakes: number | null;
    done: number | null;
  }[];
}

/** Bars of one kind and batch this close are drawn as one, s. */
const JOIN_S = 90;
/** What is busy this share of a stretch of this length binds. */
const BUSY_SHARE = 0.9;
const BINDS_FOR_S = 1200;

function joined(bars: readonly Bar[]): Bar[] {
  const out: Bar[] = [];
  for (const bar of [...bars].sort((a, b) => a.from - b.from)) {
    const last = out.at(-1);
    if (last && last.kind === bar.kind && last.batch === bar.batch && bar.from - last.to <= JOIN_S) {
      last.to = Math.max(last.to, bar.to);
    } else out.push({ ...bar });
  }
  return out;
}

/** Stretches in which a row is hardly ever free. */
function bindings({ id, of, bars }: Row, from: number, to: number): Binding[] {
  const out: Binding[] = [];
  const stepS = BINDS_FOR_S / 4;
  const busyIn = (a: number, b: number) =>
    bars.reduce((sum, bar) => sum + Math.max(0, Math.min(b, bar.to) - Math.max(a, bar.from)), 0) / (b - a);
  for (let at = from; at + BINDS_FOR_S <= to; at += stepS) {
    if (busyIn(at, at + BINDS_FOR_S) < BUSY_SHARE) continue;
    const last = out.at(-1);
    if (last && at <= last.to) last.to = at + BINDS_FOR_S;
    else out.push({ of, id, from: at, to: at + BINDS_FOR_S });
  }
  return out;
}

/** Chance in each slot that a guest who comes in it goes without. */
function riskOf(
  line: Line,
  bread: number,
  products: readonly number[][][],
  days: readonly ShiftDay[],
): number[] {
  const { serviceFrom, serviceTo } = line.shift;
  const short = Array<number>(Math.ceil((serviceTo - serviceFrom) / line.slotS)).fill(0);
  days.forEach(({ wanted }, index) => {
    const slots = new Set<number>();
    const ready = products[index % products.length]![bread]!;
    serve(ready, wanted[bread]!, line.breads[bread]!.holdS, line.patienceS[bread]!, (at) =>
      slots.add(Math.floor((at - serviceFrom) / line.slotS)),
    );
    for (const slot of slots) if (slot in short) short[slot] = short[slot]! + 1;
  });
  return short.map((count) => count / days.length);
}

const PRODUCTIONS = 3;

/** Rows of cooks, mixers and plates from what they did. */
function rowsOf(line: Line, { log, batches }: LineProduct, from: SeenMoment | null): Row[] {
  const { people, mixers, plates } = line.shift;
  const { acts, heats, pieces } = log!;
  const breadOf = (batch: number) => batches[batch]!.bread;
  const hot = (plate: number) => (from?.plates[plate]?.heat ?? -1) >= 0;
  const bars = (id: string, mixing: boolean): Bar[] =>
    joined(
      acts
        .filter(({ who, kind }) => who === id && (kind === 'mix') === mixing)
        // At the plate a pair of hands rolls and bakes in turn: one stretch of work.
        .map(({ kind, batch, from, to }) => ({
          ...{ batch, bread: breadOf(batch), from, to },
          kind: kind === 'roll' ? 'bake' : kind,
        })),
    );
  return [
    ...people.map(({ id }): Row => ({ of: 'cook', id, bars: bars(id, false) })),
    ...mixers.map(({ id }): Row => ({ of: 'mixer', id, bars: bars(id, true) })),
    ...plates.map(({ id }, plate): Row => ({
      ...{ of: 'plate', id },
      bars: joined([
        ...heats
          .filter((heat) => heat.plate === plate)
          .map(({ from, hotAt }, index): Bar => ({
            kind: index === 0 && !hot(plate) ? 'light' : 'heat',
            ...{ batch: -1, bread: -1, from, to: hotAt },
          })),
        ...pieces
          .filter((piece) => piece.plate === plate)
          .map(({ batch, on, off }): Bar => ({
            kind: 'bake',
            batch,
            bread: breadOf(batch),
            from: on,
            to: off,
          })),
      ]),
    })),
  ];
}

/** Each batch with its moments. */
const momentsOf = ({ log, batches }: LineProduct): DayPicture['batches'] =>
  batches.map(({ bread, n, start, cold }, batch) => {
    const own = log!.acts.filter((act) => act.batch === batch);
    const off = log!.pieces.filter((piece) => piece.batch === batch).map((piece) => piece.off);
    return {
      ...{ bread, n, start, cold: cold < 0 ? null : cold },
      divided: own.findLast(({ kind }) => kind === 'divide')?.to ?? null,
      bakes: own.find(({ kind }) => kind === 'bake')?.from ?? null,
      done: off.length > 0 ? Math.max(...off) : null,
    };
  });

/** Which days a picture looks at. */
export interface PictureDays {
  seed: number;
  count: number;
}

/** What is made and wanted of one bread; of a shift that has begun from now on, on top of who was served. */
function curveOf(
  line: Line,
  bread: number,
  days: readonly ShiftDay[],
  { ready, products, from }: { ready: readonly number[]; products: number[][][]; from: SeenMoment | null },
): StockCurve {
  const band = demandBand(
    line.shift,
    days.map(({ wanted }) => wanted[bread]!),
  );
  const risk = riskOf(line, bread, products, days);
  const served = from ? from.servedBySlot[bread]!.reduce((sum, count) => sum + count, 0) : 0;
  const first = from ? band.at.findIndex((at) => at > from.t) : 0;
  // After closing nothing is left to be looked at.
  const rest = <T>(values: readonly T[]): T[] => (first < 0 ? [] : values.slice(first));
  const onTop = (values: readonly number[]) => rest(values).map((value) => served + value);
  const at = rest(band.at);
  return {
    bread,
    band: { at, low: onTop(band.low), middle: onTop(band.middle), high: onTop(band.high) },
    made: at.map((until) => served + ready.filter((off) => off <= until).length),
    risk: rest(risk),
  };
}

/**
 * A planned day as a picture: who does what when, what binds, and for each bread what is ready against what is wanted.
 * @param line the line
 * @param plan its batches, in order
 * @param looked how many seeded days are looked at; of a shift that has begun days that may still come
 * @param from where the shift stands, where it has begun
 */
export function dayPicture(
  line: Line,
  plan: ShiftPlan,
  { seed, count }: PictureDays,
  from: SeenMoment | null = null,
): DayPicture {
  // Each run changes the moment it goes on from.
  const moment = () => (from ? { from: withRest(from, plan.batches) } : {});
  const days = from
    ? futureDays(line, from.t, beliefsAt(line, from.t, from.servedBySlot), seed, count)
    : drawDays(line.shift, seed, count);
  const usual = asUsual(line, plan, moment().from, true);
  const rows = rowsOf(line, usual, from);
  const products = days.slice(0, PRODUCTIONS).map((day) => produce(line, plan, day, moment()).ready);
  const curves = line.breads.map((_, bread) =>
    curveOf(line, bread, days, { ready: usual.ready[bread]!, products, from }),
  );
  const binds = rows
    .flatMap((one) => bindings(one, line.shift.opens, line.shift.serviceTo))
    .sort((a, b) => b.to - b.from - (a.to - a.from));
  return { rows, curves, binds, batches: momentsOf(usual) };
}
