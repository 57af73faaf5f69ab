import {
  AGE_KEPT_AFTER_BALLING,
  POKES,
  relaxationFromDisc,
  relaxationMin,
  restFor,
  springBackAfter,
} from '../dough/springBack';
import type { BatchState, StepState } from './foldBatch';
import type { Plan } from './planSchema';
import { isLightlyKneaded, wantedSpringBack } from './todaysRests';

/** How calm a resting dough is by the law of relaxation, or by what was seen of it. */
export interface RestAdvice {
  /** Share of the diameter that a disc rolled now would lose. */
  springBackNow: number;
  wanted: number;
  /** Rest still needed; 0 when it is calm. */
  moreS: number;
  /** Minutes of rest that count: this one, and half of the rests before balling. */
  ageMin: number;
  tauMin: number;
  /** Temperature that the law was asked with. */
  tempC: number;
  /** What it rests on. */
  from: 'law' | 'poke' | 'disc';
}

const MS_PER_MIN = 60_000;
/** Without a day or a probe, the dough is taken for this warm (assumption). */
const USUAL_DOUGH_C = 25;

function temperatureOf(plan: Plan, state: BatchState): number {
  const probed = state.steps
    .flatMap(({ seen }) => seen)
    .flatMap((event) => (event.type === 'measured' && event.what === 'dough' ? [event.tempC] : []))
    .at(-1);
  return probed ?? plan.today?.doughC ?? USUAL_DOUGH_C;
}

/** Minutes of rest that count for a step at a time. */
function ageAt(plan: Plan, state: BatchState, now: StepState, atMs: number): number {
  const restOf = (step: StepState['step']) => plan.formula.method.rests[step.rest ?? -1];
  const balled = restOf(now.step)?.of === 'balls';
  return state.steps.reduce((age, { step, startedMs, doneMs }) => {
    if (step.kind !== 'rest' || startedMs === null) return age;
    const minutes = Math.max(0, ((doneMs ?? atMs) - startedMs) / MS_PER_MIN);
    return age + minutes * (balled && restOf(step)?.of === 'dough' ? AGE_KEPT_AFTER_BALLING : 1);
  }, 0);
}

/** Where a running rest stands against the spring-back that the product wants. */
export function restAdvice(plan: Plan, state: BatchState, now: StepState, nowMs: number): RestAdvice {
  const wanted = wantedSpringBack(plan.formula);
  const tempC = temperatureOf(plan, state);
  const law = relaxationMin({
    tempC,
    fat: plan.totals.fat,
    lightlyKneaded: isLightlyKneaded(plan.formula),
  });
  const ageMin = ageAt(plan, state, now, nowMs);
  const advice = (from: RestAdvice['from'], tauMin: number, calmMin: number): RestAdvice => ({
    springBackNow: springBackAfter(calmMin, tauMin),
    wanted,
    moreS: Math.max(0, restFor(wanted, tauMin) - calmMin) * 60,
    ageMin,
    tauMin,
    tempC,
    from,
  });
  const look = now.seen.filter(({ type }) => type === 'poked' || type === 'sprang-back').at(-1);
  if (!look) return advice('law', law, ageMin);
  const lookMs = Date.parse(look.at);
  if (look.type === 'sprang-back') {
    const tauMin = relaxationFromDisc(look.rolledMm, look.relaxedMm, ageAt(plan, state, now, lookMs));
    return advice('disc', tauMin, ageMin);
  }
  const seenS = look.type === 'poked' ? POKES[look.poke] : wanted;
  return advice('poke', law, restFor(seenS, law) + (nowMs - lookMs) / MS_PER_MIN);
}
