import { lotToday } from '@kettle-scale/core/flourLot';
import { addDays, dayClock, dayOf } from '@kettle-scale/core/quantity';
import { planBatch } from '@kettle-scale/core/plan';
import {
  type Cook,
  DEMO_KITCHEN,
  DEMO_PAST,
  DEMO_TRUTH,
  airOf,
  demoFormulas,
  demoPlan,
  demoService,
  demoTakings,
  demoLots,
  driftOf,
  openRandom,
  type Random,
  pricesOf,
  simulateBatch,
} from '@kettle-scale/simulation';
import { v7 as uuidv7 } from 'uuid';
import type { Stores } from '../stores';

const SEED = 48_273;
const DAY_MS = 24 * 3600 * 1000;
/** The story of the demo is told by this clock, wherever it is shown. */
const UTC = 'UTC';

/** Fills an empty kitchen with the demo; does nothing where there are formulas already. */
export async function seedDemo(stores: Stores, now: Date): Promise<boolean> {
  if ((await stores.formulas.entries()).length > 0) return false;
  const nowMs = now.getTime();
  const midnightMs = nowMs - (nowMs % DAY_MS);
  const random = openRandom(SEED);

  await stores.kitchen.put(DEMO_KITCHEN);
  for (const lot of demoLots(nowMs)) await stores.flourLots.put(lot);
  const formulas = new Map(demoFormulas().map((formula) => [formula.id, formula]));
  const savedAt = new Date(nowMs - 14 * DAY_MS).toISOString();
  for (const formula of formulas.values()) {
    await stores.formulas.create(formula, 'First version', savedAt);
  }
  const ingredients = await stores.ingredients.list();
  for (const past of DEMO_PAST) {
    const formula = formulas.get(past.formula);
    if (!formula) throw new Error(`the demo has no formula ${past.formula}`);
    const startMs = midnightMs - past.daysAgo * DAY_MS + past.hour * 3600 * 1000;
    const lots = await stores.flourLots.states(startMs, UTC);
    const known = lots.find(({ id: lotId }) => lotId === past.flourLotId);
    const conditions = {
      ...airOf(past.daysAgo),
      ...(known ? { lot: lotToday(known, dayOf(startMs, UTC)) } : {}),
    };
    const foods = pricesOf(ingredients, past.daysAgo);
    const plan = planBatch({
      formula,
      need: past.need,
      kitchen: DEMO_KITCHEN,
      ingredients: foods,
      conditions,
    });
    const cookId = past.hour < DEMO_TRUTH.noonHour ? 'early-cook' : 'late-cook';
    const cook: Cook = {
      id: cookId,
      weighingPace: DEMO_TRUTH.weighingPace[cookId],
      bowlLoss: DEMO_TRUTH.bowlLoss,
      benchLoss: DEMO_TRUTH.benchLoss,
      relaxing: DEMO_TRUTH.relaxing[formula.id] ?? 1,
      ballSdG: DEMO_TRUTH.ballSdG[formula.id] ?? 1.1,
      discSd: DEMO_TRUTH.discSd[formula.method.shaping.how],
      plateOffC: driftOf(past.daysAgo),
      judges: true,
      thirstPoints: DEMO_TRUTH.thirst[past.flourLotId ?? ''] ?? 0,
      ...past.cook,
    };
    const id = uuidv7({ msecs: startMs, random: random.bytes(16) });
    const at = new Date(startMs).toISOString();
    const start = {
      id,
      at,
      cook: cookId,
      formulaId: formula.id,
      formulaVersion: 1,
      need: past.need,
      flourLotId: past.flourLotId,
      conditions,
    };
    await stores.batches.insertWhole(start, plan, simulateBatch(plan, startMs, cook, random, past.note));
  }
  await seedServices(stores, nowMs, random);
  return true;
}

/** Weekdays of the past that the demo has served before. */
const PAST_SERVICES = [14, 7];
const QUARTER_S = 15 * 60;

/** Two lunches of the past with what was taken, and the coming one, planned: its kitchen opens within half an hour. */
async function seedServices(stores: Stores, nowMs: number, random: Random): Promise<void> {
  const kitchen = await stores.kitchen.get();
  const zone = kitchen.timeZone ?? UTC;
  for (const daysAgo of [...PAST_SERVICES, 0]) {
    const day = addDays(dayOf(nowMs, zone), -daysAgo);
    const { toS, toMs } = dayClock(day, zone);
    const nowS = toS(nowMs - daysAgo * DAY_MS);
    const service = demoService(day, (Math.ceil(nowS / QUARTER_S) + 1) * QUARTER_S);
    if (daysAgo > 0) {
      await stores.services.insertWhole({ service, acts: demoTakings(service, toMs, random) });
      continue;
    }
    await stores.services.put({ ...service, plan: demoPlan(service.opens, nowMs, random) });
  }
}
