import { type Words, message } from '../message/message';
import { readClock } from '../quantity/clock';
import { sumG } from '../quantity/roundToStep';
import type { Plan } from './planSchema';

/** Flour of a lot that is in the kitchen. */
export interface LotInStock {
  id: string;
  name: string;
  ingredient: string;
  leftG: number;
}

const split = (pieces: number, fit: number, rest: string): Words =>
  fit >= 1 && fit < pieces
    ? message('{fit, number} pieces now, {pieces, number} {rest}', { fit, pieces: pieces - fit, rest })
    : message('all {pieces, number} pieces {rest}', { pieces, rest });

/**
 * What the stock does not cover, a sentence each, with the split that would hold. Ingredients that no lot is kept of are not
 * known, and nothing is said of them.
 * @param lotId the lot that the batch is to be made of, where one was chosen
 */
export function stockShort(plan: Plan, lots: readonly LotInStock[], lotId?: string): Words[] {
  return [...new Set(plan.sheet.map(({ ingredient }) => ingredient))].flatMap((ingredient) => {
    const inStock = lots.filter((lot) => lot.ingredient === ingredient);
    const [row] = plan.sheet.filter((line) => line.ingredient === ingredient);
    if (inStock.length === 0 || !row) return [];
    const needG = sumG(
      plan.sheet.flatMap((line) => (line.ingredient === ingredient ? [line.massG * plan.bowls] : [])),
    );
    const fitting = (leftG: number) => Math.floor((plan.pieces * leftG) / needG);
    const leftG = sumG(inStock.map((lot) => lot.leftG));
    if (needG > leftG) {
      const how = split(plan.pieces, fitting(leftG), 'when more has come in');
      return [
        message('{name}: {need} is needed and {left} is in stock: {how}.', {
          name: row.name,
          need: { g: needG },
          left: { g: leftG },
          how,
        }),
      ];
    }
    const lot = inStock.find(({ id }) => id === lotId);
    if (!lot || needG <= lot.leftG) return [];
    const how = split(plan.pieces, fitting(lot.leftG), 'of the next lot');
    return [
      message('{name} has {left} left and {need} is needed: {how}.', {
        name: lot.name,
        left: { g: lot.leftG },
        need: { g: needG },
        how,
      }),
    ];
  });
}

const S_PER_DAY = 86_400;

/**
 * How far a batch begun now would run past the hour at which the kitchen closes, with the pieces that are ready by then.
 * @param startClock local time, "21:05"
 * @param closesAt local time; before `startClock` it is the next day's
 * @returns null where it ends in time, or the kitchen has not said when it closes
 */
export function pastClosing(
  plan: Pick<Plan, 'pieces' | 'steps' | 'expectedS'>,
  startClock: string,
  closesAt: string | undefined,
): Words | null {
  if (closesAt === undefined) return null;
  const [startS, closeS] = [readClock(startClock), readClock(closesAt)];
  if (startS === null || closeS === null) return null;
  const openS = closeS < startS ? closeS + S_PER_DAY - startS : closeS - startS;
  const overS = plan.expectedS - openS;
  if (overS <= 0) return null;
  const griddleS = plan.steps.find(({ kind }) => kind === 'griddle')?.expectedS ?? 0;
  const fit = griddleS > 0 ? Math.floor(plan.pieces * (1 - overS / griddleS)) : 0;
  const how =
    fit >= 1
      ? message('{fit, number} pieces are ready by then: plan those, and the rest for another day', { fit })
      : 'none are ready by then: keep it for another day, or rest the dough in the fridge overnight';
  return message('Started now, it ends {over} after the kitchen closes at {closesAt}: {how}.', {
    over: { s: overS },
    closesAt,
    how,
  });
}
