import type { Column } from './column';

/** Half of the steam of a cell goes to each side. */
export const TOWARDS_EACH_SIDE = 0.5;

/**
 * Where the steam of boiling cells condenses again, kg/m³s per cell: half of it runs to each face and is caught by
 * dough below boiling on its way. What reaches a face leaves.
 */
export function condense({ cells, boiling, passing, widthM, perWidth, condensing }: Column): void {
  let stream = 0;
  for (let i = 0; i < cells; i += 1) {
    const passes = passing[i]!;
    condensing[i] = stream * (1 - passes);
    stream = stream * passes + TOWARDS_EACH_SIDE * boiling[i]! * widthM[i]!;
  }
  stream = 0;
  for (let i = cells - 1; i >= 0; i -= 1) {
    const passes = passing[i]!;
    condensing[i] = (condensing[i]! + stream * (1 - passes)) * perWidth[i]!;
    stream = stream * passes + TOWARDS_EACH_SIDE * boiling[i]! * widthM[i]!;
  }
}

/** Steam made in the whole column, kg/m²s. */
export function steamMade({ cells, boiling, widthM }: Column): number {
  let sum = 0;
  for (let i = 0; i < cells; i += 1) sum += boiling[i]! * widthM[i]!;
  return sum;
}

/** Steam that leaves it: made and not condensed, kg/m²s. */
export function steamLost({ cells, boiling, condensing, widthM }: Column): number {
  let sum = 0;
  for (let i = 0; i < cells; i += 1) sum += (boiling[i]! - condensing[i]!) * widthM[i]!;
  return sum;
}
