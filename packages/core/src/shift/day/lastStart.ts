import { latestStart } from '../line/alone';
import { type Line, loadOf } from '../line/compile';
import type { StockCurve } from './picture';

/** Of the smallest batch at least this share must still be wanted when its first piece is ready. */
const WANTED_SHARE = 0.5;

/**
 * The last start that is still worth it: of the smallest batch begun then half is still expected to be wanted once it is ready.
 * @param line the line
 * @param curve the bread and what is wanted of it
 * @returns s from midnight; null where even the first start would be too late
 */
export function lastStart(line: Line, { bread, band }: StockCurve): number | null {
  const { shift, breads, plateOf } = line;
  const { least } = loadOf(line, bread);
  const total = band.middle.at(-1) ?? 0;
  const slot = band.middle.findLastIndex((wanted) => total - wanted >= WANTED_SHARE * least);
  const readyAt = band.at[slot];
  if (readyAt === undefined) return null;
  const { start } = latestStart(breads[bread]!, shift.plates[Math.max(0, plateOf[bread]!)]!, {
    ...{ pieces: least, readyBy: readyAt, ready: 'first' },
    helperRolls: shift.people.length > 1,
  });
  return start >= shift.opens ? start : null;
}
