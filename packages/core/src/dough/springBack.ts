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
  /** How much longer than by the law it takes, as measured discs have shown; 1 when not said. */
  factor?: number;
}

/**
 * Time constant of relaxation, minutes.
 * @param relaxing temperature, fat and kneading
 * @returns min
 */
export const relaxationMin = ({ tempC, fat, lightlyKneaded, factor = 1 }: Relaxing): number =>
  TAU_MIN *
  factor *
  2 ** ((TAU_REFERENCE_C - tempC) / DOUBLES_PER_C) *
  (lightlyKneaded ? LIGHT_KNEADING : 1) *
  PER_TEN_POINTS_OF_FAT ** (fat / 0.1);

/**
 * Spring-back after a rest.
 * @param restMin min
 * @param tauMin time constant, min
 * @returns share, 0 to 1
 */
export const springBackAfter = (restMin: number, tauMin: number): number =>
  SPRING_BACK.rested + (SPRING_BACK.fresh - SPRING_BACK.rested) * Math.exp(-restMin / tauMin);

/**
 * Rest that brings the spring-back down to a share, minutes; 0 where even a fresh dough is calm enough.
 * Infinity for what no rest reaches.
 * @param springBack wanted share, 0 to 1
 * @param tauMin time constant, min
 * @returns min
 */
export function restFor(springBack: number, tauMin: number): number {
  if (springBack <= SPRING_BACK.rested) return Infinity;
  const left = (springBack - SPRING_BACK.rested) / (SPRING_BACK.fresh - SPRING_BACK.rested);
  return left >= 1 ? 0 : -tauMin * Math.log(left);
}

/** Time constants that a dough has relaxed by, as its spring-back says: 0 for a fresh one, Infinity where nothing is left to relax. */
export function relaxedBy(springBack: number): number {
  const left = (springBack - SPRING_BACK.rested) / (SPRING_BACK.fresh - SPRING_BACK.rested);
  return left <= 0 ? Infinity : Math.max(0, -Math.log(left));
}

/** Time constant that a measured disc speaks for: rolled and relaxed diameter after a rest of so many minutes. */
export function relaxationFromDisc(rolledMm: number, relaxedMm: number, restMin: number): number {
  const tauMin = restMin / relaxedBy(1 - relaxedMm / rolledMm);
  return Math.min(TAU_RANGE_MIN.most, Math.max(TAU_RANGE_MIN.least, tauMin));
}

/** What a finger sees in a rested ball, and the spring-back it stands for (assumptions). */
export const POKES = { 'springs right back': 0.14, 'fills slowly': 0.09, 'dent stays': 0.05 } as const;
export type Poke = keyof typeof POKES;

/** Step and end of the sums over time below, minutes. */
const SUM_MIN = { step: 0.5, longest: 24 * 60 } as const;

/** What makes a dough relax sooner or later, besides its temperature. */
export type RelaxingKind = Omit<Relaxing, 'tempC'>;

/**
 * Time constants that a dough goes through in some minutes: its age grows by dt/τ(T).
 * @param tempAtMin temperature at a minute of the rest
 */
export function ageAfter(minutes: number, kind: RelaxingKind, tempAtMin: (minute: number) => number): number {
  let age = 0;
  for (let from = 0; from < minutes; from += SUM_MIN.step) {
    const step = Math.min(SUM_MIN.step, minutes - from);
    age += step / relaxationMin({ ...kind, tempC: tempAtMin(from + step / 2) });
  }
  return age;
}

/**
 * Minutes until a dough has relaxed by so many time constants, the inverse of `ageAfter`; 0 for none or fewer, Infinity where
 * a day is not enough. `restFor(s, 1)` is the age for a spring-back.
 */
export function minutesToAge(
  ages: number,
  kind: RelaxingKind,
  tempAtMin: (minute: number) => number,
): number {
  let left = ages;
  for (let from = 0; from <= SUM_MIN.longest; from += SUM_MIN.step) {
    if (left <= 0) return from;
    const gain = SUM_MIN.step / relaxationMin({ ...kind, tempC: tempAtMin(from + SUM_MIN.step / 2) });
    if (gain >= left) return from + SUM_MIN.step * (left / gain);
    left -= gain;
  }
  return Infinity;
}
