import type { Uniform } from '../chance';
import { doughS, leadS } from '../line/alone';
import { loadOf, type Line } from '../line/compile';
import type { ShiftBatch } from '../shiftSchema';

/** What a move may use. */
export interface MoveContext {
  line: Line;
  uniform: Uniform;
  /** Nothing is begun before this, s from midnight. */
  notBefore: number;
  /** Times lie on this grid, s. */
  gridS: number;
}

/** Changes batches that are not begun; null where it has nothing to change. */
type Move = (batches: ShiftBatch[], context: MoveContext) => ShiftBatch[] | null;

/** A batch as moves handle it: its baking always has a time. */
const bakesAt = ({ shift }: Line, batch: ShiftBatch): number =>
  batch.bakeAt ?? batch.start + leadS(shift, batch);

const pick = <T>(list: readonly T[], uniform: Uniform): T | undefined =>
  list[Math.floor(uniform() * list.length)];
const sign = (uniform: Uniform): number => (uniform() < 0.5 ? -1 : 1);
/** Small steps often, large ones now and then. */
const skewed = (uniform: Uniform, most: number): number => 1 + Math.floor(uniform() * uniform() * most);

const MOST_STEPS = 30;
const MOST_BALLS = 16;
const SPLIT_GAP_S = 600;
const NEW_BALLS = 20;
const NEW_SLACK_S = 300;
/** Where something is cold, half of the new batches begin with it. */
const COLD_SHARE = 0.5;

/** Replaces one batch. */
const changed =
  (change: (batch: ShiftBatch, context: MoveContext, stepS: number) => ShiftBatch): Move =>
  (batches, context) => {
    const { uniform, gridS } = context;
    const one = pick(batches, uniform);
    if (!one) return null;
    const stepS = gridS * skewed(uniform, MOST_STEPS) * sign(uniform);
    return batches.map((batch) => (batch === one ? change(one, context, stepS) : batch));
  };

/** Changes two batches together; null where they are one, or not of a kind that fits. */
const paired =
  (
    change: (a: ShiftBatch, b: ShiftBatch, context: MoveContext) => [ShiftBatch, ...ShiftBatch[]] | null,
  ): Move =>
  (batches, context) => {
    const a = pick(batches, context.uniform);
    const b = pick(batches, context.uniform);
    if (!a || !b || a === b) return null;
    const made = change(a, b, context);
    return made && [...batches.filter((batch) => batch !== a && batch !== b), ...made];
  };

const onGrid = ({ notBefore, line, uniform, gridS }: MoveContext): number =>
  notBefore + Math.floor((uniform() * Math.max(0, line.shift.serviceTo - notBefore)) / gridS) * gridS;

/** Dough or balls of the fridge that no batch uses yet, or not all of it. */
const addCold: Move = (batches, { line, uniform, notBefore, ...context }) => {
  const store = pick(line.shift.cold ?? [], uniform);
  if (!store) return null;
  const cold = line.shift.cold!.indexOf(store);
  const used = batches.reduce((sum, batch) => (batch.cold === cold ? sum + batch.n : sum), 0);
  const bread = line.breads.findIndex(({ id }) => id === store.bread);
  if (bread < 0 || used >= store.pieces) return null;
  const batch = { bread, n: store.pieces - used, cold };
  const bakeAt = onGrid({ line, uniform, notBefore, ...context });
  const start = Math.max(notBefore, bakeAt - Math.ceil(leadS(line.shift, batch)));
  return [...batches, { ...batch, bakeAt, start }];
};

const addFromFlour: Move = (batches, context) => {
  const { line, uniform, gridS, notBefore } = context;
  const bread = Math.floor(uniform() * line.breads.length);
  const { least, most } = loadOf(line, bread);
  const n = Math.min(most, least + Math.floor(uniform() * NEW_BALLS));
  const bakeAt = onGrid(context);
  const leadS = Math.ceil(doughS(line.breads[bread]!, n) / gridS) * gridS + NEW_SLACK_S;
  return [...batches, { bread, n, bakeAt, start: Math.max(notBefore, bakeAt - leadS) }];
};

const split: Move = (batches, { uniform, line }) => {
  const one = pick(batches, uniform);
  if (!one || one.n < 2) return null;
  const n = Math.round(one.n * (0.35 + 0.3 * uniform()));
  const later = {
    ...{ ...one, n: one.n - n },
    start: one.start + SPLIT_GAP_S * sign(uniform) * (1 + Math.floor(4 * uniform())),
    bakeAt: bakesAt(line, one) + SPLIT_GAP_S * (1 + Math.floor(6 * uniform())),
  };
  return [...batches.map((batch) => (batch === one ? { ...one, n } : batch)), later];
};

const drop: Move = (batches, { uniform }) => {
  const one = pick(batches, uniform);
  return one ? batches.filter((batch) => batch !== one) : null;
};

const add: Move = (batches, context) =>
  context.line.shift.cold?.length && context.uniform() < COLD_SHARE
    ? addCold(batches, context)
    : addFromFlour(batches, context);

/** Each move with its share of the tries. */
export const MOVES: readonly (readonly [share: number, move: Move])[] = [
  [
    0.2,
    changed((batch, { line }, stepS) => ({
      ...batch,
      start: batch.start + stepS,
      bakeAt: bakesAt(line, batch) + stepS,
    })),
  ],
  [0.13, changed((batch, { line }, stepS) => ({ ...batch, bakeAt: bakesAt(line, batch) + stepS }))],
  [
    0.07,
    changed((batch, { line }, stepS) => ({
      ...batch,
      start: batch.start + stepS,
      bakeAt: bakesAt(line, batch),
    })),
  ],
  [
    0.2,
    changed((batch, { uniform }) => ({ ...batch, n: batch.n + skewed(uniform, MOST_BALLS) * sign(uniform) })),
  ],
  [
    0.07,
    paired((a, b, { line }) => {
      const [atA, atB] = [bakesAt(line, a), bakesAt(line, b)];
      return [
        { ...a, start: a.start + atB - atA, bakeAt: atB },
        { ...b, start: b.start + atA - atB, bakeAt: atA },
      ];
    }),
  ],
  [
    0.07,
    paired((a, b, { uniform }) => {
      const balls = 1 + Math.floor(uniform() * MOST_BALLS);
      return a.bread === b.bread && a.cold === b.cold
        ? [
            { ...a, n: a.n + balls },
            { ...b, n: b.n - balls },
          ]
        : null;
    }),
  ],
  [0.05, split],
  [
    0.05,
    paired((a, b, { uniform, line }) => {
      if (a.bread !== b.bread || a.cold !== b.cold) return null;
      const earlier = uniform() < 0.5;
      const bakeAt = bakesAt(line, a);
      return [
        {
          ...{ ...a, n: a.n + b.n },
          start: earlier ? Math.min(a.start, b.start) : a.start,
          bakeAt: earlier ? Math.min(bakeAt, bakesAt(line, b)) : bakeAt,
        },
      ];
    }),
  ],
  [0.03, drop],
  [0.05, add],
  // Another bread in place of a batch: without it a shift of two breads stays far from its best.
  [
    0.08,
    changed((batch, context) => {
      const bread = Math.floor(context.uniform() * context.line.breads.length);
      const start = onGrid(context);
      return { bread, n: batch.n, start, bakeAt: start + doughS(context.line.breads[bread]!, batch.n) };
    }),
  ],
];
