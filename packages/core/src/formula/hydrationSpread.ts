import type { Ingredient } from '../ingredient/ingredientSchema';
import { type Interval, exactly, times } from '../quantity/interval';
import type { Measure } from './formulaSchema';
import { doughTotals } from './percentages';

/** A line whose mass may be known only within limits. */
export interface UncertainLine {
  id: string;
  food: Ingredient;
  mass: Interval;
}

export interface HydrationSpread {
  /** Effective hydration as a fraction: typical, and low to high with the lines' spreads added in quadrature. */
  hydration: Interval;
  /** The least and most it could be, were every line off the worst way at once. */
  worst: { low: number; high: number };
  /** What each uncertain line does alone, the largest first. `share` is its part of the squared spread. */
  causes: { id: string; food: Ingredient; low: number; high: number; share: number }[];
}

/**
 * How far the hydration can be off because lines were measured by volume or by the piece.
 * Each line is moved to its limits alone; independent deviations add in quadrature, up and down apart.
 * With one uncertain line the result is exactly that line's own limits.
 * @param lines lines with their ingredient and interval, g
 * @returns 0.6 for 60 %, with its least and most
 */
export function hydrationSpread(lines: readonly UncertainLine[]): HydrationSpread {
  const hydrationWith = (massOf: (line: UncertainLine) => number) =>
    doughTotals(lines.map((line) => ({ mass: massOf(line), food: line.food }))).hydration;
  const typical = hydrationWith((line) => line.mass.typical);
  const alone = lines
    .filter(({ mass }) => mass.high > mass.low)
    .map((line) => {
      const at = (end: 'low' | 'high') =>
        hydrationWith((other) => (other === line ? line.mass[end] : other.mass.typical));
      const ends = [at('low'), at('high')];
      return { line, low: Math.min(...ends, typical), high: Math.max(...ends, typical) };
    });
  const root = (squares: number[]) => Math.sqrt(squares.reduce((sum, value) => sum + value ** 2, 0));
  const width = (low: number, high: number) => (high - low) ** 2;
  const total = alone.reduce((sum, { low, high }) => sum + width(low, high), 0);
  const wets = (line: UncertainLine) => line.food.kind !== 'flour';
  return {
    hydration: {
      low: typical - root(alone.map(({ low }) => typical - low)),
      typical,
      high: typical + root(alone.map(({ high }) => high - typical)),
    },
    worst: {
      low: hydrationWith((line) => (wets(line) ? line.mass.low : line.mass.high)),
      high: hydrationWith((line) => (wets(line) ? line.mass.high : line.mass.low)),
    },
    causes: alone
      .map(({ line, low, high }) => ({
        id: line.id,
        food: line.food,
        low,
        high,
        share: total > 0 ? width(low, high) / total : 0,
      }))
      .filter(({ share }) => share > 0)
      .sort((a, b) => b.share - a.share),
  };
}

/**
 * What a line that was measured by volume or piece may weigh, with what the kitchen knows now: its own weighed
 * cup moves and narrows the interval. Lines that were weighed are exact.
 * @param mass of the line in the formula, in any unit; the interval comes in the same
 */
export function massOfMeasure(food: Ingredient, mass: number, measure: Measure | undefined): Interval {
  if (!measure) return exactly(mass);
  const loose = measure.loose ? { ...measure.loose, typical: 1 } : exactly(1);
  const density = food.densities?.find(({ fill }) => fill === measure.fill);
  if (measure.gMl !== undefined && density) {
    return times(times(exactly(mass / measure.gMl), density), loose);
  }
  const piece = food.pieces?.find(({ name }) => name === measure.piece);
  if (measure.gEach !== undefined && piece) {
    const each = { low: piece.lowG, typical: piece.typicalG, high: piece.highG };
    return times(times(exactly(mass / measure.gEach), each), loose);
  }
  return times(exactly(mass), loose);
}
