/**
 * Spring-back of a rolled disc and the rest that calms it: s(t) = s∞ + (s0 − s∞) e^(−t/τ).
 * Spring-backs are shares of the rolled diameter; times in minutes; temperatures in °C.
 */

/** Just after kneading, and after any length of rest (assumptions, refitted from measured discs). */
export const SPRING_BACK = { fresh: 0.22, rested: 0.04 } as const;
/** Time constant at 25 °C after full kneading (assumption). */
const TAU_MIN = 12;
const TAU_REFERENCE_C = 25;
/** The time constant doubles per so many degrees colder (assumption). */
const DOUBLES_PER_C = 12;
const LIGHT_KNEADING = 0.7;
const PER_TEN_POINTS_OF_FAT = 0.85;
/** Balling works the dough again: the rest before it counts half (assumption). */
export const AGE_KEPT_AFTER_BALLING = 0.5;
/** A time constant outside of this is a slip of the ruler, not a dough. */
const TAU_RANGE_MIN = { least: 2, most: 240 } as const;

export interface Relaxing {
  tempC: number;
  /** Effective fat, share of flour. */
  fat: number;
  lightlyKneaded: boolean;
}

/** Time constant of relaxation, minutes. */
export const relaxationMin = ({ tempC, fat, lightlyKneaded }: Relaxing): number =>
  TAU_MIN *
  2 ** ((TAU_REFERENCE_C - tempC) / DOUBLES_PER_C) *
  (lightlyKneaded ? LIGHT_KNEADING : 1) *
  PER_TEN_POINTS_OF_FAT ** (fat / 0.1);

/** Spring-back after a rest. */
export const springBackAfter = (restMin: number, tauMin: number): number =>
  SPRING_BACK.rested + (SPRING_BACK.fresh - SPRING_BACK.rested) * Math.exp(-restMin / tauMin);

/**
 * Rest that brings the spring-back down to a share, minutes; 0 where even a fresh dough is calm enough.
 * Infinity for what no rest reaches.
 */
export function restFor(springBack: number, tauMin: number): number {
  if (springBack <= SPRING_BACK.rested) return Infinity;
  const left = (springBack - SPRING_BACK.rested) / (SPRING_BACK.fresh - SPRING_BACK.rested);
  return left >= 1 ? 0 : -tauMin * Math.log(left);
}

/** Time constant that a measured disc speaks for: rolled and relaxed diameter after a rest of so many minutes. */
export function relaxationFromDisc(rolledMm: number, relaxedMm: number, restMin: number): number {
  const left = (1 - relaxedMm / rolledMm - SPRING_BACK.rested) / (SPRING_BACK.fresh - SPRING_BACK.rested);
  if (left <= 0) return TAU_RANGE_MIN.least;
  if (left >= 1) return TAU_RANGE_MIN.most;
  return Math.min(TAU_RANGE_MIN.most, Math.max(TAU_RANGE_MIN.least, -restMin / Math.log(left)));
}

/** What a finger sees in a rested ball, and the spring-back it stands for (assumptions). */
export const POKES = { 'springs right back': 0.14, 'fills slowly': 0.09, 'dent stays': 0.05 } as const;
export type Poke = keyof typeof POKES;

/** More rest, in minutes, for a dough whose spring-back is known: τ ln((s − s∞)/(s_wanted − s∞)). */
export function moreRest(springBack: number, wanted: number, tauMin: number): number {
  if (springBack <= wanted) return 0;
  if (wanted <= SPRING_BACK.rested) return Infinity;
  return tauMin * Math.log((springBack - SPRING_BACK.rested) / (wanted - SPRING_BACK.rested));
}

/** Step and end of the search below, minutes. */
const SEARCH_MIN = { step: 0.5, longest: 24 * 60 } as const;

/**
 * Minutes until a dough whose temperature changes has relaxed by so many time constants: its age grows by dt/τ(T).
 * Infinity where a day is not enough. `restFor(s, 1)` is the age for a spring-back.
 * @param tempAtMin temperature at a minute of the rest
 */
export function minutesToAge(
  ages: number,
  kind: Omit<Relaxing, 'tempC'>,
  tempAtMin: (minute: number) => number,
): number {
  const { step, longest } = SEARCH_MIN;
  let age = 0;
  for (let minute = 0; minute <= longest; minute += step) {
    if (age >= ages) return minute;
    age += step / relaxationMin({ ...kind, tempC: tempAtMin(minute + step / 2) });
  }
  return Infinity;
}
