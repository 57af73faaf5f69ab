import { mean } from 'simple-statistics';
import {
  placesOf,
  breadDiameterMm,
  paceFactsOf,
  paceOf,
  requestOf,
  griddleFor,
  secondsOf,
  USUAL_DOUGH_C,
} from '../../bake';
import type { Formula } from '../../formula/formulaSchema';
import type { Ingredient } from '../../ingredient/ingredientSchema';
import type { Kitchen } from '../../kitchen/kitchenSchema';
import { holdLimitH } from '../../log/holding';
import type { BatchFacts } from '../../log/factsSchema';
import { planBatch } from '../../plan/planBatch';
import { planCost } from '../../plan/planCost';
import type { Plan } from '../../plan/planSchema';
import { type LineBread, SHIFT_DEFAULTS, type Shift } from '../shiftSchema';
import type { ServiceDay } from './serviceDaySchema';

const S_PER_H = 3600;
/** A guest who goes without costs so many times the dough of a piece where nobody said what a missing one costs. */
const LEAST_PIECE_COST = 0.1;
/** A long rest that nobody limited, s: a working day. */
const OPEN_REST_S = 10 * S_PER_H;
/** Emptying scales into the bowl and setting the machine, s (assumption). */
const LOAD_S = 60;
/** Discs keep so long rolled before they dry, s (assumption); the pace says how many that is. */
const DISC_KEEPS_S = 120;
const MOST_AHEAD = 12;
/** Batches of history stand behind a share of rejects from this many pieces. */
const ENOUGH_PIECES = 40;
/** Rejects of a bread that nobody has made yet (assumption). */
const USUAL_REJECTS = 0.03;
/** Pieces of the batch that a bread's times are read from. */
const SAMPLE_PIECES = 20;

/** Everything a bread of the line is worked out from. */
export interface BreadFacts {
  formula: Formula;
  foods: readonly Ingredient[];
  kitchen: Kitchen;
  /** Facts of the kitchen's batches, any formula. */
  facts: readonly BatchFacts[];
}

const machinesOf = ({ mixers = [] }: Kitchen) => mixers.filter(({ by }) => by === 'machine');

const stepsS = (plan: Plan, ...kinds: Plan['steps'][number]['kind'][]): number =>
  plan.steps.reduce((sum, { kind, expectedS }) => sum + (kinds.includes(kind) ? expectedS : 0), 0);

/** Rests of the dough or of the balls, one after the other: earliest and latest, s. */
function restWindow(plan: Plan, of: 'dough' | 'balls'): [number, number] {
  const rests = plan.formula.method.rests.filter((rest) => rest.of === of);
  if (rests.length === 0) return [0, OPEN_REST_S];
  return [
    rests.reduce((sum, { earliestS }) => sum + earliestS, 0),
    rests.reduce((sum, { latestS }) => sum + latestS, 0),
  ];
}

/** Rejects of a formula as its batches had them; null before there is enough to say. */
function rejectsSeen(facts: readonly BatchFacts[], formulaId: string): number | null {
  const own = facts.filter(
    (one) => one.formulaId === formulaId && one.pieces.made !== null && !one.simulated,
  );
  const made = own.reduce((sum, { pieces }) => sum + (pieces.made ?? 0), 0);
  const good = own.reduce((sum, { pieces }) => sum + (pieces.good ?? pieces.made ?? 0), 0);
  return made >= ENOUGH_PIECES ? Math.max(0, Math.min(0.5, 1 - good / made)) : null;
}

/** Dough lost between bowl and balls, as the batches had it. */
function lossSeen(facts: readonly BatchFacts[], formulaId: string, kitchen: Kitchen): number {
  const own = facts.flatMap(({ formulaId: id, bowlLoss, benchLoss, simulated }) =>
    id === formulaId && bowlLoss !== null && benchLoss !== null && !simulated ? [bowlLoss + benchLoss] : [],
  );
  return Math.max(0, Math.min(0.3, own.length > 0 ? mean(own) : kitchen.bowlLoss + kitchen.benchLoss));
}

/** A bread as the line of a kitchen makes it, with its plan's own times. */
export function lineBreadOf(
  { formula, foods, kitchen, facts }: BreadFacts,
  demand: ServiceDay['breads'][number],
  sureness: number,
): LineBread {
  const plan = planBatch({
    formula,
    need: { by: 'pieces', pieces: SAMPLE_PIECES, ballG: formula.product.ballG },
    kitchen,
    ingredients: [...foods],
  });
  const griddle = griddleFor(formula, kitchen.griddles ?? []) ?? null;
  const { thicknessMm } = formula.product;
  const sidesS = secondsOf(formula.bake);
  const rollS = stepsS(plan, 'flatten');
  const request = requestOf({
    ...{ formula, foods, griddle, plateC: formula.bake.plateC, thicknessMm },
    ...{ doughC: USUAL_DOUGH_C, altitudeM: kitchen.altitudeM ?? 0 },
  });
  const pace = griddle ? paceOf(request, sidesS, paceFactsOf(formula, foods, griddle, thicknessMm)) : null;
  const heatS = pace && Number.isFinite(pace.perHour.heat) ? S_PER_H / pace.perHour.heat : 0;
  const cost = planCost(plan).perPiece ?? LEAST_PIECE_COST;
  const co = demand.co ?? cost;
  return {
    id: formula.id,
    name: formula.name,
    ballG: formula.product.ballG,
    loss: lossSeen(facts, formula.id, kitchen),
    rejectShare: rejectsSeen(facts, formula.id) ?? USUAL_REJECTS,
    weighS: stepsS(plan, 'weigh') / plan.bowls,
    loadS: LOAD_S,
    mixS: (stepsS(plan, 'mix') + stepsS(plan, 'pause')) / plan.bowls,
    kneadS: stepsS(plan, 'knead') / plan.bowls,
    kneadByHand: machinesOf(kitchen).length === 0,
    rest1: restWindow(plan, 'dough'),
    divideS: stepsS(plan, 'divide') / plan.pieces,
    rest2: restWindow(plan, 'balls'),
    ...{ rollS, sidesS, heatS },
    heat: `${Math.round(formula.bake.plateC)} °C`,
    ...(griddle ? { plate: griddle.id } : {}),
    ahead: Math.max(1, Math.min(MOST_AHEAD, Math.round(DISC_KEEPS_S / Math.max(1, rollS)))),
    holdS: holdLimitH(kitchen, demand.holding ?? 'insulated box') * S_PER_H,
    co,
    cu: demand.cu ?? (co * sureness) / (1 - sureness),
    waitPerMin: co / 5,
    waves: demand.waves,
    ...(demand.orders ? { orders: demand.orders } : {}),
  };
}

/** The work of a batch is worth so many pieces thrown away (assumption). */
const BATCH_PIECES = 4;

/** From cold to bread, where nobody measured it (assumption), s. */
const PREHEAT_S = 20 * 60;
/** Pieces side by side on a plate that nobody told of. */
const PLACES_UNTOLD = 4;

/** The plates that the day's breads are baked on, each with the places that its widest bread finds. */
function platesOf(breads: readonly BreadFacts[], kitchen: Kitchen): Shift['plates'] {
  const own = kitchen.griddles ?? [];
  const plates = own.flatMap((griddle) => {
    const places = breads
      .filter(({ formula }) => griddleFor(formula, own)?.id === griddle.id)
      .map(
        ({ formula, foods }) =>
          placesOf(griddle, breadDiameterMm(formula, foods, formula.product.thicknessMm)).length,
      );
    return places.length === 0
      ? []
      : [{ id: griddle.id, places: Math.max(1, Math.min(...places)), preheatS: PREHEAT_S }];
  });
  return plates.length > 0 ? plates : [{ id: 'plate', places: PLACES_UNTOLD, preheatS: PREHEAT_S }];
}

/**
 * The shift of a service day, with what this kitchen knows of its breads.
 * @param service the day
 * @param breads formula, ingredients and history of each of its breads that the book has
 * @param kitchen bowls and plates
 */
export function shiftOfDay(service: ServiceDay, breads: readonly BreadFacts[], kitchen: Kitchen): Shift {
  const known = service.breads.flatMap((demand) => {
    const facts = breads.find(({ formula }) => formula.id === demand.formulaId);
    return facts ? [lineBreadOf(facts, demand, service.sureness)] : [];
  });
  const machines = machinesOf(kitchen);
  // Where a machine kneads, the tub stays on the shelf: it would need a pair of hands all the while.
  const bowls = machines.length > 0 ? machines : (kitchen.mixers ?? []);
  return {
    name: service.name,
    opens: service.opens,
    serviceFrom: service.serviceFrom,
    serviceTo: service.serviceTo,
    ends: service.ends,
    changeCost: Math.min(...known.map(({ co }) => co)),
    batchCost: BATCH_PIECES * mean(known.map(({ co }) => co)),
    leftAtClose: service.leftAtClose,
    people: service.cooks.map(({ id, name, can }) => ({ id, name, can })),
    mixers:
      bowls.length > 0
        ? bowls.map(({ id, minG, maxG }) => ({ id, minG, maxG }))
        : [{ id: 'bowl', minG: kitchen.bowlMinimumG, maxG: kitchen.bowlCapacityG }],
    plates: platesOf(
      breads.filter(({ formula }) => service.breads.some(({ formulaId }) => formulaId === formula.id)),
      kitchen,
    ),
    breads: known,
    dayK: SHIFT_DEFAULTS.dayK,
  };
}
