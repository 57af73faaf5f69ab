import { warmUpS, warmingBall } from '../dough/ballWarmUp';
import { type RelaxingKind, SPRING_BACK } from '../dough/springBack';
import type { Formula } from '../formula/formulaSchema';
import type { Rest } from '../formula/methodSchema';
import { FRIDGE_C } from './perishable';

/** The centre that a ball from the fridge must reach before it rolls well (assumption). */
export const WORKABLE_C = 18;
/** Kneading shorter than this leaves less tension in the dough. */
const LIGHT_KNEADING_S = 180;
const S_PER_MIN = 60;

/** A disc never stops springing back altogether; less than this is not waited for. */
const CALMEST = SPRING_BACK.rested + 0.01;

/** Spring-back that a rest is to bring the dough down to. */
export const wantedSpringBack = ({ product }: Formula): number => Math.max(CALMEST, product.springBack);

/** How a formula's dough relaxes; `factor` is what the kitchen's records say against the law. */
export const relaxingKind = ({ method: { knead } }: Formula, fat: number, factor = 1): RelaxingKind => ({
  fat,
  factor,
  lightlyKneaded: (knead.minS + knead.maxS) / 2 < LIGHT_KNEADING_S,
});

/** A dough at rest somewhere. */
export interface RestingDough {
  /** Temperature that its relaxation goes by, at a minute of the rest. */
  tempAtMin: (minute: number) => number;
  /** Until its centre is warm enough to roll; 0 where it is, or where the place does not warm it. */
  coldS: number;
}

/** How a dough that comes at `startC` does in its rest: a whole dough keeps its temperature, balls follow the place. */
export function restingDough(
  { of, where }: Pick<Rest, 'of' | 'where'>,
  startC: number,
  ballG: number,
  airC: number,
): RestingDough {
  if (of === 'dough') return { tempAtMin: () => startC, coldS: 0 };
  const ball = warmingBall(ballG, startC, where === 'fridge' ? FRIDGE_C : airC);
  const coldS = where === 'room' ? warmUpS(ballG, startC, airC, WORKABLE_C) : 0;
  return {
    tempAtMin: (minute) => ball.meanC(minute * S_PER_MIN),
    coldS: Number.isFinite(coldS) ? coldS : 0,
  };
}

/** Temperature that a dough takes from one rest into the next. */
export const endOfRestC = (
  { where }: Pick<Rest, 'where'>,
  { tempAtMin }: RestingDough,
  minutes: number,
): number => (where === 'fridge' ? FRIDGE_C : tempAtMin(minutes));
