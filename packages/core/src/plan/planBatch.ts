import { message } from '../message/message';
import type { ResolvedLine } from '../formula/formulaSchema';
import type { ProductStandard } from '../formula/methodSchema';
import { doughTotals } from '../formula/percentages';
import type { DoughPart } from '../ingredient/doughPart';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { discDiameterMm, rolledFromRelaxed } from '../portion/disc';
import { InputError, parseInput } from '../message/problem';
import { sumG } from '../quantity/roundToStep';
import { amountsFor } from './amounts';
import { keepBack, openShare } from './today/holdBack';
import { type Kitchen } from '../kitchen/kitchenSchema';
import { keptShare } from '../kitchen/kitchenDefaults';
import { onBreadSheet } from './onBreadSheet';
import type { PlanRequest } from './planRequestSchema';
import { PLAN_FORMAT, type Plan, type SheetLine, planSchema, MOST_BOWLS } from './planSchema';
import { planSteps } from './planSteps';
import { prepare } from './prepare';
import { planWarnings } from './planWarnings';
import { type PlanSoFar, stepsToday, todayOf } from './today/today';
import { type Ceiling, weighSheet } from './weighSheet';

/** More bowls than this in one batch is a slip in the capacity, not a plan. */
function bowlsFor(doughG: number, ballG: number, kitchen: Kitchen): number {
  if (kitchen.bowlCapacityG < ballG) {
    throw InputError.at(
      'kitchen.bowlCapacityG',
      message('The bowl holds {bowlCapacity}, less than one ball of {ball}.', {
        bowlCapacity: { g: kitchen.bowlCapacityG },
        ball: { g: ballG },
      }),
    );
  }
  const bowls = Math.ceil(doughG / kitchen.bowlCapacityG - 1e-9);
  if (bowls > MOST_BOWLS) {
    throw InputError.at(
      'kitchen.bowlCapacityG',
      message(
        '{dough} of dough would need {bowls, number} bowls; plan less at once or name a larger bowl (at most {mostBowls, number} bowls).',
        { dough: { g: doughG }, bowls, mostBowls: MOST_BOWLS },
      ),
    );
  }
  return bowls;
}

function roundingOf(sheet: readonly SheetLine[]): Plan['rounding'] {
  const worst = sheet.reduce((a, b) => (Math.abs(b.relativeError) > Math.abs(a.relativeError) ? b : a));
  return {
    worstLineId: worst.lineId,
    worstRelativeError: worst.relativeError,
    worstFractionError: Math.max(...sheet.map((l) => Math.abs(l.weighedFraction - l.fraction))),
  };
}

const sumOf = (rows: readonly SheetLine[]) => sumG(rows.map((row) => row.massG));
const flourOf = (rows: readonly SheetLine[]) => sumOf(rows.filter((row) => row.kind === 'flour'));

/** The weigh sheet of one bowl, as the kitchen's scales read it and within what stock and bowl hold. */
function bowlRows(
  lines: readonly ResolvedLine[],
  flourG: number,
  kitchen: Kitchen,
  limits: readonly Ceiling[],
  bowls: number,
): SheetLine[] {
  const ceilings: Ceiling[] = [
    ...limits.map(({ covers, maxG }) => ({ covers, maxG: maxG / bowls })),
    { covers: () => true, maxG: kitchen.bowlCapacityG },
  ];
  const rows = weighSheet(lines, flourG, kitchen, ceilings);
  if (flourOf(rows) === 0) {
    throw InputError.at(
      'kitchen.benchStepG',
      message(
        "The flour of one bowl is less than the scale''s step of {benchStep}; use a finer scale or make more.",
        { benchStep: { g: kitchen.benchStepG, stepG: kitchen.benchStepG } },
      ),
    );
  }
  return rows;
}

/** The disc that a ball becomes, as it is rolled and as it goes on the griddle. */
function discOf(
  product: ProductStandard,
  need: PlanRequest['need'],
  ballG: number,
  densityGMl: number,
): Pick<Plan, 'rolled' | 'relaxed'> {
  const thicknessMm = need.by === 'discs' ? need.thicknessMm : product.thicknessMm;
  const relaxed = { diameterMm: discDiameterMm(ballG, thicknessMm, densityGMl), thicknessMm };
  return { rolled: rolledFromRelaxed(relaxed, product.springBack), relaxed };
}

/** A sheet's masses with their ingredients. */
function weighedParts(sheet: readonly SheetLine[], lines: readonly ResolvedLine[]): DoughPart[] {
  const foods = new Map(lines.map((line) => [line.id, line.food]));
  return sheet.flatMap((row) => {
    const food = foods.get(row.lineId);
    return food ? [{ mass: row.massG, food }] : [];
  });
}

/** What is frozen of the foods: each once, without what only the kitchen's own list needs. */
const foodsOf = (lines: readonly { food: Ingredient }[]) => [
  ...new Map(lines.map(({ food }) => [food.id, composition(food)])).values(),
];

/**
 * Plans a batch: what to weigh in each bowl, the balls, the disc, the steps; with conditions, the day's water, temperatures
 * and rests. Pure: the same request gives the same plan.
 * @param request what is asked: formula, need, kitchen and conditions
 * @returns masses in g, lengths in mm, times in s
 * @throws InputError naming the field when the formula, the need or the kitchen cannot be met
 */
export function planBatch(request: Omit<PlanRequest, 'format' | 'formatVersion'>): Plan {
  const { need, conditions, adjustments = [] } = request;
  const prepared = prepare(request);
  const { formula, kitchen, mixer, lines, liquid, onBread, hydration, densityGMl } = prepared;
  const { trials = 0 } = formula.bake;
  const { pieces, ballG, doughG: neededG, limits, scarcest } = amountsFor(need, { ...prepared, trials });
  const bowls = bowlsFor(neededG, ballG, kitchen);

  const weighed = conditions?.doughC === undefined ? lines : withoutNote(lines, liquid);
  const rows = bowlRows(weighed, neededG / prepared.doughPerFlour / bowls, kitchen, limits, bowls);
  const bowlG = sumOf(rows);
  const bowlFlourG = flourOf(rows);
  const { holdBack, sheet } = keepBack(formula, rows, liquid, hydration ? openShare(hydration) : 0);
  const doughG = sumG([bowlG * bowls]);
  const flourG = sumG([bowlFlourG * bowls]);

  const ballsG = doughG * keptShare(kitchen);
  const plan: PlanSoFar = {
    format: PLAN_FORMAT,
    formatVersion: 6,
    formula,
    need,
    kitchen: forPlan(kitchen),
    mixer,
    ingredients: foodsOf([...lines, ...onBread]),
    pieces,
    ...(trials > 0 ? { trials } : {}),
    ballG,
    bowls,
    neededG,
    sheet,
    bowlG,
    doughG,
    flourG,
    onBread: onBreadSheet(onBread, pieces, flourG, kitchen),
    expectedBallG: ballsG / pieces,
    leftoverG: ballsG - pieces * ballG,
    rounding: roundingOf(sheet),
    totals: doughTotals(weighedParts(sheet, lines)),
    holdBack,
    doughDensityGMl: densityGMl,
    ...discOf(formula.product, need, ballG, densityGMl),
    ...(scarcest === undefined ? {} : { scarcest }),
    ...(adjustments.length > 0 ? { adjustments } : {}),
  };
  const usual = planSteps(formula, sheet, bowls, pieces);
  const today =
    hydration && conditions ? todayOf({ hydration, plan, lines, liquid, conditions, usual }) : null;
  const restsToday = formula.method.rests.map((rest, index) => ({ ...rest, ...today?.rests[index] }));
  const steps = stepsToday(usual, today);
  return {
    ...plan,
    ...(today ? { today } : {}),
    steps,
    expectedS: steps.reduce((sum, step) => sum + step.expectedS, 0),
    warnings: planWarnings({ plan, lines, steps, kitchen, rests: restsToday }),
  };
}

/** Plates, what was learned on them, and who works here are read where they stand; a plan need not carry them. */
const forPlan = ({
  griddles: _griddles,
  cooks: _cooks,
  learnPerCook: _learnPerCook,
  timesChosen: _timesChosen,
  ...kitchen
}: Kitchen): Kitchen => kitchen;

/** A note on the liquid speaks of the formula's temperature; where the day asks for another, it would mislead. */
const withoutNote = (lines: readonly ResolvedLine[], liquid: ResolvedLine | null): ResolvedLine[] =>
  lines.map((line) => {
    if (line.id !== liquid?.id) return line;
    const { note: _note, ...rest } = line;
    return rest;
  });

/** What a plan must remember of an ingredient: what it is made of, not how it is written or measured. */
const composition = ({ aliases, densities, pieces, source, note, hidden, ...food }: Ingredient): Ingredient =>
  food;

/**
 * The plan, once it is sure that it can be read back as it will be stored: what cannot would end in a backup that does not
 * restore.
 * @param plan the plan
 * @returns the same plan
 * @throws InputError naming the figure that cannot be kept
 */
export function keepablePlan(plan: Plan): Plan {
  parseInput(planSchema, JSON.parse(JSON.stringify(plan)), 'plan');
  return plan;
}
