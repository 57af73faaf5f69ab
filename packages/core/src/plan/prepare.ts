import { message } from '../message/message';
import { InputError } from '../message/problem';
import type { Formula, ResolvedLine } from '../formula/formulaSchema';
import { mainLiquid } from '../formula/mainLiquid';
import { type ResolvedOnBread, resolveOnBread } from '../formula/onBread';
import { doughTotals } from '../formula/percentages';
import { resolveLines } from '../formula/resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Kitchen } from '../kitchen/kitchenSchema';
import { kitchenWith } from '../kitchen/kitchenDefaults';
import { doughDensity } from '../portion/doughDensity';
import { addedWater, adjustedFormula, adjustedKitchen, withSalt, withWater } from './adjust';
import type { PlanRequest } from './planRequestSchema';
import type { Plan } from './planSchema';
import { type TodaysHydration, hydrationToday, withHydration } from './today/todaysWater';

/** What every part of a plan is made from, each found once. */
export interface Prepared {
  /** With what lessons and earlier batches change. */
  formula: Formula;
  kitchen: Kitchen;
  mixer: Plan['mixer'];
  /** Of the dough, as they are weighed today. */
  lines: ResolvedLine[];
  /** That one of them that follows the day and the feel; null in a dough of flour and fat alone. */
  liquid: ResolvedLine | null;
  onBread: ResolvedOnBread[];
  /** Null where no day is told. */
  hydration: TodaysHydration | null;
  /** Dough to flour, by mass. */
  doughPerFlour: number;
  densityGMl: number;
}

const noMixer = (mixer: string): InputError =>
  InputError.at(
    'mixer',
    message('There is no bowl or mixer “{mixer}” in this kitchen.', { mixer: { name: mixer } }),
  );

/** Resolves the request's formula; problems are named inside `formula`. */
function resolveFormula({ formula, ingredients }: Pick<PlanRequest, 'formula' | 'ingredients'>): {
  dough: ResolvedLine[];
  onBread: ResolvedOnBread[];
} {
  const foods = ingredients ?? CATALOGUE;
  try {
    return { dough: resolveLines(formula, foods), onBread: resolveOnBread(formula, foods) };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(error.problems.map((p) => ({ ...p, path: `formula.${p.path}` })));
  }
}

/**
 * @param request what is asked: formula, kitchen, day and changes
 * @throws InputError naming the field when an ingredient or the mixer is unknown
 */
export function prepare(request: Omit<PlanRequest, 'format' | 'formatVersion'>): Prepared {
  const { conditions, adjustments = [] } = request;
  const formula = adjustedFormula(request.formula, adjustments);
  if (request.mixer !== undefined && !request.kitchen.mixers?.some(({ id }) => id === request.mixer)) {
    throw noMixer(request.mixer);
  }
  const { kitchen, mixer } = kitchenWith(adjustedKitchen(request.kitchen, adjustments), request.mixer);
  const { dough, onBread } = resolveFormula(request);
  const written = withSalt(dough, adjustments);
  const liquid = mainLiquid(written);
  const moreWater = addedWater(adjustments);
  const hydration = conditions ? hydrationToday(written, conditions, moreWater) : null;
  const lines = hydration ? withHydration(written, liquid, hydration) : withWater(written, liquid, moreWater);
  const parts = lines.map(({ fraction, food }) => ({ mass: fraction, food }));
  return {
    formula,
    kitchen,
    mixer,
    lines,
    liquid: lines.find(({ id }) => id === liquid?.id) ?? null,
    onBread,
    hydration,
    doughPerFlour: doughTotals(parts).doughPerFlour,
    densityGMl: doughDensity(parts, formula.product.air),
  };
}
