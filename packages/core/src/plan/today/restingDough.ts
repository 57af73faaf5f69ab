import { warmUpS, warmingBall } from '../../dough/ballWarmUp';
import { type RelaxingKind, SPRING_BACK } from '../../dough/springBack';
import type { Formula } from '../../formula/formulaSchema';
import type { Rest } from '../../formula/methodSchema';
import { FRIDGE_C } from '../../ingredient/perishable';

/** The centre that a ball from the fridge must reach before it rolls well (assumption). */
const WORKABLE_C = 18;
/** Nearer to the air than this a ball hardly comes: the last degree takes as long as all before it. */
const NEAR_AIR_C = 1;

/** What the centre of a cold ball is waited for in a room: warm enough to roll, or as warm as the room lets it be. */
export const workableC = (airC: number): number => Math.min(WORKABLE_C, airC - NEAR_AIR_C);
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
  lightlyKneaded:
    [knead, ...(knead.again ?? [])].reduce((sum, { minS, maxS }) => sum + (minS + maxS) / 2, 0) <
    LIGHT_KNEADING_S,
});

/** A dough at rest somewhere. */
export interface RestingDough {
  /** Temperature that its relaxation goes by, at a minute of the rest. */
  tempAtMin: (minute: number) => number;
  /** Until its centre is warm enough to roll; 0 where it is, or where the place does not warm it. */
  coldS: number;
}

/** What rests: one ball, or the dough of one bowl in one piece, g. */
export interface RestingMass {
  ballG: number;
  doughG: number;
}

/**
 * How a dough that comes at `startC` does in its rest: a whole dough keeps its temperature in the room and cools slowly in the
 * fridge, balls follow the place. It takes its last temperature into the next rest.
 */
export function restingDough(
  { of, where }: Pick<Rest, 'of' | 'where'>,
  startC: number,
  { ballG, doughG }: RestingMass,
  airC: number,
): RestingDough {
  if (of === 'dough' && where === 'room') return { tempAtMin: () => startC, coldS: 0 };
  const piece = warmingBall(of === 'dough' ? doughG : ballG, startC, where === 'fridge' ? FRIDGE_C : airC);
  return {
    tempAtMin: (minute) => piece.meanC(minute * S_PER_MIN),
    coldS: where === 'room' ? warmUpS(ballG, startC, airC, workableC(airC)) : 0,
  };
}
