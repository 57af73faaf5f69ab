import { type BatchState, taughtPieces } from '../batch/batchState';
import type { Plan } from '../plan/planSchema';
import { bakePhases } from '../formula/bakePhases';
import { sourceUsable } from '../device/freshness';
import type { LoggedPiece } from '../bake/calibrate/loggedPieceSchema';
import { USUAL_DOUGH_C } from '../bake/plate/kitchenRequest';
import { bakedThicknessMm } from '../bake/plate/question';
import { type SideColour, type Colour, colourAsked, seenPieces } from '../bake/live/judging';

/** What a tap says of a side's colour where a product asks for this much. */
function colourOf(seen: Colour | undefined, right: SideColour): SideColour | undefined {
  if (!seen || seen === 'right') return seen && right;
  return seen === 'pale' ? 'pale' : right === 'deep freckles' ? 'burnt' : 'deep freckles';
}

/**
 * The pieces of a batch that a calibration can use: those that went on a plate that was read and that somebody judged,
 * with the seconds that each side lay.
 * @param demo in a kitchen that is made up as a whole, made-up readings count too
 */
export function loggedPieces(plan: Plan, state: BatchState, demo = false): LoggedPiece[] {
  const { product } = plan.formula;
  // Every tap is an act of its own; together they are what was said of a piece.
  const judged = new Map(
    state.baked.map(({ piece }) => [piece, seenPieces(state.judged.filter((one) => one.piece === piece))[0]]),
  );
  const thicknessMm = bakedThicknessMm(plan, state.flattened);
  const sides = plan.formula.bake.sides.length;
  const phases = bakePhases(plan.formula.bake).length;
  return taughtPieces(state).flatMap(({ piece, plateC, plateFrom, sidesS }): LoggedPiece[] => {
    const seen = judged.get(piece);
    // A turn more than the program has baked it on: its sides are no longer those that were judged.
    if (!seen || plateC === null || sidesS.length < sides || sidesS.length > phases) return [];
    if (plateFrom && !sourceUsable(plateFrom, demo)) return [];
    return [
      {
        thicknessMm,
        plateC,
        doughC: USUAL_DOUGH_C,
        seconds: sidesS.slice(0, sides),
        firstSide: colourOf(seen.firstSide, colourAsked(product, 0)),
        secondSide: colourOf(seen.secondSide, colourAsked(product, 1)),
        puffed: seen.puffed,
      },
    ];
  });
}
