import { type Words, message } from '../../message/message';
import { usualDay } from '../demand/shiftDay';
import { leadS } from '../line/alone';
import { type Line, doughG, loadOf, takesLoad } from '../line/compile';
import type { LineMoment } from '../line/lineState';
import { type LineProduct, produce } from '../line/runLine';
import { SKILLS, type Shift, type ShiftBatch, type ShiftPlan } from '../shiftSchema';

/**
 * Why a shift cannot be planned, in one sentence; null when it can.
 * @param line the line
 */
export function whyNotPlanned(line: Line): Words | null {
  const { people, breads } = line.shift;
  if (people.length === 0) return 'Nobody is on shift.';
  for (let bread = 0; bread < breads.length; bread += 1) {
    const { least, most } = loadOf(line, bread);
    const { id, name = id, kneadByHand } = breads[bread]!;
    if (least > most) return message('No bowl takes a batch of {name}.', { name });
    const missing = SKILLS.find(
      (skill) => (skill !== 'knead' || kneadByHand) && !people.some(({ can }) => can.includes(skill)),
    );
    if (missing) return message('Nobody on shift can {missing}.', { missing });
  }
  return null;
}

/**
 * The fewest and the most balls of a batch: as a bowl takes them, or as the fridge has them.
 * @param line the line
 * @param batch its bread, and which cold dough it begins with
 */
export const sizesOf = (line: Line, { bread, cold }: ShiftBatch): { least: number; most: number } =>
  cold === undefined ? loadOf(line, bread) : { least: 1, most: line.shift.cold![cold]!.pieces };

/**
 * Whether the fridge has what the batches take of it, and they are baked by its best-by.
 * @param line the line
 * @param batches of a plan
 */
export const coldLasts = ({ shift }: Line, batches: readonly ShiftBatch[]): boolean =>
  (shift.cold ?? []).every(({ pieces, bestBy }, index) => {
    const own = batches.filter(({ cold }) => cold === index);
    return (
      own.reduce((sum, { n }) => sum + n, 0) <= pieces &&
      own.every((batch) => (batch.bakeAt ?? batch.start + leadS(shift, batch)) <= bestBy)
    );
  });

/**
 * Whether a bowl of the line takes a batch; what is cold needs none.
 * @param line the line
 * @param batch bread and balls
 */
export function fitsABowl(line: Line, { bread, n, cold }: ShiftBatch): boolean {
  if (cold !== undefined) return true;
  const massG = doughG(line.breads[bread]!, n);
  return line.shift.mixers.some((mixer) => takesLoad(mixer, massG));
}

/** Pieces that a plan throws away or leaves undone when everything takes its usual time. */
export const sinsOf = ({ unfinished, inHand, counts }: LineProduct): number =>
  counts.reduce((sum, { ballsThrown, doughThrown }) => sum + ballsThrown + doughThrown, unfinished + inHand);

const usualDays = new WeakMap<Shift, ReturnType<typeof usualDay>>();

/**
 * A plan on a day on which everything takes its usual time.
 * @param line the line
 * @param plan its batches
 * @param from where to go on from
 * @param log whether each act is kept
 */
export function asUsual(line: Line, plan: ShiftPlan, from?: LineMoment, log = false): LineProduct {
  let day = usualDays.get(line.shift);
  if (!day) usualDays.set(line.shift, (day = usualDay(line.shift)));
  return produce(line, plan, day, { ...(from ? { from } : {}), log });
}

/**
 * Whether a plan breaks no hard rule at usual times: every load fits a bowl, nothing is past its latest, all is done.
 * @param line the line
 * @param plan its batches
 */
export const keepsRules = (line: Line, plan: ShiftPlan): boolean =>
  plan.batches.every(
    (batch: ShiftBatch) =>
      fitsABowl(line, batch) &&
      batch.n <= (line.shift.benchBalls ?? Infinity) &&
      batch.start >= line.shift.opens,
  ) &&
  coldLasts(line, plan.batches) &&
  (plan.batches.length === 0 || sinsOf(asUsual(line, plan)) === 0);

/**
 * Batches in the order of the day.
 * @param batches any order
 */
export const inOrder = (batches: readonly ShiftBatch[]): ShiftBatch[] =>
  [...batches].sort(
    (a, b) =>
      a.start - b.start || (a.bakeAt ?? a.start) - (b.bakeAt ?? b.start) || a.bread - b.bread || a.n - b.n,
  );
