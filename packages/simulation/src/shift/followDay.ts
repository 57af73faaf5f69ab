import { finish } from '@kettle-scale/core/bake';
import {
  type Line,
  type ShiftDay,
  type ShiftPlan,
  STAGE,
  judgeChange,
  replan,
  runUntil,
} from '@kettle-scale/core/shift';

/**
 * A day on which the rest of the plan is looked at again and again, with what was served so far; a change that is worth it is
 * taken. Who left without bread is not seen.
 * @param line the line
 * @param plan the plan of the morning
 * @param day what chance has to say
 * @param looks when, s from midnight
 * @returns the plan as it was worked
 */
export function followDay(line: Line, plan: ShiftPlan, day: ShiftDay, looks: readonly number[]): ShiftPlan {
  const { shift, breads } = line;
  const firstDisc = Math.min(
    ...plan.batches.map(({ bread, bakeAt = Infinity }) => bakeAt + breads[bread]!.rollS),
  );
  // Lit as the morning's plan had it, whatever changes later.
  let worked: ShiftPlan = {
    ...plan,
    light: plan.light ?? Math.max(shift.opens, firstDisc - shift.plates[0]!.preheatS),
  };
  for (const at of looks) {
    const now = runUntil(line, worked, day, at);
    const { plan: rest, worthIt } = judgeChange(line, now, finish(replan(line, now)));
    if (!worthIt) continue;
    const begun = now.batches.flatMap(({ stage, bread, n, start, bakeAt }) =>
      stage === STAGE.planned ? [] : [{ bread, n, start, ...(bakeAt > 0 ? { bakeAt } : {}) }],
    );
    worked = { ...worked, batches: [...begun, ...rest.batches] };
  }
  return worked;
}
