import { type FlourLot, lotToday } from '@kettle-scale/core/flourLot';
import { type Formula, formulaSchema } from '@kettle-scale/core/formula';
import type { Ingredient } from '@kettle-scale/core/ingredient';
import type { Conditions, Kitchen } from '@kettle-scale/core/kitchen';
import { parseInput } from '@kettle-scale/core/message';
import { type Need, planBatch } from '@kettle-scale/core/plan';
import { v7 as uuidv7 } from 'uuid';
import type { Stores } from '../stores';
import breakwaterThick from './formulas/breakwater-thick.json';
import deckhandWrap from './formulas/deckhand-wrap.json';
import lanternRound from './formulas/lantern-round.json';
import pilotPress from './formulas/pilot-press.json';
import sailclothSheet from './formulas/sailcloth-sheet.json';
import { type Cook, simulateBatch } from './simulateBatch';
import { openRandom } from '../random';

const SEED = 48_273;
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
  altitudeM: 3,
  griddles: [
    {
      ...{ id: 'long-plate', name: 'Long plate', material: 'steel', thicknessMm: 12, shape: 'rectangle' },
      ...{ widthMm: 900, depthMm: 600, heat: 'thermostat', powerW: 11_000 },
      marks: [
        { mark: 3, tempC: 172, source: 'simulated' },
        { mark: 5, tempC: 214, source: 'simulated' },
        { mark: 6, tempC: 239, source: 'simulated' },
      ],
      readings: { columns: 3, rows: 2, tempsC: [224, 233, 227, 229, 238, 231], source: 'simulated' },
    },
    {
      ...{
        id: 'dome',
        name: 'Iron dome',
        material: 'cast iron',
        thicknessMm: 5,
        shape: 'round',
        domed: true,
      },
      ...{ widthMm: 420, depthMm: 420, heat: 'burner', powerW: 5_000 },
      marks: [
        { mark: 2, tempC: 205, source: 'simulated' },
        { mark: 4, tempC: 262, source: 'simulated' },
      ],
    },
  ],
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

/** What is really so in this kitchen; nobody there knows it, and the records find it out. */
export const DEMO_TRUTH = {
  /** How much more each lot drinks than its moisture says, in points. */
  thirst: { 'quay-12': 0.8, 'quay-13': 2.6 } as Record<string, number>,
  bowlLoss: 0.016,
  benchLoss: 0.008,
  /** How much longer than by the law each dough takes to relax. */
  relaxing: { 'deckhand-wrap': 1.3, 'pilot-press': 0.85 } as Record<string, number>,
  ballSdG: { 'deckhand-wrap': 1.4, 'pilot-press': 0.7 } as Record<string, number>,
  discSd: { pin: 0.014, 'hot-press': 0.01, 'hand-stretch': 0.02, 'sheet-thin': 0.02 },
  /** Flour gets dearer by this share every week. */
  flourPricePerWeek: 0.03,
} as const;

/** The quay's air: a dry week, then the usual damp. */
const DRY_WEEK_DAYS_AGO = { from: 13, to: 7 } as const;
const airOf = (daysAgo: number): Conditions => {
  const dry = daysAgo <= DRY_WEEK_DAYS_AGO.from && daysAgo >= DRY_WEEK_DAYS_AGO.to;
  return {
    airC: dry ? 27 : 24,
    humidity: dry ? 0.34 : 0.6,
    airFrom: 'simulated',
    flourC: dry ? 24 : 22,
    liquidC: 16,
  };
};

const STEADY: Cook = { weighingSdSteps: 0.5, overPour: 0, rejects: 0.02 };
const HURRIED: Cook = { weighingSdSteps: 0.9, overPour: 1, rejects: 0.05 };
const BAD_SALT: Cook = { ...STEADY, rejects: 0.3, rejectedFor: ['other'], saltFactor: 1.4 };

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

const wraps = (daysAgo: number, hour: number, pieces: number, cook: Cook, note = ''): Past => ({
  ...{ formula: 'deckhand-wrap', daysAgo, hour, cook, note },
  need: { by: 'pieces', pieces, ballG: 105 },
  flourLotId: daysAgo > NEW_LOT_DAYS_AGO ? 'quay-12' : 'quay-13',
});
const presses = (daysAgo: number, hour: number, cook: Cook, note = ''): Past => ({
  ...{ formula: 'pilot-press', daysAgo, hour, cook, note },
  need: { by: 'pieces', pieces: 60, ballG: 36 },
  flourLotId: daysAgo > NEW_LOT_DAYS_AGO ? 'quay-12' : 'quay-13',
});
const other = (
  formula: string,
  daysAgo: number,
  hour: number,
  need: Need,
  note = '',
  cook = STEADY,
): Past => ({
  ...{ formula, daysAgo, hour, need, note, cook },
});

/** The plate drifts hotter through the second week until someone turns the knob. */
const NEW_LOT_DAYS_AGO = 2;
const HOT_FROM = { daysAgo: 7, to: 4, perDayC: 9 } as const;
const driftOf = (daysAgo: number): number =>
  daysAgo <= HOT_FROM.daysAgo && daysAgo >= HOT_FROM.to ? (HOT_FROM.daysAgo - daysAgo) * HOT_FROM.perDayC : 0;

const DRY = 'Dry week: the dough wanted more water.';

/** What was made lately, before the sailings. */
const PAST: readonly Past[] = [
  wraps(13, 9, 52, STEADY, DRY),
  other('lantern-round', 13, 14, { by: 'pieces', pieces: 36, ballG: 58 }),
  wraps(12, 9, 56, STEADY, DRY),
  presses(12, 14, STEADY),
  wraps(10, 9, 56, STEADY, DRY),
  other('sailcloth-sheet', 10, 15, { by: 'pieces', pieces: 20, ballG: 72 }),
  presses(9, 13.5, STEADY),
  wraps(8, 9, 56, STEADY, DRY),
  other('breakwater-thick', 8, 14, { by: 'pieces', pieces: 30, ballG: 95 }),
  wraps(
    7,
    9,
    60,
    { ...STEADY, ballSdG: 3.4, rejects: 0.1, rejectedFor: ['wrong size', 'misshapen'] },
    'Cut by eye, the scale was wanted elsewhere.',
  ),
  presses(6, 13.5, BAD_SALT, 'Tasted salty: coarse salt was measured with the spoon for fine.'),
  wraps(5, 9.25, 48, STEADY),
  other(
    'lantern-round',
    4,
    9.5,
    { by: 'pieces', pieces: 42, ballG: 58 },
    'Puffed nearly all; the two flat ones had a crease.',
  ),
  wraps(
    4,
    13,
    48,
    { ...STEADY, rejects: 0.14, rejectedFor: ['burnt'] },
    'Black spots: the plate had crept up.',
  ),
  presses(3, 14, HURRIED, 'Poured too much water, batch followed it. Extra went to the crew.'),
  wraps(3, 9, 56, { ...STEADY, lightG: 3 }),
  other('breakwater-thick', 2, 10, { by: 'flour', flourG: 2500, ballG: 95 }),
  wraps(2, 15, 40, STEADY, 'First batch of the new flour: a little stiff.'),
  presses(2, 13, STEADY),
  wraps(1, 9, 64, STEADY, 'New flour again: took more water than the plan.'),
  other('sailcloth-sheet', 1, 15.5, { by: 'pieces', pieces: 24, ballG: 72 }),
];

/** The five demo formulas, in the open file format. */
export const demoFormulas = (): Formula[] =>
  [breakwaterThick, deckhandWrap, lanternRound, pilotPress, sailclothSheet].map((document) =>
    parseInput(formulaSchema, document),
  );

/** What the ingredients cost on a day of the past two weeks. */
const pricesOf = (foods: readonly Ingredient[], daysAgo: number): Ingredient[] =>
  foods.map((food) =>
    food.kind === 'flour' && food.pack
      ? {
          ...food,
          pack: {
            ...food.pack,
            price: food.pack.price * (1 + DEMO_TRUTH.flourPricePerWeek) ** (-daysAgo / 7),
          },
        }
      : food,
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
    const foods = pricesOf(ingredients, past.daysAgo);
    const plan = planBatch({
      formula,
      need: past.need,
      kitchen: DEMO_KITCHEN,
      ingredients: foods,
      conditions,
    });
    const cook: Cook = {
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
