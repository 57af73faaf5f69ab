import {
  AGE_KEPT_AFTER_BALLING,
  POKES,
  ageAfter,
  minutesToAge,
  relaxationFromDisc,
  relaxationMin,
  restFor,
  springBackAfter,
} from '../dough/springBack';
import type { Rest } from '../formula/methodSchema';
import type { BatchState, StepState } from './foldBatch';
import type { Plan } from './planSchema';
import { type RestingDough, endOfRestC, relaxingKind, restingDough, wantedSpringBack } from './restingDough';

/** How calm a resting dough is by the law of relaxation, or by what was seen of it. */
export interface RestAdvice {
  /** Share of the diameter that a disc rolled now would lose. */
  springBackNow: number;
  wanted: number;
  /** Rest still needed; 0 when it is calm, and warm enough to roll. */
  moreS: number;
  /** Of it, until its centre is warm. */
  coldS: number;
  /** Minutes of this rest so far. */
  restedMin: number;
  /** Time constant at the present temperature, as seen if a disc was measured. */
  tauMin: number;
  /** Temperature of the dough now. */
  tempC: number;
  /** What it rests on. */
  from: 'law' | 'poke' | 'disc';
}

const MS_PER_MIN = 60_000;
const S_PER_MIN = 60;
/** Without a day or a probe, dough and air are taken for this warm (assumptions). */
const USUAL = { doughC: 25, airC: 24 } as const;

/** A rest that was begun, with the dough as it came into it. */
interface BegunRest {
  rest: Rest;
  resting: RestingDough;
  startedMs: number;
  /** Time constants that count at its start. */
  ageAtStart: number;
}

/** The dough's own temperature as the probe last showed it in a step; what is measured while scalded dough cools is not it. */
const probedIn = ({ step, seen }: StepState) =>
  step.kind === 'mix'
    ? undefined
    : seen.flatMap((event) => (event.type === 'measured' && event.what === 'dough' ? [event] : [])).at(-1);

/** A dough whose course is known anew from a minute on. */
const from = (before: RestingDough, after: RestingDough, minute: number): RestingDough => ({
  tempAtMin: (at) => (at < minute ? before.tempAtMin(at) : after.tempAtMin(at - minute)),
  coldS: after.coldS > 0 ? after.coldS + minute * S_PER_MIN : 0,
});

/** Follows temperature and age of the dough through its rests, up to the one that runs. */
function follow(plan: Plan, state: BatchState, now: StepState, nowMs: number): BegunRest | null {
  const kind = relaxingKind(plan.formula, plan.totals.fat);
  const airC = plan.today?.conditions.airC ?? USUAL.airC;
  const ballG = state.divided?.ballG ?? plan.ballG;
  let tempC = plan.today?.doughC ?? USUAL.doughC;
  let age = 0;
  let balled = false;
  for (const current of state.steps) {
    const { step, startedMs, doneMs } = current;
    const rest = plan.formula.method.rests[step.rest ?? -1];
    const probe = probedIn(current);
    if (!rest) {
      tempC = probe?.tempC ?? tempC;
      continue;
    }
    if (startedMs === null) continue;
    if (rest.of === 'balls' && !balled) {
      age *= AGE_KEPT_AFTER_BALLING;
      balled = true;
    }
    const asItCame = restingDough(rest, tempC, ballG, airC);
    const probedMin = probe ? (Date.parse(probe.at) - startedMs) / MS_PER_MIN : 0;
    const resting = probe
      ? from(asItCame, restingDough(rest, probe.tempC, ballG, airC), probedMin)
      : asItCame;
    if (step.id === now.step.id) return { rest, resting, startedMs, ageAtStart: age };
    const minutes = Math.max(0, ((doneMs ?? nowMs) - startedMs) / MS_PER_MIN);
    age += ageAfter(minutes, kind, resting.tempAtMin);
    tempC = endOfRestC(rest, resting, minutes);
  }
  return null;
}

/** Where a running rest stands against the spring-back that the product wants; null before it is begun. */
export function restAdvice(plan: Plan, state: BatchState, now: StepState, nowMs: number): RestAdvice | null {
  const begun = follow(plan, state, now, nowMs);
  if (!begun) return null;
  const { resting, startedMs, ageAtStart } = begun;
  const kind = relaxingKind(plan.formula, plan.totals.fat);
  const wanted = wantedSpringBack(plan.formula);
  const minuteOf = (ms: number) => Math.max(0, (ms - startedMs) / MS_PER_MIN);
  const restedMin = minuteOf(nowMs);
  const lawAge = (minute: number) => ageAtStart + ageAfter(minute, kind, resting.tempAtMin);
  const tempC = resting.tempAtMin(restedMin);
  const lawTauMin = relaxationMin({ ...kind, tempC });
  const coldS = Math.max(0, resting.coldS - restedMin * S_PER_MIN);

  /** @param speed how much faster it relaxes than the law says */
  const advice = (source: RestAdvice['from'], age: number, speed = 1): RestAdvice => {
    const calmMin = minutesToAge((restFor(wanted, 1) - age) / speed, kind, (minute) =>
      resting.tempAtMin(restedMin + minute),
    );
    return {
      springBackNow: springBackAfter(age, 1),
      wanted,
      moreS: Math.max(calmMin * S_PER_MIN, coldS),
      coldS,
      restedMin,
      tauMin: lawTauMin / speed,
      tempC,
      from: source,
    };
  };
  const look = now.seen
    .flatMap((event) => (event.type === 'poked' || event.type === 'sprang-back' ? [event] : []))
    .at(-1);
  if (!look) return advice('law', lawAge(restedMin));
  const ageAtLook = lawAge(minuteOf(Date.parse(look.at)));
  if (look.type === 'poked') {
    return advice('poke', restFor(POKES[look.poke], 1) + lawAge(restedMin) - ageAtLook);
  }
  const tauMin = relaxationFromDisc(look.rolledMm, look.relaxedMm, ageAtLook * lawTauMin);
  const speed = lawTauMin / tauMin;
  return advice('disc', lawAge(restedMin) * speed, speed);
}
