import { type Words, message } from '../message/message';
import { type PieceTarget, cutInto } from '../portion/piecesFor';
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
export function skippedWords(plan: Plan, dough: RunningDough): Words | null {
  const line = plan.sheet.find(({ lineId }) => lineId === plan.holdBack?.lineId);
  if (!line || line.kind === 'flour' || dough.heldLeftG < NOT_FELT * dough.flourG) return null;
  const standard = ballStandard(plan);
  const shortG = dough.heldLeftG * plan.bowls;
  const { ballG, inTolerance } = cutInto(
    sumG([plan.doughG, -shortG]) * keptShare(plan.kitchen),
    plan.pieces,
    standard,
  );
  const balls = message('{pieces, number} balls come to {ball} instead of {ball2}', {
    pieces: plan.pieces,
    ball: { g: ballG, stepG: 0.1 },
    ball2: { g: plan.ballG, stepG: 0.1 },
  });
  return message(
    '{heldLeft} of {name} stays out: hydration is {hydration} instead of {hydration2}, and {balls}{inTolerance}.',
    {
      heldLeft: { g: dough.heldLeftG, stepG: line.stepG },
      name: { lower: line.name },
      hydration: { share: dough.totals.hydration, decimals: 1 },
      hydration2: { share: plan.totals.hydration, decimals: 1 },
      balls,
      inTolerance: inTolerance ? ', within their tolerance' : ', lighter than their tolerance',
    },
  );
}
