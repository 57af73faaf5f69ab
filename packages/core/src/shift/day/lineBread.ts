import { mean, sum } from 'simple-statistics';
import {
  placesOf,
  breadDiameterMm,
  paceFactsOf,
  paceOf,
  questionOfFormula,
  griddleFor,
  secondsOf,
  plateOf,
  readySeconds,
} from '../../bake';
import type { Formula } from '../../formula/formulaSchema';
import type { Ingredient } from '../../ingredient/ingredientSchema';
import type { Griddle } from '../../kitchen/griddleSchema';
import type { Kitchen } from '../../kitchen/kitchenSchema';
import { holdLimitH } from '../../log/holding';
import { TIMED_STEPS } from '../../log/factsSchema';
import type { Lesson } from '../../log/lessonSchema';
import { planBatch } from '../../plan/planBatch';
import { planCost } from '../../plan/planCost';
import type { Plan } from '../../plan/planSchema';
import type { Cold, LineBread, Shift } from '../shiftSchema';
import type { ServiceDay } from './serviceDaySchema';

const S_PER_H = 3600;
/** What a piece is taken to cost where something of it has no price, in the kitchen's currency. */
const UNPRICED_PIECE = 0.1;
/** A minute of waiting costs this share of a piece thrown away (assumption). */
const WAIT_SHARE = 0.2;
/** Nothing that a kitchen's past says goes beyond these shares. */
const MOST_REJECTS = 0.5;
const MOST_LOSS = 0.3;
/** A long rest that nobody limited, s: a working day. */
const OPEN_REST_S = 10 * S_PER_H;
/** Emptying scales into the bowl and setting the machine, s (assumption). */
const LOAD_S = 60;
/** Discs keep so long rolled before they dry, s (assumption); the pace says how many that is. */
const DISC_KEEPS_S = 120;
const MOST_AHEAD = 12;
/** Rejects of a bread that nobody has made yet (assumption). */
const USUAL_REJECTS = 0.03;
/** Pieces of the batch that a bread's times are read from. */
const SAMPLE_PIECES = 20;

/** What a kitchen knows of its breads. */
export interface LineFacts {
  formulas: readonly Formula[];
  foods: readonly Ingredient[];
  kitchen: Kitchen;
  /** What its batches taught. */
  lessons?: readonly Lesson[];
  /** Who makes them, where it is one cook alone: this cook's own times count before the kitchen's. */
  cook?: string | undefined;
  /** What waits in the fridge, of any bread. */
  cold?: readonly Cold[];
}

const heatName = (plateC: number): string => `${Math.round(plateC)} °C`;

const machinesOf = ({ mixers = [] }: Kitchen) => mixers.filter(({ by }) => by === 'machine');

const stepsS = (plan: Plan, ...kinds: Plan['steps'][number]['kind'][]): number =>
  sum([0, ...plan.steps.flatMap(({ kind, expectedS }) => (kinds.includes(kind) ? [expectedS] : []))]);

/** Rests of the dough or of the balls, one after the other: earliest and latest, s. */
function restWindow(plan: Plan, of: 'dough' | 'balls'): [number, number] {
  const rests = plan.formula.method.rests.filter((rest) => rest.of === of);
  if (rests.length === 0) return [0, OPEN_REST_S];
  return [sum(rests.map(({ earliestS }) => earliestS)), sum(rests.map(({ latestS }) => latestS))];
}

/** What a lesson says, where there is one and the kitchen lets it into plans. */
const learned = (lessons: readonly Lesson[], id: string): number | undefined =>
  lessons.find((lesson) => lesson.id === id && lesson.on)?.value;

const within = (share: number, most: number): number => Math.max(0, Math.min(most, share));

/**
 * Lessons that the planning of a service counts with: losses, rejects of its breads, times of steps.
 * @param lessons all of the kitchen's
 * @param formulaIds breads of the service
 */
export const lessonsOfLine = (lessons: readonly Lesson[], formulaIds: readonly string[]): Lesson[] =>
  lessons.filter(
    ({ kind, formulaId }) =>
      kind === 'bowl-loss' ||
      kind === 'bench-loss' ||
      kind === 'step-time' ||
      (kind === 'rejects' && formulaIds.includes(formulaId ?? '')),
  );

/** A bread as the line of a kitchen makes it, with its plan's own times. */
function lineBreadOf(
  formula: Formula,
  { foods, kitchen, lessons = [], cook }: LineFacts,
  demand: ServiceDay['breads'][number],
  sureness: number,
): LineBread {
  const plan = planBatch({
    formula,
    need: { by: 'pieces', pieces: SAMPLE_PIECES, ballG: formula.product.ballG },
    kitchen,
    ingredients: [...foods],
  });
  const { request, griddle, thicknessMm } = questionOfFormula(formula, foods, kitchen);
  const sidesS = secondsOf(formula.bake);
  const rollS = stepsS(plan, 'flatten');
  const pace = griddle ? paceOf(request, sidesS, paceFactsOf(formula, foods, griddle, thicknessMm)) : null;
  const heatS = pace && Number.isFinite(pace.perHour.heat) ? S_PER_H / pace.perHour.heat : 0;
  const cost = planCost(plan).perPiece ?? UNPRICED_PIECE;
  const co = demand.co ?? cost;
  const times = (kind: (typeof TIMED_STEPS)[number]) =>
    learned(lessons, `time/${kind}/${cook ?? ''}`) ?? learned(lessons, `time/${kind}`) ?? 1;
  return {
    id: formula.id,
    name: formula.name,
    ballG: formula.product.ballG,
    loss: within(
      (learned(lessons, 'bowl-loss') ?? kitchen.bowlLoss) +
        (learned(lessons, 'bench-loss') ?? kitchen.benchLoss),
      MOST_LOSS,
    ),
    rejectShare: within(learned(lessons, `rejects/${formula.id}`) ?? USUAL_REJECTS, MOST_REJECTS),
    weighS: (times('weigh') * stepsS(plan, 'weigh')) / plan.bowls,
    loadS: LOAD_S,
    mixS: (times('mix') * stepsS(plan, 'mix') + stepsS(plan, 'pause')) / plan.bowls,
    kneadS: (times('knead') * stepsS(plan, 'knead')) / plan.bowls,
    kneadByHand: machinesOf(kitchen).length === 0,
    rest1: restWindow(plan, 'dough'),
    divideS: (times('divide') * (stepsS(plan, 'divide') + stepsS(plan, 'coins'))) / plan.pieces,
    rest2: restWindow(plan, 'balls'),
    ...{ rollS, sidesS, heatS },
    heat: heatName(formula.bake.plateC),
    ...(griddle ? { plate: griddle.id } : {}),
    ahead: Math.max(1, Math.min(MOST_AHEAD, Math.round(DISC_KEEPS_S / Math.max(1, rollS)))),
    holdS: holdLimitH(kitchen, demand.holding ?? 'insulated box') * S_PER_H,
    co,
    cu: demand.cu ?? (co * sureness) / (1 - sureness),
    waitPerMin: co * WAIT_SHARE,
    waves: demand.waves,
    ...(demand.orders ? { orders: demand.orders } : {}),
  };
}

/** The work of a batch is worth so many pieces thrown away (assumption). */
const BATCH_PIECES = 4;

/** Of a plate that nobody told of: pieces side by side, and from cold to bread, s (assumptions). */
const UNTOLD = { places: 4, preheatS: 20 * 60 };
/** A kitchen that nobody told of, in which a plate stands and balls warm, °C (assumption). */
export const ROOM_C = 25;

/** A plate as the line uses it: places of its widest bread, and how long it takes from cold and between its heats. */
function plateOfLine(griddle: Griddle, breads: readonly Formula[], foods: readonly Ingredient[]) {
  const plate = plateOf(griddle, 0);
  const heats = [...new Set(breads.map(({ bake }) => bake.plateC))];
  const ready = (fromC: number, toC: number) => readySeconds(plate, fromC, toC, ROOM_C);
  const places = breads.map(
    (formula) => placesOf(griddle, breadDiameterMm(formula, foods, formula.product.thicknessMm)).length,
  );
  const changes = heats.flatMap((fromC) =>
    heats
      .filter((toC) => toC !== fromC)
      .map((toC) => [`${heatName(fromC)}>${heatName(toC)}`, ready(fromC, toC)] as const),
  );
  return {
    id: griddle.id,
    places: Math.max(1, Math.min(...places)),
    preheatS: ready(ROOM_C, Math.max(...heats)) ?? UNTOLD.preheatS,
    // A change that the plate's power never makes is left to the usual figure.
    changeS: Object.fromEntries(changes.flatMap(([name, s]) => (s === null ? [] : [[name, s]]))) as Record<
      string,
      number
    >,
  };
}

/** The plates that the day's breads are baked on. */
function platesOf(breads: readonly Formula[], { kitchen, foods }: LineFacts): Shift['plates'] {
  const own = kitchen.griddles ?? [];
  const plates = own.flatMap((griddle) => {
    const baked = breads.filter((formula) => griddleFor(formula, own)?.id === griddle.id);
    return baked.length === 0 ? [] : [plateOfLine(griddle, baked, foods)];
  });
  return plates.length > 0 ? plates : [{ id: 'plate', ...UNTOLD }];
}

/**
 * The shift of a service day, with what this kitchen knows of its breads.
 * @param service the day
 * @param facts formulas of the book, ingredients, kitchen, and what batches had
 */
export function shiftOfDay(service: Omit<ServiceDay, 'plan'>, facts: LineFacts): Shift {
  const { kitchen } = facts;
  const made = service.breads.flatMap((demand) => {
    const formula = facts.formulas.find(({ id }) => id === demand.formulaId);
    return formula ? [{ formula, bread: lineBreadOf(formula, facts, demand, service.sureness) }] : [];
  });
  const breads = made.map(({ bread }) => bread);
  const costs = breads.map(({ co }) => co);
  const machines = machinesOf(kitchen);
  // Where a machine kneads, the tub stays on the shelf: it would need a pair of hands all the while.
  const bowls = machines.length > 0 ? machines : (kitchen.mixers ?? []);
  const { name, opens, serviceFrom, serviceTo, ends, leftAtClose } = service;
  const cold = (facts.cold ?? []).filter(({ bread }) => breads.some(({ id }) => id === bread));
  return {
    ...(cold.length > 0 ? { cold } : {}),
    ...{ name, opens, serviceFrom, serviceTo, ends, leftAtClose, breads },
    changeCost: costs.length > 0 ? Math.min(...costs) : 0,
    batchCost: costs.length > 0 ? BATCH_PIECES * mean(costs) : 0,
    people: service.cooks,
    ...(kitchen.benchBalls === undefined ? {} : { benchBalls: kitchen.benchBalls }),
    mixers:
      bowls.length > 0
        ? bowls.map(({ id, minG, maxG }) => ({ id, minG, maxG }))
        : [{ id: 'bowl', minG: kitchen.bowlMinimumG, maxG: kitchen.bowlCapacityG }],
    plates: platesOf(
      made.map(({ formula }) => formula),
      facts,
    ),
  };
}
