import {
  type Line,
  type Shift,
  type ShiftBatch,
  type ShiftDay,
  type ShiftPlan,
  doughS,
  expectedPieces,
  inOrder,
  linePace,
  loadOf,
  runUntil,
  STAGE,
} from '@kettle-scale/core/shift';

/** Cooks who finish all before the doors open leave so much room, as a share of the pace and between breads, s. */
const ROOM = { pace: 1.12, betweenS: 60, doughS: 900, largest: 60 };

const helperRolls = ({ people }: Shift): boolean => people.length > 1;

/**
 * A habit: everything before opening, in the largest batches, finished as the doors open.
 * @param line the line
 * @param factor how much of what is expected
 */
export function allBefore(line: Line, factor = 1): ShiftPlan {
  const { shift, breads, heatOf, changeS } = line;
  const batches: ShiftBatch[] = [];
  let until = shift.serviceFrom;
  let heat = -1;
  for (let bread = breads.length - 1; bread >= 0; bread -= 1) {
    const one = breads[bread]!;
    const { least, most } = loadOf(line, bread);
    let left = Math.round((factor * expectedPieces(one)) / (1 - (one.rejectShare ?? 0)));
    const count = Math.ceil(left / Math.min(ROOM.largest, most));
    for (let index = 0; index < count; index += 1) {
      const n = Math.max(least, Math.round(left / (count - index)));
      left -= n;
      const own = heatOf[bread]!;
      if (heat >= 0 && own !== heat) until -= changeS[0]![own]![heat]! + ROOM.betweenS;
      heat = own;
      until -= n * linePace(one, shift.plates[0]!, helperRolls(shift)).paceS * ROOM.pace + ROOM.betweenS;
      const bakeAt = Math.round(until);
      const start = Math.max(shift.opens, Math.round(until - doughS(one, n) - ROOM.doughS));
      batches.push({ bread, n, bakeAt, start });
    }
  }
  return { batches: inOrder(batches) };
}

export interface TrayHabit {
  /** Another batch is begun when fewer lie ready. */
  low: number;
  /** Pieces of a batch. */
  size: number;
}

/** Nothing is begun in the last hour; the tray is looked at so often, s. */
const STOP_S = 3600;
const LOOK_S = 300;
/** A batch of each lies ready at opening: room between two, and before baking, s. */
const FIRST_ROOM = { betweenS: 400, doughS: 600 };

/**
 * A habit: a batch of each bread for the opening, then another whenever the tray looks low and none is under way.
 * @param line the line
 * @param day the day, seen only as far as it has come
 * @param habit when, and how large
 */
export function whenTrayIsLow(line: Line, day: ShiftDay, { low, size }: TrayHabit): ShiftPlan {
  const { shift, breads } = line;
  const ballsOf = (bread: number) => {
    const { least, most } = loadOf(line, bread);
    return Math.max(least, Math.min(most, size));
  };
  let until = shift.serviceFrom;
  const batches: ShiftBatch[] = [];
  for (let bread = breads.length - 1; bread >= 0; bread -= 1) {
    const one = breads[bread]!;
    const n = ballsOf(bread);
    until -= n * linePace(one, shift.plates[0]!, true).paceS + FIRST_ROOM.betweenS;
    const start = Math.max(shift.opens, Math.round(until - doughS(one, n) - FIRST_ROOM.doughS));
    batches.push({ bread, n, bakeAt: Math.round(until), start });
  }
  const light = Math.max(
    shift.opens,
    Math.min(...batches.map(({ bread, bakeAt = Infinity }) => bakeAt + breads[bread]!.rollS)) -
      shift.plates[0]!.preheatS,
  );
  let plan: ShiftPlan = { batches: inOrder(batches), light };
  for (let at = shift.serviceFrom; at <= shift.serviceTo - STOP_S; at += LOOK_S) {
    const now = runUntil(line, plan, day, at);
    const wanted = breads.flatMap((_, bread): ShiftBatch[] => {
      const underWay = now.batches.some((batch) => batch.bread === bread && batch.stage < STAGE.rolledOut);
      const lying = now.ready[bread]!.filter((off) => off <= at).length;
      return underWay || lying >= low ? [] : [{ bread, n: ballsOf(bread), start: at }];
    });
    if (wanted.length > 0) plan = { ...plan, batches: [...plan.batches, ...wanted] };
  }
  return plan;
}
