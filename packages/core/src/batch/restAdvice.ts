import {
  AGE_KEPT_AFTER_BALLING,
  POKES,
  type RelaxingKind,
  ageAfter,
  minutesToAge,
  relaxationFromDisc,
  relaxedBy,
  relaxationMin,
  restFor,
  springBackAfter,
} from '../dough/springBack';
import { relaxingFactor } from '../plan/adjust';
import type { BatchState, StepState } from './batchState';
import type { Plan } from '../plan/planSchema';
import { type RestingDough, relaxingKind, restingDough, wantedSpringBack } from '../plan/today/restingDough';

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

const kindOf = (plan: Plan) => relaxingKind(plan.formula, plan.totals.fat, relaxingFactor(plan.adjustments));

/** A rest that was begun, with the dough as it came into it. */
interface BegunRest {
  stepId: string;
  resting: RestingDough;
  startedMs: number;
  /** Time constants that count at its start, and at its end or the moment that is asked about. */
  ageAtStart: number;
  ageAtEnd: number;
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

/** Follows temperature and age of the dough through the rests that were begun before a moment. */
function restsBegun(plan: Plan, state: BatchState, kind: RelaxingKind, atMs: number): BegunRest[] {
  const airC = plan.today?.conditions.airC ?? USUAL.airC;
  const mass = { ballG: state.divided?.ballG ?? plan.ballG, doughG: plan.bowlG };
  const begun: BegunRest[] = [];
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
    if (startedMs === null || startedMs > atMs) continue;
    if (rest.of === 'balls' && !balled) {
      age *= AGE_KEPT_AFTER_BALLING;
      balled = true;
    }
    const asItCame = restingDough(rest, tempC, mass, airC);
    const probedMin = probe ? (Date.parse(probe.at) - startedMs) / MS_PER_MIN : 0;
    const resting = probe ? from(asItCame, restingDough(rest, probe.tempC, mass, airC), probedMin) : asItCame;
    const minutes = Math.max(0, (Math.min(doneMs ?? atMs, atMs) - startedMs) / MS_PER_MIN);
    const ageAtStart = age;
    age += ageAfter(minutes, kind, resting.tempAtMin);
    tempC = resting.tempAtMin(minutes);
    begun.push({ stepId: step.id, resting, startedMs, ageAtStart, ageAtEnd: age });
  }
  return begun;
}

/**
 * How far a dough had relaxed at a moment, in time constants of the law: what the kitchen has learned is left out.
 * @param plan the plan
 * @param state its folded state
 * @param atMs instant, ms
 * @returns rest divided by the time constant
 */
export const lawAgeOf = (plan: Plan, state: BatchState, atMs: number): number =>
  restsBegun(plan, state, relaxingKind(plan.formula, plan.totals.fat), atMs).at(-1)?.ageAtEnd ?? 0;

/**
 * Where a running rest stands against the spring-back that the product wants; null before it is begun.
 * @param plan the plan
 * @param state its folded state
 * @param now the step that runs
 * @param nowMs the instant, ms
 */
export function restAdvice(plan: Plan, state: BatchState, now: StepState, nowMs: number): RestAdvice | null {
  const begun = restsBegun(plan, state, kindOf(plan), nowMs).find(({ stepId }) => stepId === now.step.id);
  if (!begun) return null;
  const { resting, startedMs, ageAtStart } = begun;
  const kind = kindOf(plan);
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

/** A single disc moves the law no further than this. */
const FACTORS = { least: 0.5, most: 2.5 } as const;

/**
 * More rest that the balls still lying need, seconds, when a disc just rolled sprang back by a share: what is left to relax,
 * at the pace that the disc itself shows against the rest it had.
 * @param plan the plan
 * @param state its folded state
 * @param springBack share that the disc sprang back, 0 to 1
 * @param nowMs the instant, ms
 * @returns s
 */
export function restAfterDisc(plan: Plan, state: BatchState, springBack: number, nowMs: number): number {
  const wanted = relaxedBy(wantedSpringBack(plan.formula));
  const seen = relaxedBy(springBack);
  if (seen >= wanted) return 0;
  const kind = relaxingKind(plan.formula, plan.totals.fat);
  const age = lawAgeOf(plan, state, nowMs);
  const shown = seen > 0 && age > 0 ? age / seen : relaxingFactor(plan.adjustments);
  const factor = Math.min(FACTORS.most, Math.max(FACTORS.least, shown));
  const tempC = plan.today?.doughC ?? USUAL.doughC;
  return (wanted - seen) * relaxationMin({ ...kind, tempC, factor }) * S_PER_MIN;
}
