import { warmUpS, warmingBall } from '../dough/ballWarmUp';
import {
  AGE_KEPT_AFTER_BALLING,
  SPRING_BACK,
  minutesToAge,
  relaxationMin,
  restFor,
} from '../dough/springBack';
import type { Formula, ResolvedLine } from '../formula/formulaSchema';
import type { DoughTotals } from '../formula/percentages';
import { formatPercent, formatSpan, formatTemp } from '../quantity/formatQuantity';
import { isPerishable } from './perishable';
import { DEFAULT_COLD_LIMIT_H, type Kitchen } from './kitchenSchema';
import type { Today } from './planSchema';

export interface RestSetting {
  formula: Formula;
  lines: readonly ResolvedLine[];
  kitchen: Kitchen;
  totals: DoughTotals;
  ballG: number;
  doughC: number;
  airC: number;
  /** Seconds of work before the first rest. */
  beforeS: number;
}

/** A fridge, and the centre that a ball from it must reach before it rolls well (assumptions). */
const FRIDGE_C = 4;
export const WORKABLE_C = 18;
/** Kneading shorter than this leaves less tension in the dough. */
const LIGHT_KNEADING_S = 180;
const S_PER_MIN = 60;
const S_PER_H = 3600;

/** A disc never stops springing back altogether; less than this is not waited for. */
const CALMEST = SPRING_BACK.rested + 0.01;

/** Spring-back that a rest is to bring the dough down to. */
export const wantedSpringBack = ({ product }: Formula): number => Math.max(CALMEST, product.springBack);

export const isLightlyKneaded = ({ method: { knead } }: Formula): boolean =>
  (knead.minS + knead.maxS) / 2 < LIGHT_KNEADING_S;

type RestWindow = Today['rests'][number];

interface Progress {
  /** Relaxation so far in time constants. */
  age: number;
  tempC: number;
  /** Seconds since the first ingredient was out. */
  elapsedS: number;
  balled: boolean;
}

/**
 * The window of each rest: not before the dough is calm enough to roll (and warm enough, from the fridge),
 * not after the formula's latest or the kitchen's limit for perishable dough. Both rests count, the first by half.
 */
export function restsToday(setting: RestSetting): RestWindow[] {
  const { formula, lines, kitchen, totals, ballG, doughC, airC, beforeS } = setting;
  const { rests } = formula.method;
  const wanted = wantedSpringBack(formula);
  const kind = { fat: totals.fat, lightlyKneaded: isLightlyKneaded(formula) };
  const limitS = (kitchen.coldLimitH ?? DEFAULT_COLD_LIMIT_H) * S_PER_H;
  const perishable = isPerishable(lines.map(({ food }) => food));
  const progress: Progress = { age: 0, tempC: doughC, elapsedS: beforeS, balled: false };

  return rests.map((rest, index): RestWindow => {
    const last = index === rests.length - 1;
    const placeC = rest.where === 'fridge' ? FRIDGE_C : airC;
    if (rest.of === 'balls' && !progress.balled) {
      progress.age *= AGE_KEPT_AFTER_BALLING;
      progress.balled = true;
    }
    // A whole dough keeps its temperature; balls follow the air.
    const ball = warmingBall(ballG, progress.tempC, placeC);
    const tempAt = (minute: number) =>
      rest.of === 'balls' ? ball.meanC(minute * S_PER_MIN) : progress.tempC;
    let earliestS = rest.earliestS;
    let whyEarliest = 'the formula asks for it';
    if (last) {
      const toGo = restFor(wanted, 1) - progress.age;
      const calmS = toGo > 0 ? minutesToAge(toGo, kind, tempAt) * S_PER_MIN : 0;
      if (calmS > earliestS) {
        earliestS = calmS;
        whyEarliest = `a disc rolled before springs back more than ${formatPercent(wanted)}`;
      }
      const warmS =
        progress.tempC < WORKABLE_C && rest.where === 'room'
          ? warmUpS(ballG, progress.tempC, airC, WORKABLE_C)
          : 0;
      if (Number.isFinite(warmS) && warmS > earliestS) {
        earliestS = warmS;
        whyEarliest = `its centre is below ${formatTemp(WORKABLE_C)} before`;
      }
    }
    let latestS = Math.max(rest.latestS, earliestS);
    let whyLatest = 'past it the skin dries and the dough slackens';
    const leftS = limitS - progress.elapsedS;
    if (perishable && rest.where === 'room' && leftS < latestS) {
      latestS = Math.max(0, leftS);
      whyLatest = `with milk or egg in it, it may be out of the cold for ${formatSpan(limitS)} in all`;
    }
    earliestS = Math.min(earliestS, latestS);
    for (let minute = 0; minute < earliestS / S_PER_MIN; minute += 1) {
      progress.age += 1 / relaxationMin({ ...kind, tempC: tempAt(minute) });
    }
    progress.tempC = rest.where === 'fridge' ? FRIDGE_C : tempAt(earliestS / S_PER_MIN);
    progress.elapsedS += rest.where === 'room' ? earliestS : 0;
    return { earliestS: Math.round(earliestS), latestS: Math.round(latestS), whyEarliest, whyLatest };
  });
}
