import type { Griddle } from '../../kitchen/griddleSchema';
import type { Place } from './packing';
import { type Surface, readSurface } from '../solve/responseSurface';

/** A plate's grid of readings as a surface over mm; readings stand in the middles of equal fields. */
function readingSurface({ readings, widthMm, depthMm }: Griddle): Surface | null {
  if (!readings) return null;
  const { columns, rows, tempsC } = readings;
  const middles = (lengthMm: number, count: number) =>
    Array.from({ length: count }, (_, i) => ((i + 0.5) * lengthMm) / count);
  return { xs: middles(widthMm, columns), ys: middles(depthMm, rows), values: Float64Array.from(tempsC) };
}

const meanOf = (values: Float64Array): number => values.reduce((sum, v) => sum + v, 0) / values.length;

/**
 * How much hotter or colder than the plate's mean each place is, °C; 0 where nothing was read.
 * @param griddle a griddle with readings by place
 * @param places places of the pieces, mm
 * @returns °C by place
 */
export function placeOffsetsC(griddle: Griddle, places: readonly Place[]): number[] {
  const read = readingSurface(griddle);
  if (!read) return places.map(() => 0);
  const mean = meanOf(read.values);
  const [left, right] = [read.xs[0]!, read.xs.at(-1)!];
  const [back, front] = [read.ys[0]!, read.ys.at(-1)!];
  const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
  return places.map(
    ({ xMm, yMm }) => readSurface(read, within(xMm, left, right), within(yMm, back, front)) - mean,
  );
}

export interface HotSpots {
  meanC: number;
  hottestC: number;
  coldestC: number;
  /** Standard deviation over the plate. */
  sdC: number;
}

/**
 * @param griddle a griddle with readings by place
 * @returns hottest and coldest reading, °C, or null without readings
 */
export function hotSpots(griddle: Griddle): HotSpots | null {
  const read = readingSurface(griddle);
  if (!read) return null;
  const mean = meanOf(read.values);
  return {
    meanC: mean,
    hottestC: Math.max(...read.values),
    coldestC: Math.min(...read.values),
    sdC: Math.sqrt(meanOf(read.values.map((v) => (v - mean) ** 2))),
  };
}
