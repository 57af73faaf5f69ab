import { type Words, message } from '../../message/message';
import { AGE_KEPT_AFTER_BALLING, ageAfter, minutesToAge, restFor } from '../../dough/springBack';
import type { Formula, ResolvedLine } from '../../formula/formulaSchema';
import type { DoughTotals } from '../../formula/percentages';
import { isPerishable } from '../../ingredient/perishable';
import { type Kitchen } from '../../kitchen/kitchenSchema';
import { DEFAULT_COLD_LIMIT_H } from '../../kitchen/kitchenDefaults';
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
 * not after the formula's latest or the kitchen's limit for perishable dough. Both rests count, the first by half.
 */
export function restsToday(setting: RestSetting): RestWindow[] {
  const { formula, lines, kitchen, totals, ballG, doughG, doughC, airC, beforeS, relaxingFactor } = setting;
  const { rests } = formula.method;
  const wanted = wantedSpringBack(formula);
  const kind = relaxingKind(formula, totals.fat, relaxingFactor);
  const limitS = (kitchen.coldLimitH ?? DEFAULT_COLD_LIMIT_H) * S_PER_H;
  const perishable = isPerishable(lines.map(({ food }) => food));
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
    if (last) {
      const toGo = restFor(wanted, 1) - progress.age;
      const calmS = minutesToAge(toGo, kind, resting.tempAtMin) * S_PER_MIN;
      if (calmS > earliestS) {
        earliestS = calmS;
        whyEarliest = message('a disc rolled before springs back more than {wanted}', {
          wanted: { share: wanted },
        });
      }
      if (resting.coldS > earliestS) {
        earliestS = resting.coldS;
        whyEarliest = message('its centre is below {workable} before', {
          workable: { tempC: workableC(airC) },
        });
      }
    }
    let latestS = Math.max(rest.latestS, earliestS);
    let whyLatest: Words = 'past it the skin dries and the dough slackens';
    const leftS = limitS - progress.elapsedS;
    if (perishable && rest.where === 'room' && leftS < latestS) {
      latestS = Math.max(0, leftS);
      whyLatest = message('with milk or egg in it, it may be out of the cold for {limit} in all', {
        limit: { s: limitS },
      });
    }
    earliestS = Math.min(earliestS, latestS);
    const minutes = earliestS / S_PER_MIN;
    progress.age += ageAfter(minutes, kind, resting.tempAtMin);
    progress.tempC = resting.tempAtMin(minutes);
    progress.elapsedS += rest.where === 'room' ? earliestS : 0;
    return { earliestS: Math.round(earliestS), latestS: Math.round(latestS), whyEarliest, whyLatest };
  });
}
