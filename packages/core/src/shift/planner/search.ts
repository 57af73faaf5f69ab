import { mean } from 'simple-statistics';
import { sourceOf } from '../chance';
import type { ShiftDay } from '../demand/shiftDay';
import { leadS } from '../line/alone';
import type { Line } from '../line/compile';
import { type LineMoment, withRest } from '../line/lineState';
import { type LineProduct, produce } from '../line/runLine';
import type { ShiftBatch, ShiftPlan } from '../shiftSchema';
import { MOVES, type MoveContext } from './moves';
import { asUsual, coldLasts, inOrder, keepsRules, sinsOf, sizesOf } from './rules';
import { dayResult, scoreDays } from './score';

export interface SearchOptions {
  seed?: number;
  tries?: number;
  gridS?: number;
  productions?: number;
  /** How large a loss is borne at the beginning of a round, as a share of the best score. */
  heat?: number;
  /** Tries of a round: what is borne shrinks over it, and the next begins from the best. */
  roundTries?: number;
  /** The shift as it stands: what is begun stays. */
  from?: LineMoment;
}

export interface Searched {
  plan: ShiftPlan;
  score: number;
  tries: number;
}

const DEFAULTS = { seed: 1, tries: 2000, gridS: 60, productions: 3, heat: 0.02, roundTries: 300 };
const MOST_BATCHES = 40;
const KEY_SEARCH = 77;
/** A try that is so many standard errors worse on its first production is not looked at further. */
const HOPELESS_SE = 2.5;
const HOPELESS_SHARE = 0.02;

/** A try that cannot be: too early, too small or large, baked too late. */
function mayBe(line: Line, batch: ShiftBatch, notBefore: number): boolean {
  const { rest1, rest2 } = line.breads[batch.bread]!;
  const { least, most } = sizesOf(line, batch);
  const lead = leadS(line.shift, batch);
  const bakeAt = batch.bakeAt ?? batch.start + lead;
  return (
    batch.start >= notBefore &&
    batch.n >= least &&
    batch.n <= most &&
    bakeAt <= line.shift.serviceTo &&
    bakeAt - batch.start <= lead + (rest1[1] - rest1[0]) + (rest2[1] - rest2[0])
  );
}

/** A batch is not baked before it is rested. */
function rested(line: Line, batch: ShiftBatch, gridS: number): ShiftBatch {
  const earliest = batch.start + leadS(line.shift, batch);
  return batch.bakeAt !== undefined && batch.bakeAt < earliest
    ? { ...batch, bakeAt: Math.ceil(earliest / gridS) * gridS }
    : batch;
}

function chooseMove(at: number) {
  let left = at;
  for (const [share, move] of MOVES) {
    left -= share;
    if (left < 0) return move;
  }
  return MOVES[0]![1];
}

/** Scores tries against the one that is gone on from. */
function openScorer(
  line: Line,
  days: readonly ShiftDay[],
  productions: number,
  from: LineMoment | undefined,
) {
  // Each run changes the moment it goes on from, so each gets its own.
  const own = (batches: ShiftBatch[]) => (from ? { from: withRest(from, batches) } : {});
  const count = Math.min(productions, days.length);
  const scores = (batches: ShiftBatch[], first?: LineProduct): number[] => {
    const plan = { batches };
    const made = days
      .slice(0, count)
      .map((day, index) => (index === 0 && first) || produce(line, plan, day, own(batches)));
    return scoreDays(line, plan, days, made);
  };
  /** Scores of a try; null when its first production alone is hopeless. */
  function tryScores(batches: ShiftBatch[], against: readonly number[], best: number): number[] | null {
    const first = produce(line, { batches }, days[0]!, own(batches));
    if (days.length > count) {
      const off = days.flatMap((day, index) =>
        index % count === 0 ? [dayResult(line, first, day).score - against[index]!] : [],
      );
      const middle = mean(off);
      const spread = Math.sqrt(mean(off.map((one) => (one - middle) ** 2)) / Math.max(1, off.length - 1));
      if (middle > HOPELESS_SE * spread + HOPELESS_SHARE * Math.abs(best)) return null;
    }
    return scores(batches, first);
  }
  return { scores, tryScores };
}

/**
 * Local search from a plan over seeded days: batches move, split, merge, swap, are resized or replaced. The same seed and the
 * same number of tries give the same plan. Yields the best so far after each try, so that a worker can stop by its clock.
 * @param line the line
 * @param start the plan to begin with
 * @param days seeded days
 * @param options seed, tries and where to go on from
 */
export function* searchPlan(
  line: Line,
  start: ShiftPlan,
  days: readonly ShiftDay[],
  options: SearchOptions = {},
): Generator<Searched, Searched, void> {
  const { seed, tries, gridS, productions, heat, roundTries } = { ...DEFAULTS, ...options };
  const { from } = options;
  const uniform = sourceOf(seed, KEY_SEARCH);
  const notBefore = from?.t ?? line.shift.opens;
  const context: MoveContext = { line, uniform, notBefore, gridS };
  const scorer = openScorer(line, days, productions, from);
  const sins = (batches: ShiftBatch[]) =>
    from ? sinsOf(asUsual(line, { batches }, withRest(from, batches))) : 0;
  let now = inOrder(start.batches);
  // What is begun may be lost already; no try may lose more.
  const borne = sins(now);
  const allowed = (batches: ShiftBatch[]) =>
    from ? coldLasts(line, batches) && sins(batches) <= borne : keepsRules(line, { batches });
  let scores = scorer.scores(now);
  let nowMean = mean(scores);
  let best = { batches: now, scores, score: nowMean };
  for (let tried = 1; tried <= tries; tried += 1) {
    yield { plan: { ...start, batches: best.batches }, score: best.score, tries: tried };
    if (tried % roundTries === 0) ({ batches: now, scores, score: nowMean } = best);
    const made = chooseMove(uniform())(now, context);
    if (!made || made.length > MOST_BATCHES) continue;
    const batches = inOrder(made.map((batch) => rested(line, batch, gridS)));
    if (!batches.every((batch) => mayBe(line, batch, notBefore)) || !allowed(batches)) continue;
    const tryScores = scorer.tryScores(batches, scores, best.score);
    if (!tryScores) continue;
    const tryMean = mean(tryScores);
    const bearable = heat * Math.abs(best.score) * (1 - (tried % roundTries) / roundTries);
    if (tryMean >= nowMean && uniform() >= Math.exp((nowMean - tryMean) / Math.max(1e-9, bearable))) continue;
    now = batches;
    scores = tryScores;
    nowMean = tryMean;
    if (tryMean < best.score - 1e-9) best = { batches, scores: tryScores, score: tryMean };
  }
  return { plan: { ...start, batches: best.batches }, score: best.score, tries };
}
