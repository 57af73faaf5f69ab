// How often the intervals of lessons hold the truth: `npm run coverage -- --kitchens 500`.
// Each kitchen is worked by the simulator that ships with the demo, event by event; its truths are drawn from the priors.
import { parseArgs } from 'node:util';
import { CATALOGUE, type Ingredient } from '@kettle-scale/core/ingredient';
import { DEFAULT_KITCHEN, ORDINARY_DAY } from '@kettle-scale/core/kitchen';
import { type Lesson, type BatchFacts, SEASONS, batchFacts, seasonOf } from '@kettle-scale/core/log';
import { type Plan, planBatch, planCost } from '@kettle-scale/core/plan';
import { newLotOffset } from '@kettle-scale/core/flourLot';
import { PRIORS, RELAXING_PRIOR_SD, lessonsFrom } from '@kettle-scale/core/lessons';
import {
  demoFormulas,
  READS,
  SPRING_SD,
  simulateBatch,
  type Random,
  openRandom,
} from '@kettle-scale/simulation';

const { values } = parseArgs({
  options: { kitchens: { type: 'string', default: '500' }, seed: { type: 'string', default: '1' } },
});
const KITCHENS = Number(values.kitchens);
const BATCHES = 24;
const LOTS = 3;
const PIECES = 30;
const DAY_MS = 24 * 3600 * 1000;
const MONTH_MS = 30 * DAY_MS;
const START_MS = Date.UTC(2026, 0, 3, 9);
const BETWEEN_MS = (360 * DAY_MS) / BATCHES;
const WARM_UP = 64;
const WANTED = { low: 0.85, high: 0.95 } as const;

interface Truth {
  thirst: number[];
  season: number[];
  bowlLoss: number;
  benchLoss: number;
  relaxing: number;
  ballSdG: number;
  discSd: number;
  rejects: number;
  /** Flour gets dearer by this share of its first price every month. */
  dearer: number;
}

/** Rejects are drawn from their own prior, Beta(1, b), by its inverse. */
const betaOneB = (random: Random, b: number): number => 1 - (1 - random.uniform()) ** (1 / b);

function drawTruth(random: Random): Truth {
  return {
    thirst: Array.from({ length: LOTS }, () => random.normal(0, 2)),
    season: SEASONS.map(() => random.normal(0, 1)),
    bowlLoss: Math.max(0.001, random.normal(PRIORS.bowlLoss.mean, PRIORS.bowlLoss.sd)),
    benchLoss: Math.max(0.0005, random.normal(PRIORS.benchLoss.mean, PRIORS.benchLoss.sd)),
    relaxing: Math.exp(random.normal(0, RELAXING_PRIOR_SD)),
    ballSdG: 0.5 + 2 * random.uniform(),
    discSd: 0.005 + 0.02 * random.uniform(),
    rejects: betaOneB(random, PRIORS.rejects.miss),
    dearer: 0.05 * random.uniform(),
  };
}

const [formula] = demoFormulas().filter(({ id }) => id === 'deckhand-wrap');
if (!formula) throw new Error('the demo has no deckhand-wrap');

const pricesAt = (dearer: number, months: number): Ingredient[] =>
  CATALOGUE.map((food) =>
    food.kind === 'flour' && food.pack
      ? { ...food, pack: { ...food.pack, price: food.pack.price * (1 + dearer * months) } }
      : food,
  );

/** Works a kitchen for a year. Lots overlap, as bags do, so that seasons can be told from them. */
function workYear(truth: Truth, random: Random): { facts: BatchFacts[]; plan: Plan } {
  const facts: BatchFacts[] = [];
  let first: Plan | null = null;
  for (let index = 0; index < BATCHES; index += 1) {
    const startMs = START_MS + index * BETWEEN_MS;
    const startedAt = new Date(startMs).toISOString();
    const lot = index % LOTS;
    const lotId = `lot-${lot}`;
    const plan = planBatch({
      formula: formula ?? never(),
      need: { by: 'pieces', pieces: PIECES, ballG: 105 },
      kitchen: { ...DEFAULT_KITCHEN, bowlMinimumG: 0 },
      ingredients: pricesAt(truth.dearer, (index * BETWEEN_MS) / MONTH_MS),
      conditions: {
        ...ORDINARY_DAY,
        lot: {
          ...{ id: lotId, name: lotId, ingredient: 'flour-strong', moisture: 0.14, days: 0 },
          ...{ storage: 'closed', offset: newLotOffset() },
        },
      },
    });
    first ??= plan;
    const cook = {
      ...{ weighingSdSteps: 0.5, overPour: 0, batchSdPoints: 1 },
      ...truth,
      thirstPoints:
        (truth.thirst[lot] ?? 0) + (truth.season[SEASONS.indexOf(seasonOf(startedAt.slice(0, 10)))] ?? 0),
    };
    const events = simulateBatch(plan, startMs, cook, random, '');
    facts.push(batchFacts({ id: `${index}`, startedAt, plan, flourLotId: lotId, events }));
  }
  return { facts, plan: first ?? never() };
}

const never = (): never => {
  throw new Error('a year has batches');
};

/** What each lesson should have found. */
function truthsOf(truth: Truth, plan: Plan, facts: readonly BatchFacts[]): Map<string, number> {
  const { lines } = planCost(plan);
  const flour = new Set(plan.sheet.flatMap(({ lineId, kind }) => (kind === 'flour' ? [lineId] : [])));
  const flourCost = lines.reduce((sum, { id, cost }) => sum + (flour.has(id) ? cost : 0), 0);
  // Dough that was mixed over what was planned, and pieces that were made of it.
  const made = facts.map(
    ({ doughG, pieces }) =>
      (doughG.mixed / doughG.planned) * (pieces.planned / (pieces.made ?? pieces.planned)),
  );
  const perPiece = made.reduce((sum, one) => sum + one, 0) / made.length;
  // A ruler with whole millimetres, twice; its rounding is a twelfth of a square millimetre.
  const ruler = Math.sqrt((READS.diameterMm ** 2 + 1 / 12) / 2) / plan.relaxed.diameterMm;
  return new Map([
    ['bowl-loss', truth.bowlLoss],
    ['bench-loss', truth.benchLoss],
    ...truth.season.map((value, index) => [`season/${index + 1}`, value] as const),
    [`relaxing/${plan.formula.id}`, truth.relaxing],
    [`ball-spread/${plan.formula.id}`, truth.ballSdG],
    ['disc-spread/pin', Math.hypot(truth.discSd, SPRING_SD, ruler)],
    [`rejects/${plan.formula.id}`, truth.rejects],
    [`cost/${plan.formula.id}`, (flourCost / plan.pieces) * truth.dearer * perPiece],
  ]);
}

const held = new Map<Lesson['kind'], { in: number; of: number }>();
function count(kind: Lesson['kind'], holds: boolean): void {
  const row = held.get(kind) ?? { in: 0, of: 0 };
  row.of += 1;
  row.in += Number(holds);
  held.set(kind, row);
}

const context = { lots: [], off: [], zone: 'UTC' };
for (let kitchen = 0; kitchen < KITCHENS; kitchen += 1) {
  const random = openRandom(Number(values.seed) * 100_000 + kitchen);
  // Neighbouring seeds begin alike; some draws on they do not.
  for (let draw = 0; draw < WARM_UP; draw += 1) random.uniform();
  const truth = drawTruth(random);
  const { facts, plan } = workYear(truth, random);
  const truths = truthsOf(truth, plan, facts);
  const lessons = lessonsFrom(facts, context);
  for (const { id, kind, low, high } of lessons) {
    const value = truths.get(id);
    if (value !== undefined) count(kind, low <= value && value <= high);
  }
  // A lot is asked on its own, in one season: over a year its mean would hold all seasons.
  const spring = facts
    .filter(({ lotId }) => lotId === 'lot-0')
    .map((one) => ({
      ...one,
      waterPoints:
        one.waterPoints === null
          ? null
          : one.waterPoints - (truth.season[SEASONS.indexOf(seasonOf(one.startedAt.slice(0, 10)))] ?? 0),
    }));
  const lot = lessonsFrom(spring, context).find(({ id }) => id === 'water/lot-0');
  if (lot) count('water', lot.low <= (truth.thirst[0] ?? 0) && (truth.thirst[0] ?? 0) <= lot.high);
  const rest = lessons.find(({ kind }) => kind === 'rest');
  const pace = lessons.find(({ kind }) => kind === 'relaxing');
  if (rest && pace) {
    const minutes = (rest.value / pace.value) * truth.relaxing;
    count('rest', rest.low <= minutes && minutes <= rest.high);
  }
  if ((kitchen + 1) % 50 === 0) process.stderr.write(`${kitchen + 1} kitchens\n`);
}

let good = true;
for (const [kind, { in: inside, of }] of [...held].sort()) {
  const share = inside / of;
  const holds = share >= WANTED.low && share <= WANTED.high;
  good &&= holds;
  process.stdout.write(`${holds ? 'ok  ' : 'MISS'} ${kind}: ${(share * 100).toFixed(1)} % of ${of}\n`);
}
process.exitCode = good ? 0 : 1;
