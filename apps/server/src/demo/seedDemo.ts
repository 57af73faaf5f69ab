import {
  type FlourLot,
  type Formula,
  type Kitchen,
  type Need,
  formulaSchema,
  parseInput,
  planBatch,
} from '@kettle-scale/core';
import { v7 as uuidv7 } from 'uuid';
import type { Stores } from '../stores';
import breakwaterThick from './formulas/breakwater-thick.json';
import deckhandWrap from './formulas/deckhand-wrap.json';
import lanternRound from './formulas/lantern-round.json';
import pilotPress from './formulas/pilot-press.json';
import sailclothSheet from './formulas/sailcloth-sheet.json';
import { type Cook, simulateBatch } from './simulateBatch';
import { openRandom } from './random';

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
};

const lot = (id: string, name: string, daysAgo: number, nowMs: number): FlourLot => ({
  id,
  ingredient: 'flour-strong',
  name,
  receivedOn: new Date(nowMs - daysAgo * DAY_MS).toISOString().slice(0, 10),
  bagKg: 25,
});

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
  await stores.flourLots.add(lot('quay-12', 'Quay mill 12', 19, nowMs));
  await stores.flourLots.add(lot('quay-13', 'Quay mill 13, new', 1, nowMs));
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
    const plan = planBatch({ formula, need: past.need, kitchen: DEMO_KITCHEN, ingredients });
    const id = uuidv7({ msecs: startMs, random: random.bytes(16) });
    const at = new Date(startMs).toISOString();
    const start = {
      id,
      at,
      formulaId: formula.id,
      formulaVersion: 1,
      need: past.need,
      flourLotId: past.flourLotId,
    };
    await stores.batches.insertWhole(start, plan, simulateBatch(plan, startMs, past.cook, random, past.note));
  }
  return true;
}
