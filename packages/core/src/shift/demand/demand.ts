import { sum } from 'simple-statistics';
import type { LineBread, Shift, Wave } from '../shiftSchema';
import { SHIFT_DEFAULTS } from '../shiftSchema';

/** Share of a triangle that lies before a time. */
function shareBefore(time: number, { opens, peak, closes }: Wave): number {
  if (time <= opens) return 0;
  if (time >= closes) return 1;
  return time < peak
    ? (time - opens) ** 2 / ((closes - opens) * (peak - opens))
    : 1 - (closes - time) ** 2 / ((closes - opens) * (closes - peak));
}

/** Before its end a late wave still has a little time to fall. */
const LAST_FALL_S = 120;

/**
 * A wave that comes later than it was told: it closes with the service at the latest.
 * @param wave the wave
 * @param lateS s; below zero for early
 * @param serviceTo end of the service
 */
export function lateWave(wave: Wave, lateS: number, serviceTo: number): Wave {
  const closes = Math.min(wave.closes + lateS, serviceTo);
  const opens = wave.opens + lateS;
  return { ...wave, opens, closes, peak: Math.max(opens, Math.min(wave.peak + lateS, closes - LAST_FALL_S)) };
}

/**
 * Pieces wanted in each slot of the service by its waves: exact integrals of the triangles.
 * @param shift hours and slot
 * @param waves the waves of a bread
 */
export function slotMeans(shift: Shift, waves: readonly Wave[]): number[] {
  const slotS = shift.slotS ?? SHIFT_DEFAULTS.slotS;
  const slots = Math.ceil((shift.serviceTo - shift.serviceFrom) / slotS);
  return Array.from({ length: slots }, (_, slot) => {
    const from = shift.serviceFrom + slot * slotS;
    return sum(
      waves.map((wave) => wave.pieces * (shareBefore(from + slotS, wave) - shareBefore(from, wave))),
    );
  });
}

/**
 * Pieces of a bread that are expected in all, orders included.
 * @param bread its waves and orders
 */
export const expectedPieces = ({ waves = [], orders = [] }: Pick<LineBread, 'waves' | 'orders'>): number =>
  sum([0, ...waves.map(({ pieces }) => pieces), ...orders.map(({ pieces }) => pieces)]);

/**
 * The smallest number whose chance of being enough is at least a ratio: counts whose mean is gamma-spread are negative
 * binomial. The newsvendor's answer with the ratio cu / (cu + co).
 * @param mean expected pieces
 * @param k shape of the gamma; without end Poisson
 * @param ratio chance of being enough, below 1
 * @throws RangeError for a ratio that no number reaches
 */
export function newsvendorPieces(mean: number, k: number, ratio: number): number {
  if (!(ratio >= 0 && ratio < 1)) throw new RangeError(`No number is enough with a chance of ${ratio}.`);
  // P(0), then P(n) from P(n − 1): no factorial, so nothing overflows.
  let chance = Number.isFinite(k) ? (k / (k + mean)) ** k : Math.exp(-mean);
  let enough = chance;
  let pieces = 0;
  while (enough < ratio && (chance > Number.MIN_VALUE || pieces < mean)) {
    chance *= Number.isFinite(k) ? ((k + pieces) / (pieces + 1)) * (mean / (k + mean)) : mean / (pieces + 1);
    pieces += 1;
    enough += chance;
  }
  return pieces;
}

/** Which shares of days the demand is shown for. */
const BAND_SHARES = [0.1, 0.5, 0.9] as const;

/** Pieces wanted up to the end of each slot on few, half and most days. */
export interface DemandBand {
  /** End of each slot, s from midnight. */
  at: number[];
  low: number[];
  middle: number[];
  high: number[];
}

/**
 * How many pieces of a bread are wanted up to each moment, on 10, 50 and 90 % of days.
 * @param shift hours and slot
 * @param wanted guests of the bread by day
 */
export function demandBand(shift: Shift, wanted: readonly ArrayLike<number>[]): DemandBand {
  const slotS = shift.slotS ?? SHIFT_DEFAULTS.slotS;
  const slots = Math.ceil((shift.serviceTo - shift.serviceFrom) / slotS);
  const at = Array.from({ length: slots }, (_, slot) => shift.serviceFrom + (slot + 1) * slotS);
  const cursors = wanted.map(() => 0);
  const band: DemandBand = { at, low: [], middle: [], high: [] };
  for (const moment of at) {
    const counts = wanted.map((guests, day) => {
      let cursor = cursors[day]!;
      while (cursor < guests.length && guests[cursor]! <= moment) cursor += 1;
      cursors[day] = cursor;
      return cursor;
    });
    counts.sort((a, b) => a - b);
    const [low, middle, high] = BAND_SHARES.map((share) => quantileOf(counts, share));
    band.low.push(low!);
    band.middle.push(middle!);
    band.high.push(high!);
  }
  return band;
}

/**
 * The smallest of sorted figures that at least a share of them does not exceed.
 * @param sorted from small to large
 * @param share 0 to 1
 */
export const quantileOf = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.max(0, Math.ceil(share * sorted.length) - 1))] ?? 0;
