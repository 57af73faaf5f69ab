import { griddleFor } from '../bake/plate/kitchenRequest';
import { formulaWarnings } from '../formula/formulaWarnings';
import type { ResolvedLine } from '../formula/formulaSchema';
import type { Rest } from '../formula/methodSchema';
import type { Kitchen } from '../kitchen/kitchenSchema';
import { formatLength, formatMass, formatPercent, formatSpan } from '../quantity/formatQuantity';
import type { Plan, Step } from './planSchema';
import type { PlanSoFar } from './today/today';

/** Rounding a line by more than this share is worth a word to the cook. */
const ROUNDING_WORTH_SAYING = 0.02;

interface Planned {
  plan: PlanSoFar;
  lines: readonly ResolvedLine[];
  steps: readonly Step[];
  kitchen: Kitchen;
  /** As they are today. */
  rests: readonly Pick<Rest, 'of' | 'earliestS' | 'latestS'>[];
}

type Warnings = Plan['warnings'];

function ofWeighing({ plan: { sheet, bowlG }, kitchen }: Planned): Warnings {
  const rounded = sheet
    .filter(({ relativeError }) => Math.abs(relativeError) > ROUNDING_WORTH_SAYING)
    .map(({ name, scale, exactG, stepG, relativeError }) => ({
      path: scale === 'fine' ? 'kitchen.fineStepG' : 'kitchen.benchStepG',
      message: `${name} should be ${formatMass(exactG, 0.01)}, but the scale shows steps of ${formatMass(stepG, stepG)}: it will be ${formatPercent(Math.abs(relativeError))} ${relativeError < 0 ? 'short' : 'over'}.`,
    }));
  if (bowlG >= kitchen.bowlMinimumG) return rounded;
  return [
    ...rounded,
    {
      path: 'kitchen.bowlMinimumG',
      message: `A load of ${formatMass(bowlG)} is under the ${formatMass(kitchen.bowlMinimumG)} that this bowl mixes well; mix by hand or make more.`,
    },
  ];
}

/** A disc that does not lie on the bench it is rolled on. */
function ofBench({ plan: { rolled }, kitchen: { benchMm = Infinity } }: Planned): Warnings {
  if (rolled.diameterMm <= benchMm) return [];
  return [
    {
      path: 'formula.product.ballG',
      message: `A disc rolled to ${formatLength(rolled.diameterMm)} is wider than the bench with its ${formatLength(benchMm)}: smaller balls, or thicker discs.`,
    },
  ];
}

/** A disc that does not lie on its plate. */
function ofPlate({ plan: { formula, relaxed }, kitchen }: Planned): Warnings {
  const griddle = griddleFor(formula, kitchen.griddles ?? []);
  const acrossMm = griddle ? Math.min(griddle.widthMm, griddle.depthMm) : Infinity;
  if (!griddle || relaxed.diameterMm <= acrossMm) return [];
  return [
    {
      path: 'formula.product.ballG',
      message: `A disc of ${formatLength(relaxed.diameterMm)} is wider than the ${griddle.name} with its ${formatLength(acrossMm)}: smaller balls, or thicker discs.`,
    },
  ];
}

/** The last balls wait as long as all others bake: past their latest they are slack and tear. */
function ofWaiting({ plan: { pieces }, steps, rests }: Planned): Warnings {
  const last = rests.filter(({ of }) => of === 'balls').at(-1);
  const griddleS = steps.find(({ kind }) => kind === 'griddle')?.expectedS ?? 0;
  const roomS = last ? last.latestS - last.earliestS : Infinity;
  if (griddleS <= roomS) return [];
  const atOnce = Math.floor((pieces * roomS) / griddleS);
  const split =
    atOnce >= 1
      ? `${Math.ceil(pieces / atOnce)} batches of ${atOnce} pieces or less hold it, begun one after the other`
      : 'bake on more plates, or with more hands';
  return [
    {
      path: 'need',
      message: `At the griddle it takes ${formatSpan(griddleS)}, but the balls rest well for no more than ${formatSpan(roomS)} beyond their earliest: ${split}.`,
    },
  ];
}

/** What of a plan lies outside what the trade, the scale, the bowl, the plate and the dough's rest allow, a sentence each. */
export function planWarnings(planned: Planned): Warnings {
  const { formula } = planned.plan;
  return [
    ...formulaWarnings(planned.lines, formula.method.school).map(({ message }) => ({
      path: 'formula.lines',
      message,
    })),
    ...ofWeighing(planned),
    ...ofBench(planned),
    ...ofPlate(planned),
    ...ofWaiting(planned),
  ];
}
