import type { Formula, ResolvedLine } from '../../formula/formulaSchema';
import { sumG } from '../../quantity/roundToStep';
import type { Plan, SheetLine, Today } from '../planSchema';

/** Shares kept back to be added by feel, where the formula does not say. */
const FLOUR_BACK_SHARE = 0.1;

/** More of the liquid than this is never kept back: a dough needs water to be felt at all. */
const MOST_HELD = 0.5;

/** Share of the liquid that a day leaves open: from the least that is right to what is expected; at most half. */
export const openShare = ({ hydration: { low, today } }: Pick<Today, 'hydration'>): number =>
  today > 0 ? Math.min(MOST_HELD, Math.max(0, 1 - low / today)) : 0;

interface Held {
  holdBack: Plan['holdBack'];
  sheet: SheetLine[];
}

/**
 * What is kept back to be added by feel: of the wettest line, at least what the day leaves open; of the flours, where
 * flour goes back into a wet dough. The rows say what to start with.
 */
export function keepBack(
  { method }: Formula,
  rows: SheetLine[],
  liquid: ResolvedLine | null,
  dayLeavesOpen: number,
): Held {
  const flourBack = method.school === 'flour-back';
  const share = flourBack
    ? method.holdBack || FLOUR_BACK_SHARE
    : method.holdBack && Math.max(method.holdBack, dayLeavesOpen);
  const heldOf = (row: SheetLine): number => {
    const follows = flourBack ? row.kind === 'flour' : row.lineId === liquid?.id;
    return follows ? sumG([Math.round((row.massG * share) / row.stepG) * row.stepG]) : 0;
  };
  const sheet = rows.map((row) => {
    const heldG = heldOf(row);
    return heldG > 0 ? { ...row, startG: sumG([row.massG, -heldG]) } : row;
  });
  const first = sheet.find(({ startG }) => startG !== undefined);
  const holdBack = first ? { lineId: first.lineId, massG: sumG(rows.map(heldOf)) } : null;
  return { holdBack, sheet };
}
