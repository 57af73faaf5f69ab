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
  /** Who is going to make it; what was learned of other cooks does not count. */
  cook?: string | undefined;
}

/** What is left of a cook's own feel, once the learned water of the lot has its share of it. */
function ownFeel({ ownShare, adjustment }: Lesson, lotId: string | undefined): Adjustment[] {
  if (!adjustment) return [];
  const held = ownShare?.lots[lotId ?? ''] ?? ownShare?.all ?? 0;
  return held < 1 ? [{ ...adjustment, value: adjustment.value * (1 - held) }] : [];
}

/**
 * The changes that the kitchen's lessons make to a plan: those that are let in and are about this formula, lot and season.
 * @param lessons lessons of the kitchen
 * @param plan formula, lot, day and cook
 */
export function lessonAdjustments(
  lessons: readonly Lesson[],
  { formulaId, lot, today, cook }: PlanOf,
): Adjustment[] {
  const now = `season/${SEASONS.indexOf(seasonOf(today)) + 1}`;
  // A lot that has been mixed has drunk this season's water already: it would count twice.
  const known = lot !== undefined && lot.offset.batches > 0;
  return lessons.flatMap((lesson) => {
    const { id, kind, on, formulaId: of, cookId, adjustment } = lesson;
    if (!on || !adjustment) return [];
    if (cookId !== undefined) return cookId === cook ? ownFeel(lesson, lot?.id) : [];
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
