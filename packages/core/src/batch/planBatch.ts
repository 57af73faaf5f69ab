import { formulaWarnings } from '../formula/formulaWarnings';
import type { Formula, ResolvedLine } from '../formula/formulaSchema';
import { doughTotals } from '../formula/percentages';
import { resolveLines } from '../formula/resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { discDiameterMm, rolledFromRelaxed } from '../portion/disc';
import { doughDensity } from '../portion/doughDensity';
import { wholePieces } from '../portion/wholePieces';
import { InputError } from '../problem';
import { formatMass, formatPercent } from '../quantity/formatQuantity';
import { sumG } from '../quantity/roundToStep';
import type { Kitchen } from './kitchenSchema';
import type { Need, PlanRequest } from './planRequestSchema';
import { PLAN_FORMAT, type Plan, type SheetLine } from './planSchema';
import { planSteps } from './planSteps';
import { type Ceiling, weighSheet } from './weighSheet';

/** More bowls than this in one batch is a slip in the capacity, not a plan. */
const MOST_BOWLS = 50;
/** Rounding a line by more than this share is worth a word to the cook. */
const ROUNDING_WORTH_SAYING = 0.02;

/** Share of the dough that ends up in balls: (1 − bowl loss)(1 − bench loss). */
export const keptShare = (kitchen: Kitchen): number => (1 - kitchen.bowlLoss) * (1 - kitchen.benchLoss);

/** Dough to mix for a number of balls: N · m / ((1 − ℓ_bowl)(1 − ℓ_bench)), in grams. */
export const doughForPiecesG = (pieces: number, ballG: number, kitchen: Kitchen): number =>
  (pieces * ballG) / keptShare(kitchen);

interface Amounts {
  pieces: number;
  /** Before rounding. */
  doughG: number;
  flourLimitG: number;
}

function amountsFor(need: Need, doughPerFlour: number, kitchen: Kitchen): Amounts {
  if (need.by === 'pieces') {
    return {
      pieces: need.pieces,
      doughG: doughForPiecesG(need.pieces, need.ballG, kitchen),
      flourLimitG: Infinity,
    };
  }
  const doughG = need.flourG * doughPerFlour;
  const pieces = wholePieces(doughG * keptShare(kitchen), need.ballG);
  if (pieces < 1) {
    throw InputError.at(
      'need.flourG',
      `${formatMass(need.flourG)} of flour makes ${formatMass(doughG)} of dough, less than one ball of ${formatMass(need.ballG)}.`,
    );
  }
  return { pieces, doughG, flourLimitG: need.flourG };
}

function bowlsFor(doughG: number, ballG: number, kitchen: Kitchen): number {
  if (kitchen.bowlCapacityG < ballG) {
    throw InputError.at(
      'kitchen.bowlCapacityG',
      `The bowl holds ${formatMass(kitchen.bowlCapacityG)}, less than one ball of ${formatMass(ballG)}.`,
    );
  }
  const bowls = Math.ceil(doughG / kitchen.bowlCapacityG - 1e-9);
  if (bowls > MOST_BOWLS) {
    throw InputError.at(
      'kitchen.bowlCapacityG',
      `${formatMass(doughG)} of dough would need ${bowls} bowls; plan less at once or name a larger bowl (at most ${MOST_BOWLS} bowls).`,
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

/** The wettest line holds back by feel: water if there is any, else the milk or yogurt. */
function holdBackOf(
  formula: Formula,
  lines: readonly ResolvedLine[],
  sheet: readonly SheetLine[],
): Plan['holdBack'] {
  if (formula.method.holdBack === 0) return null;
  const waterIn = (line: ResolvedLine) => (line.food.kind === 'flour' ? 0 : line.fraction * line.food.water);
  const wettest = lines.reduce((a, b) => (waterIn(b) > waterIn(a) ? b : a));
  const row = sheet.find((line) => line.lineId === wettest.id);
  if (!row || waterIn(wettest) === 0) return null;
  const steps = Math.round((row.massG * formula.method.holdBack) / row.stepG);
  return { lineId: row.lineId, massG: sumG([steps * row.stepG]) };
}

function warningsOf(
  { method: { school } }: Formula,
  lines: readonly ResolvedLine[],
  sheet: readonly SheetLine[],
  bowlG: number,
  kitchen: Kitchen,
) {
  const warnings: Plan['warnings'] = formulaWarnings(lines, school).map(({ message }) => ({
    path: 'formula.lines',
    message,
  }));
  for (const line of sheet) {
    if (Math.abs(line.relativeError) <= ROUNDING_WORTH_SAYING) continue;
    warnings.push({
      path: line.scale === 'fine' ? 'kitchen.fineStepG' : 'kitchen.benchStepG',
      message: `${line.name} should be ${formatMass(line.exactG, 0.01)}, but the scale shows steps of ${formatMass(line.stepG, line.stepG)}: it will be ${formatPercent(Math.abs(line.relativeError))} ${line.relativeError < 0 ? 'short' : 'over'}.`,
    });
  }
  if (bowlG < kitchen.bowlMinimumG) {
    warnings.push({
      path: 'kitchen.bowlMinimumG',
      message: `A load of ${formatMass(bowlG)} is under the ${formatMass(kitchen.bowlMinimumG)} that this bowl mixes well; mix by hand or make more.`,
    });
  }
  return warnings;
}

/**
 * Plans a batch: what to weigh in each bowl, the balls, the disc, the steps.
 * Pure: the same request gives the same plan.
 * @throws InputError naming the field when the formula, the need or the kitchen cannot be met
 */
export function planBatch(request: Omit<PlanRequest, 'format' | 'formatVersion'>): Plan {
  const { formula, need, kitchen } = request;
  const lines = resolveFormula(request);
  const exact = doughTotals(lines.map(({ fraction, food }) => ({ mass: fraction, food })));
  const { pieces, doughG: neededG, flourLimitG } = amountsFor(need, exact.doughPerFlour, kitchen);
  const bowls = bowlsFor(neededG, need.ballG, kitchen);

  const ceilings: Ceiling[] = [
    { covers: (line) => line.food.kind === 'flour', maxG: flourLimitG / bowls },
    { covers: () => true, maxG: kitchen.bowlCapacityG },
  ];
  const sheet = weighSheet(lines, neededG / exact.doughPerFlour / bowls, kitchen, ceilings);
  const sumOf = (rows: readonly SheetLine[]) => sumG(rows.map((row) => row.massG));
  const bowlG = sumOf(sheet);
  const bowlFlourG = sumOf(sheet.filter((row) => row.kind === 'flour'));
  if (bowlFlourG === 0) {
    throw InputError.at(
      'kitchen.benchStepG',
      `The flour of one bowl is less than the scale's step of ${formatMass(kitchen.benchStepG, kitchen.benchStepG)}; use a finer scale or make more.`,
    );
  }
  const doughG = sumG([bowlG * bowls]);
  const foods = new Map(lines.map((line) => [line.id, line.food]));
  const parts = sheet.flatMap((row) => {
    const food = foods.get(row.lineId);
    return food ? [{ mass: row.massG, food }] : [];
  });

  const ballsG = doughG * keptShare(kitchen);
  const doughDensityGMl = doughDensity(parts, formula.product.air);
  const relaxed = {
    diameterMm: discDiameterMm(need.ballG, formula.product.thicknessMm, doughDensityGMl),
    thicknessMm: formula.product.thicknessMm,
  };
  const steps = planSteps(formula, sheet, bowls, pieces);
  return {
    format: PLAN_FORMAT,
    formatVersion: 1,
    formula,
    need,
    kitchen,
    ingredients: [...new Map(lines.map((line) => [line.food.id, composition(line.food)])).values()],
    pieces,
    ballG: need.ballG,
    bowls,
    neededG,
    sheet,
    bowlG,
    doughG,
    flourG: sumG([bowlFlourG * bowls]),
    expectedBallG: ballsG / pieces,
    leftoverG: ballsG - pieces * need.ballG,
    rounding: roundingOf(sheet),
    totals: doughTotals(parts),
    holdBack: holdBackOf(formula, lines, sheet),
    doughDensityGMl,
    rolled: rolledFromRelaxed(relaxed, formula.product.springBack),
    relaxed,
    steps,
    expectedS: steps.reduce((sum, step) => sum + step.expectedS, 0),
    warnings: warningsOf(formula, lines, sheet, bowlG, kitchen),
  };
}

/** What a plan must remember of an ingredient: what it is made of, not how it is written or measured. */
const composition = ({ aliases, densities, pieces, source, note, hidden, ...food }: Ingredient): Ingredient =>
  food;

/** Resolves the request's formula; problems are named inside `formula`. */
function resolveFormula({
  formula,
  ingredients,
}: Pick<PlanRequest, 'formula' | 'ingredients'>): ResolvedLine[] {
  try {
    return resolveLines(formula, ingredients ?? CATALOGUE);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(error.problems.map((p) => ({ ...p, path: `formula.${p.path}` })));
  }
}
