import {
  type Conditions,
  type FlourLot,
  type Formula,
  type Kitchen,
  type Need,
  formulaSchema,
  lotToday,
  parseInput,
} from '@kettle-scale/core';
import { planBatch } from '@kettle-scale/core/batch';
import { v7 as uuidv7 } from 'uuid';
import type { Stores } from '../stores';
import breakwaterThick from './formulas/breakwater-thick.json';
import deckhandWrap from './formulas/deckhand-wrap.json';
import lanternRound from './formulas/lantern-round.json';
import pilotPress from './formulas/pilot-press.json';
import sailclothSheet from './formulas/sailcloth-sheet.json';
import { type Cook, simulateBatch } from './simulateBatch';
import { openRandom } from '../random';

const SEED = 20_417;
const DAY_MS = 24 * 3600 * 1000;

/** Brackwater Ferry Canteen: a flatbread station on a ferry quay that exists only here. */
const DEMO_KITCHEN: Kitchen = {
  benchStepG: 5,
  fineStepG: 0.1,
  fineMaxG: 500,
  bowlCapacityG: 12_000,
  bowlMinimumG: 1500,
  bowlLoss: 0.01,
  benchLoss: 0.005,
  measures: 'us',
  currency: 'EUR',
  coldLimitH: 4,
  mixers: [
    {
      id: 'spiral',
      name: 'Spiral',
      by: 'machine',
      minG: 3000,
      maxG: 12_000,
      warmCPerMin: 0.9,
      openingMm: 480,
    },
    {
      id: 'small',
      name: 'Small mixer',
      by: 'machine',
      minG: 800,
      maxG: 3500,
      warmCPerMin: 0.5,
      openingMm: 300,
    },
    { id: 'tub', name: 'Tub, by hand', by: 'hand', minG: 200, maxG: 5000, warmCPerMin: 0, openingMm: 420 },
  ],
};

const lot = (
  id: string,
  name: string,
  daysAgo: number,
  nowMs: number,
  more: Pick<FlourLot, 'bags' | 'bagPrice' | 'moisture' | 'storage'>,
): FlourLot => ({
  id,
  ingredient: 'flour-strong',
  name,
  receivedOn: new Date(nowMs - daysAgo * DAY_MS).toISOString().slice(0, 10),
  bagKg: 25,
  ...more,
});

/** How much more each lot really drinks than its moisture says, in points; the records find it out. */
export const LOT_THIRST: Record<string, number> = { 'quay-12': 0.8, 'quay-13': 2.6 };

/** The quay's air: a dry week, then the usual damp. */
const DRY_WEEK_DAYS_AGO = { from: 13, to: 7 } as const;
const airOf = (daysAgo: number): Conditions => {
  const dry = daysAgo <= DRY_WEEK_DAYS_AGO.from && daysAgo >= DRY_WEEK_DAYS_AGO.to;
  return {
    airC: dry ? 27 : 24,
    humidity: dry ? 0.34 : 0.6,
    airFrom: 'sensor',
    flourC: dry ? 24 : 22,
    liquidC: 16,
  };
};

const STEADY: Cook = { weighingSdSteps: 0.5, overPour: 0, rejects: 0.02 };
const HURRIED: Cook = { weighingSdSteps: 0.9, overPour: 1, rejects: 0.05 };

interface Past {
  formula: string;
  daysAgo: number;
  /** Start, hours after midnight UTC. */
  hour: number;
  need: Need;
  cook: Cook;
  flourLotId?: string;
  note: string;
}

/** What was made lately, before the sailings. */
const PAST: readonly Past[] = [
  ...[12, 10, 8].map((daysAgo): Past => ({
    formula: 'deckhand-wrap',
    daysAgo,
    hour: 9,
    need: { by: 'pieces', pieces: 56, ballG: 105 },
    cook: STEADY,
    flourLotId: 'quay-12',
    note: 'Dry week: the dough wanted more water.',
  })),
  {
    formula: 'pilot-press',
    daysAgo: 6,
    hour: 13.5,
    need: { by: 'pieces', pieces: 60, ballG: 36 },
    cook: { ...STEADY, rejects: 0.3 },
    flourLotId: 'quay-12',
    note: 'Tasted salty: coarse salt was measured with the spoon for fine.',
  },
  {
    formula: 'deckhand-wrap',
    daysAgo: 5,
    hour: 9.25,
    need: { by: 'pieces', pieces: 48, ballG: 105 },
    cook: STEADY,
    flourLotId: 'quay-12',
    note: '',
  },
  {
    formula: 'lantern-round',
    daysAgo: 4,
    hour: 9.5,
    need: { by: 'pieces', pieces: 42, ballG: 58 },
    cook: STEADY,
    note: 'Puffed nearly all; the two flat ones had a crease.',
  },
  {
    formula: 'pilot-press',
    daysAgo: 3,
    hour: 14,
    need: { by: 'pieces', pieces: 60, ballG: 36 },
    cook: HURRIED,
    flourLotId: 'quay-12',
    note: 'Poured too much water, batch followed it. Extra went to the crew.',
  },
  {
    formula: 'breakwater-thick',
    daysAgo: 2,
    hour: 10,
    need: { by: 'flour', flourG: 2500, ballG: 95 },
    cook: STEADY,
    note: '',
  },
  {
    formula: 'deckhand-wrap',
    daysAgo: 1,
    hour: 9,
    need: { by: 'pieces', pieces: 64, ballG: 105 },
    cook: STEADY,
    flourLotId: 'quay-13',
    note: 'First batch of the new flour: a little stiff.',
  },
  {
    formula: 'sailcloth-sheet',
    daysAgo: 1,
    hour: 15.5,
    need: { by: 'pieces', pieces: 24, ballG: 72 },
    cook: STEADY,
    note: '',
  },
];

/** The five demo formulas, in the open file format. */
export const demoFormulas = (): Formula[] =>
  [breakwaterThick, deckhandWrap, lanternRound, pilotPress, sailclothSheet].map((document) =>
    parseInput(formulaSchema, document),
  );

/** Fills an empty kitchen with the demo; does nothing where there are formulas already. */
export async function seedDemo(stores: Stores, now: Date): Promise<boolean> {
  if ((await stores.formulas.entries()).length > 0) return false;
  const nowMs = now.getTime();
  const midnightMs = nowMs - (nowMs % DAY_MS);
  const random = openRandom(SEED);

  await stores.kitchen.put(DEMO_KITCHEN);
  await stores.flourLots.put(
    lot('quay-12', 'Quay mill 12', 19, nowMs, { bags: 3, bagPrice: 21.5, storage: 'open' }),
  );
  await stores.flourLots.put(
    lot('quay-13', 'Quay mill 13, new', 2, nowMs, {
      bags: 2,
      bagPrice: 22,
      moisture: 0.138,
      storage: 'closed',
    }),
  );
  const formulas = new Map(demoFormulas().map((formula) => [formula.id, formula]));
  const savedAt = new Date(nowMs - 14 * DAY_MS).toISOString();
  for (const formula of formulas.values()) {
    await stores.formulas.create(formula, 'First version', savedAt);
  }
  const ingredients = await stores.ingredients.list();
  for (const past of PAST) {
    const formula = formulas.get(past.formula);
    if (!formula) throw new Error(`the demo has no formula ${past.formula}`);
    const startMs = midnightMs - past.daysAgo * DAY_MS + past.hour * 3600 * 1000;
    const lots = await stores.flourLots.states(startMs);
    const known = lots.find(({ id: lotId }) => lotId === past.flourLotId);
    const conditions = {
      ...airOf(past.daysAgo),
      ...(known ? { lot: lotToday(known, startMs) } : {}),
    };
    const plan = planBatch({ formula, need: past.need, kitchen: DEMO_KITCHEN, ingredients, conditions });
    const cook = { ...past.cook, thirstPoints: LOT_THIRST[past.flourLotId ?? ''] ?? 0 };
    const id = uuidv7({ msecs: startMs, random: random.bytes(16) });
    const at = new Date(startMs).toISOString();
    const start = {
      id,
      at,
      formulaId: formula.id,
      formulaVersion: 1,
      need: past.need,
      flourLotId: past.flourLotId,
      conditions,
    };
    await stores.batches.insertWhole(start, plan, simulateBatch(plan, startMs, cook, random, past.note));
  }
  return true;
}
