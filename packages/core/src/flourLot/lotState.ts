import { type Day, type Zone, addDays, dayOf, daysBetween, startOfDayMs } from '../quantity/days';
import { MILL_MOISTURE } from '../dough/flourMoisture';
import { learnLotOffset } from './lotOffset';
import { type Conditions, MOST_DAYS_IN_STORE } from '../kitchen/conditionsSchema';
import type { FlourLot, LotState, LotUse } from './flourLotSchema';

const G_PER_KG = 1000;
/** Batches that are sent along; the log has them all. */
const SHOWN_USES = 30;
/** Days of use that the running-out day is worked out from. */
const LOOK_BACK_DAYS = 7;

/**
 * What is left of a lot, when it runs out, and how it drinks.
 * @param uses batches of the lot, in any order
 * @param kitchenMeanPoints mean offset of the kitchen's other lots: what an unknown lot is taken for
 * @param zone the kitchen's time zone, by which days are counted
 * @returns kg left, the day it runs out, offset in points
 */
export function lotState(
  lot: FlourLot,
  uses: readonly LotUse[],
  kitchenMeanPoints: number,
  nowMs: number,
  zone: Zone,
): LotState {
  const newest = [...uses].sort((a, b) => b.startedAt.localeCompare(a.startedAt));
  const boughtG = lot.bagKg * (lot.bags ?? 1) * G_PER_KG;
  const usedG = newest.reduce((sum, { flourG }) => sum + flourG, 0);
  const { counted } = lot;
  const sinceG = newest.reduce(
    (sum, use) => sum + (counted && Date.parse(use.startedAt) > Date.parse(counted.at) ? use.flourG : 0),
    0,
  );
  const leftG = Math.max(0, counted ? counted.leftG - sinceG : boughtG - usedG);
  const today = dayOf(nowMs, zone);
  const fromMs = startOfDayMs(addDays(today, -LOOK_BACK_DAYS), zone);
  const lately = newest.filter(({ startedAt }) => Date.parse(startedAt) >= fromMs);
  const latelyG = lately.reduce((sum, { flourG }) => sum + flourG, 0);
  const days = Math.min(LOOK_BACK_DAYS, Math.max(1, daysBetween(lot.receivedOn, today)));
  const perDayG = latelyG > 0 ? latelyG / days : null;
  return {
    ...lot,
    boughtG,
    usedG,
    leftG,
    perDayG,
    runsOutOn: perDayG ? addDays(today, Math.floor(Math.min(FAR_DAYS, leftG / perDayG))) : null,
    offset: learnLotOffset(
      newest.flatMap(({ points }) => (points === null ? [] : [points])),
      kitchenMeanPoints,
    ),
    uses: newest.slice(0, SHOWN_USES),
  };
}

/** A day this far ahead or later is as good as never. */
const FAR_DAYS = 3650;

/**
 * A lot as the conditions of a plan name it on a day.
 * @param lot the lot as it stands
 * @param today the day of the kitchen
 */
export function lotToday(lot: LotState, today: Day): NonNullable<Conditions['lot']> {
  return {
    id: lot.id,
    name: lot.name,
    ingredient: lot.ingredient,
    moisture: lot.moisture ?? MILL_MOISTURE,
    days: Math.min(MOST_DAYS_IN_STORE, Math.max(0, daysBetween(lot.receivedOn, today))),
    storage: lot.storage ?? 'closed',
    offset: lot.offset,
  };
}
