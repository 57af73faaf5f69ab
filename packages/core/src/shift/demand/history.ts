import { SHIFT_DEFAULTS, type Wave } from '../shiftSchema';

/** Knowledge of a weekday fades by half in so many weeks; what is told counts as so many days. */
const HALF_LIFE_WEEKS = 4;
const PRIOR_DAYS = 2;
/** Fewer takings than this say nothing of a wave's shape. */
const ENOUGH_TAKINGS = 20;

/** One past day of the same weekday: when pieces of a bread were taken, s from midnight. */
export interface PastDay {
  weeksAgo: number;
  takenAt: readonly number[];
}

/** What history makes of a wave that was told. */
export interface LearnedWave extends Wave {
  /** Days behind it, as they count. */
  weight: number;
}

/** Share of a sorted list. */
const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!;

/**
 * Waves with what the same weekday had: size and peak apart, newer days counting more, what was told as two days.
 * @param told the waves as they were told
 * @param past days of the same weekday
 */
export function learnWaves(told: readonly Wave[], past: readonly PastDay[]): LearnedWave[] {
  const weights = past.map(({ weeksAgo }) => 0.5 ** (weeksAgo / HALF_LIFE_WEEKS));
  const total = weights.reduce((sum, one) => sum + one, 0);
  return told.map((wave, index) => {
    // A taking belongs to the wave whose stretch it lies in; between two, to the one before.
    const until = told[index + 1]?.opens ?? Infinity;
    const from = index === 0 ? -Infinity : wave.opens;
    const mine = past.map(({ takenAt }) => takenAt.filter((time) => time >= from && time < until));
    const seen = mine.reduce((sum, takings, day) => sum + weights[day]! * takings.length, 0);
    const pieces = (PRIOR_DAYS * wave.pieces + seen) / (PRIOR_DAYS + total);
    const times = mine.flat().sort((a, b) => a - b);
    if (times.length < ENOUGH_TAKINGS) return { ...wave, pieces, weight: total };
    // Of a triangle the mean is the mean of its three corners: the peak follows from it.
    const mean = times.reduce((sum, time) => sum + time, 0) / times.length;
    const seenPeak = Math.min(wave.closes, Math.max(wave.opens, 3 * mean - wave.opens - wave.closes));
    const peak = (PRIOR_DAYS * wave.peak + total * seenPeak) / (PRIOR_DAYS + total);
    const opens = Math.min(wave.opens, at(times, 0.02));
    const closes = Math.max(wave.closes, at(times, 0.98));
    return { opens, closes, pieces, peak: Math.min(closes, Math.max(opens, peak)), weight: total };
  });
}

/** What of a bread is wanted on a day, learned, with its 90 % interval. */
export interface LearnedTotal {
  pieces: number;
  low: number;
  high: number;
}

/** Nine in ten of a normal lie within so many standard deviations. */
const NINE_IN_TEN = 1.6449;

/**
 * Pieces of a day from learned waves: the mean of a weekday and how sure it is. One day spreads as the planner's days do: a
 * gamma factor for the whole day, and chance in each guest.
 * @param waves what `learnWaves` gave
 * @param dayK how alike days are
 */
export function learnedTotal(
  waves: readonly LearnedWave[],
  dayK: number = SHIFT_DEFAULTS.dayK,
): LearnedTotal {
  const pieces = waves.reduce((sum, wave) => sum + wave.pieces, 0);
  const days = PRIOR_DAYS + (waves[0]?.weight ?? 0);
  const reach = NINE_IN_TEN * Math.sqrt((pieces + pieces ** 2 / dayK) / days);
  return { pieces, low: Math.max(0, pieces - reach), high: pieces + reach };
}
