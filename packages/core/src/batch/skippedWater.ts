import { type PieceTarget, cutInto } from '../portion/piecesFor';
import { formatMass, formatPercent, type UnitSystem } from '../quantity/formatQuantity';
import { sumG } from '../quantity/roundToStep';
import { keptShare } from '../kitchen/kitchenDefaults';
import type { Plan } from '../plan/planSchema';
import type { RunningDough } from './runningDough';

/** Less than this share of the flour as water is not felt in the dough. */
const NOT_FELT = 0.005;

/**
 * What every ball of a plan should weigh.
 * @param plan its pieces and ball
 * @returns target and tolerance, g
 */
export const ballStandard = ({ pieces, ballG, formula }: Plan): PieceTarget => ({
  pieces,
  ballG,
  toleranceG: formula.product.ballToleranceG,
});

/**
 * What it means that some of what was kept back stays out: a stiffer dough, and lighter balls or fewer of them. Null where it
 * is too little to be felt.
 * @param dough of one bowl, as it is when mixing ends
 */
export function skippedWords(plan: Plan, dough: RunningDough, units: UnitSystem = 'metric'): string | null {
  const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
  if (!line || line.kind === 'flour' || dough.heldLeftG < NOT_FELT * dough.flourG) return null;
  const standard = ballStandard(plan);
  const shortG = dough.heldLeftG * plan.bowls;
  const { ballG, inTolerance } = cutInto(
    sumG([plan.doughG, -shortG]) * keptShare(plan.kitchen),
    plan.pieces,
    standard,
  );
  const balls = `${plan.pieces} balls come to ${formatMass(ballG, 0.1, units)} instead of ${formatMass(plan.ballG, 0.1, units)}`;
  return `${formatMass(dough.heldLeftG, line.stepG, units)} of ${line.name.toLowerCase()} stays out: hydration is ${formatPercent(dough.totals.hydration, 1)} instead of ${formatPercent(plan.totals.hydration, 1)}, and ${balls}${inTolerance ? ', within their tolerance' : ', lighter than their tolerance'}.`;
}
