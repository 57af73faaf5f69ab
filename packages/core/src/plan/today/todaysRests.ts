import { type Words, message } from '../../message/message';
import {
  AGE_KEPT_AFTER_BALLING,
  ageAfter,
  minutesToAge,
  restFor,
  springBackAfter,
} from '../../dough/springBack';
import type { Formula, ResolvedLine } from '../../formula/formulaSchema';
import { hasGluten, kindOfBread } from '../../formula/kindOfBread';
import type { DoughTotals } from '../../formula/percentages';
import { isPerishable } from '../../ingredient/perishable';
import { type Kitchen } from '../../kitchen/kitchenSchema';
import { DEFAULT_COLD_LIMIT_H } from '../../kitchen/kitchenDefaults';
import { roundToStep } from '../../quantity/roundToStep';
import type { Today } from '../planSchema';
import { relaxingKind, restingDough, wantedSpringBack, workableC } from './restingDough';

export interface RestSetting {
  formula: Formula;
  lines: readonly ResolvedLine[];
  kitchen: Kitchen;
  totals: DoughTotals;
  ballG: number;
  /** Of one bowl. */
  doughG: number;
  doughC: number;
  airC: number;
  /** Seconds of work before the first rest. */
  beforeS: number;
  /** How much longer than by the law this kitchen's dough relaxes. */
  relaxingFactor: number;
}

const S_PER_MIN = 60;
const SHARE_STEP = 0.001;
const S_PER_H = 3600;

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
 * not after the formula's latest or the kitchen's limit for perishable dough. Both rests count, the first by half. Where the
 * dough needs longer than the formula's latest the window stays the formula's, and what is needed is said beside it.
 */
export function restsToday(setting: RestSetting): RestWindow[] {
  const { formula, lines, kitchen, totals, ballG, doughG, doughC, airC, beforeS, relaxingFactor } = setting;
  const { rests } = formula.method;
  const wanted = wantedSpringBack(formula);
  const kind = relaxingKind(formula, totals.fat, relaxingFactor);
  const limitS = (kitchen.coldLimitH ?? DEFAULT_COLD_LIMIT_H) * S_PER_H;
  const perishable = isPerishable(lines.map(({ food }) => food));
  const isCalm = !hasGluten(kindOfBread(formula, lines));
  const progress: Progress = { age: 0, tempC: doughC, elapsedS: beforeS, balled: false };

  return rests.map((rest, index): RestWindow => {
    const last = index === rests.length - 1;
    if (rest.of === 'balls' && !progress.balled) {
      progress.age *= AGE_KEPT_AFTER_BALLING;
      progress.balled = true;
    }
    const resting = restingDough(rest, progress.tempC, { ballG, doughG }, airC);
    let earliestS = rest.earliestS;
    let whyEarliest: Words = 'the formula asks for it';
    let beyond: RestWindow['beyond'];
    if (last) {
      const toGo = restFor(wanted, 1) - progress.age;
      const calmS = isCalm ? 0 : minutesToAge(toGo, kind, resting.tempAtMin) * S_PER_MIN;
      const isCold = resting.coldS > calmS;
      const neededS = isCold ? resting.coldS : calmS;
      if (neededS > rest.latestS) {
        const age = progress.age + ageAfter(rest.latestS / S_PER_MIN, kind, resting.tempAtMin);
        const springBack = isCold ? null : roundToStep(springBackAfter(age, 1), SHARE_STEP);
        beyond = { neededS: Math.round(neededS), springBack };
      } else if (neededS > earliestS) {
        earliestS = neededS;
        whyEarliest = isCold
          ? message('its centre is below {workable} before', { workable: { tempC: workableC(airC) } })
          : message('a disc rolled before springs back more than {wanted}', { wanted: { share: wanted } });
      }
    }
    let { latestS } = rest;
    let whyLatest: Words = isCalm
      ? 'past it the skin dries and cracks'
      : 'past it the skin dries and the dough slackens';
    const leftS = limitS - progress.elapsedS;
    if (perishable && rest.where === 'room' && leftS < latestS) {
      latestS = Math.max(0, leftS);
      whyLatest = message('with milk or egg in it, it may be out of the cold for {limit} in all', {
        limit: { s: limitS },
      });
    }
    earliestS = Math.min(earliestS, latestS);
    // What asks for more than the formula allows gets all that it allows.
    const plannedS = beyond ? latestS : earliestS;
    const minutes = plannedS / S_PER_MIN;
    progress.age += ageAfter(minutes, kind, resting.tempAtMin);
    progress.tempC = resting.tempAtMin(minutes);
    progress.elapsedS += rest.where === 'room' ? plannedS : 0;
    const window = { earliestS: Math.round(earliestS), latestS: Math.round(latestS), whyEarliest, whyLatest };
    return beyond ? { ...window, beyond } : window;
  });
}
