import type { Adjustment } from '../plan/adjustmentSchema';
import type { Conditions } from '../kitchen/conditionsSchema';
import { newLotOffset } from '../flourLot/lotOffset';
import type { Day } from '../quantity/days';
import type { Lesson } from './lessonSchema';
import { SEASONS, seasonOf } from './seasons';

interface PlanOf {
  formulaId: string;
  /** Of the flour lot; undefined without one. */
  lot: Conditions['lot'];
  /** Day of the plan, by the kitchen's time zone. */
  today: Day;
}

/**
 * The changes that the kitchen's lessons make to a plan: those that are let in and are about this formula, lot and season.
 * @param lessons lessons of the kitchen
 * @param plan formula, lot and day
 */
export function lessonAdjustments(
  lessons: readonly Lesson[],
  { formulaId, lot, today }: PlanOf,
): Adjustment[] {
  const now = `season/${SEASONS.indexOf(seasonOf(today)) + 1}`;
  // A lot that has been mixed has drunk this season's water already: it would count twice.
  const known = lot !== undefined && lot.offset.batches > 0;
  return lessons.flatMap(({ id, kind, on, formulaId: of, adjustment }) => {
    if (!on || !adjustment) return [];
    if (of !== undefined && of !== formulaId) return [];
    if (kind === 'season' && (id !== now || known)) return [];
    return [adjustment];
  });
}

/**
 * The lot as a plan may use it: what its batches taught is left out where the kitchen wants it so.
 * @param lot the lot of the day
 * @param off ids of lessons that are switched off
 */
export function lotWithSwitch(
  lot: NonNullable<Conditions['lot']>,
  off: readonly string[] = [],
): NonNullable<Conditions['lot']> {
  return off.includes(`water/${lot.id}`) ? { ...lot, offset: newLotOffset() } : lot;
}
