import { Matrix, inverse } from 'ml-matrix';
import { tReach } from '../quality/distributions';
import { SEASONS, type Season } from '../log/seasons';
import { LESSON_CONFIDENCE, type Learned } from '../quality/learn';

/** One dough judged right: its lot, its season and what it drank beyond formula and moisture, in points. */
export interface SeasonPoint {
  lot: string;
  season: Season;
  points: number;
}

/** Spread of lots, of seasons and of one batch, points (assumptions). */
const SD = { lot: 2, season: 1, batch: 1 } as const;
/** Doughs that the assumed spread of one batch is worth. */
const NOISE_WORTH = 20;

/**
 * What each season adds for every lot: lots and seasons are estimated together, so that a thirsty lot of one summer is not
 * taken for the summer. Linear Gaussian model: points = lot + season + batch; posterior precision AᵀA/σ² + D⁻¹.
 */
export function learnSeasons(data: readonly SeasonPoint[]): Map<Season, Learned> {
  const lots = [...new Set(data.map(({ lot }) => lot))];
  const seasons = SEASONS.filter((season) => data.some((point) => point.season === season));
  const size = lots.length + seasons.length;
  const learned = new Map<Season, Learned>();
  if (data.length === 0) return learned;
  const precision = Matrix.zeros(size, size);
  const right = Matrix.zeros(size, 1);
  for (let i = 0; i < size; i += 1) precision.set(i, i, 1 / (i < lots.length ? SD.lot : SD.season) ** 2);
  const add = (matrix: Matrix, row: number, column: number, value: number) =>
    matrix.set(row, column, matrix.get(row, column) + value);
  for (const { lot, season, points } of data) {
    const at = [lots.indexOf(lot), lots.length + seasons.indexOf(season)];
    for (const row of at) {
      add(right, row, 0, points / SD.batch ** 2);
      for (const column of at) add(precision, row, column, 1 / SD.batch ** 2);
    }
  }
  const covariance = inverse(precision);
  const mean = covariance.mmul(right);
  const reach = tReach(LESSON_CONFIDENCE, NOISE_WORTH + data.length);
  seasons.forEach((season, index) => {
    const at = lots.length + index;
    const value = mean.get(at, 0);
    const sd = Math.sqrt(covariance.get(at, at));
    const n = data.filter((point) => point.season === season).length;
    learned.set(season, { value, low: value - reach * sd, high: value + reach * sd, n });
  });
  return learned;
}
