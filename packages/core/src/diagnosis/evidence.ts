import { type Words, message } from '../message/message';
import { mean } from 'simple-statistics';
import type { Batch } from '../batch/batchSchema';
import { foldBatch } from '../batch/foldBatch';
import { type BatchState, taughtPieces } from '../batch/batchState';
import type { Plan } from '../plan/planSchema';
import { batchRecord } from '../batch/record';
import { wantedHydration } from '../batch/runningDough';
import { stepTimes } from '../batch/stepTimes';
import { batchFacts } from '../log/batchFacts';
import type { BatchFacts } from '../log/factsSchema';
import { measuredDisc } from '../portion/measuredDisc';
import { sumG } from '../quantity/roundToStep';
import { ballSample } from '../quality/ballSample';
import {
  faceDry,
  holed,
  littleBenchFlour,
  oilyPlate,
  outOfRound,
  unequalSides,
  unevenPlate,
  unwiped,
} from './evidenceBench';
import { type Evidence, UNKNOWN, found } from './found';
import type { Cause } from './table';

export interface CaseFile {
  plan: Plan;
  state: BatchState;
  facts: BatchFacts;
  startedMs: number;
  /** What a cook answered to the tests that were asked for. */
  answers: Partial<Record<Cause, boolean>>;
}

export function caseFile(batch: Batch, answers: CaseFile['answers'] = {}): CaseFile {
  const state = foldBatch(batch.plan, batch.events);
  return {
    plan: batch.plan,
    state,
    facts: batchFacts(batch, state),
    startedMs: Date.parse(batch.startedAt),
    answers,
  };
}

/** Differences smaller than these are not blamed. */
const WORTH = {
  points: 1,
  saltPoints: 0.15,
  fatPoints: 1,
  dustShare: 0.01,
  plateC: 10,
  doughC: 4,
  thicknessMm: 0.2,
  uneven: 0.08,
  sideS: 6,
  springBack: 0.02,
} as const;
const PERCENT = 100;

/** Points of hydration above what the day asked for; null while a line was not weighed. */
function waterOff({ plan, state }: CaseFile): number | null {
  const { lines, actual } = batchRecord(plan, state);
  if (lines.some(({ weighedG }) => weighedG === null)) return null;
  return (actual.hydration - wantedHydration(plan)) * PERCENT;
}

/** Points of salt or fat above what was planned; null while a line was not weighed. */
function pointsOff({ plan, state }: CaseFile, of: 'salt' | 'fat'): number | null {
  const { lines, actual, planned } = batchRecord(plan, state);
  if (lines.some(({ weighedG }) => weighedG === null)) return null;
  return (actual[of] - planned[of]) * PERCENT;
}

/** A rest that went past its latest. */
function lateRest({ plan, state, startedMs }: CaseFile): Evidence {
  const late = stepTimes(plan, state, startedMs).filter(
    ({ step, verdict }) => step.kind === 'rest' && verdict === 'late',
  );
  return late.length > 0 ? found(true, 'a rest went past its latest', 5) : UNKNOWN;
}

function plateOff({ plan, state }: CaseFile): number | null {
  const reads = state.steps.flatMap(({ seen }) =>
    seen.flatMap((event) => (event.type === 'measured' && event.what === 'plate' ? [event.tempC] : [])),
  );
  return reads.length > 0 ? mean(reads) - plan.formula.bake.plateC : null;
}

function thicknessOff({ plan, facts }: CaseFile): number | null {
  const { thicknessesMm } = facts.discs;
  return thicknessesMm.length > 0 ? mean(thicknessesMm) - plan.relaxed.thicknessMm : null;
}

/** Seconds that pieces lay longer than the program, on the mean; null while none was timed. */
function sideOff(file: CaseFile): number | null {
  const { plan, state } = file;
  const griddle = taughtPieces(state).map(({ sidesS }) => sumG(sidesS));
  if (griddle.length === 0) return null;
  const wantedS = plan.formula.bake.sides.reduce((sum, { seconds }) => sum + seconds, 0);
  const sides = plan.formula.bake.sides.length;
  return (mean(griddle) - wantedS - (plan.formula.bake.finish?.seconds ?? 0)) / sides;
}

/** How early the last rest was ended, minutes; null where it did not end. */
function restCut({ plan, state, startedMs }: CaseFile): { shortMin: number; words: Words } | null {
  const rest = stepTimes(plan, state, startedMs)
    .filter(({ step, actualS }) => step.kind === 'rest' && actualS !== null)
    .at(-1);
  if (!rest?.window || rest.actualS === null) return null;
  return {
    shortMin: (rest.window.earliestS - rest.actualS) / 60,
    words: message('{actual} of the last rest, {earliest} planned', {
      actual: { s: rest.actualS },
      earliest: { s: rest.window.earliestS },
    }),
  };
}

const against = (off: number): string => (off < 0 ? 'under plan' : 'over plan');
const signed = (value: number, unit: string, decimals = 1): Words =>
  message('{off} {unit} {against}', {
    off: { figure: Math.abs(value), decimals },
    unit,
    against: against(value),
  });

const degrees = (kelvin: number): Words =>
  message('{off} {against}', { off: { kelvin }, against: against(kelvin) });
const millimetres = (mm: number): Words =>
  message('{off} {against}', { off: { mm: Math.abs(mm) }, against: against(mm) });

/** For each cause, how a batch's own record speaks of it. */
export const EVIDENCE: Record<Cause, (file: CaseFile) => Evidence> = {
  'too-dry': (file) => {
    const off = waterOff(file);
    return off === null
      ? UNKNOWN
      : found(off < -WORTH.points, message('water {signed}', { signed: signed(off, 'points') }), -off);
  },
  'too-wet': (file) => {
    const off = waterOff(file);
    return off === null
      ? UNKNOWN
      : found(off > WORTH.points, message('water {signed}', { signed: signed(off, 'points') }), off);
  },
  'bench-flour': ({ plan, state }) => {
    if (state.dustedG === 0) return UNKNOWN;
    const share = state.dustedG / plan.flourG;
    return found(
      share > WORTH.dustShare,
      message('{share} of bench flour went in', { share: { share, decimals: 1 } }),
      share * PERCENT,
    );
  },
  'rest-short': (file) => {
    const { seen, wanted } = file.facts.springBack;
    if (seen !== null) {
      return found(
        seen > wanted + WORTH.springBack,
        message('a disc sprang back {seen}, {wanted} wanted', {
          seen: { share: seen, decimals: 1 },
          wanted: { share: wanted },
        }),
        Math.max(5, restCut(file)?.shortMin ?? 0),
      );
    }
    const cut = restCut(file);
    return cut === null ? UNKNOWN : found(cut.shortMin > 0.5, cut.words, cut.shortMin);
  },
  'over-kneaded': ({ plan, state, startedMs }) => {
    const knead = stepTimes(plan, state, startedMs).filter(
      ({ step, actualS }) => step.kind === 'knead' && actualS !== null,
    );
    const worst = Math.max(...knead.map(({ actualS, window }) => (actualS ?? 0) - (window?.latestS ?? 0)));
    if (knead.length === 0) return UNKNOWN;
    return found(
      worst > 0,
      worst > 0 ? message('kneaded {worst} past the longest', { worst: { s: worst } }) : 'kneaded in time',
      worst,
    );
  },
  'dough-cold': ({ plan, state }) => {
    const reads = state.steps.flatMap(({ step, seen }) =>
      step.kind === 'mix'
        ? []
        : seen.flatMap((event) => (event.type === 'measured' && event.what === 'dough' ? [event.tempC] : [])),
    );
    const last = reads.at(-1);
    const wantedC = plan.today?.doughC;
    if (last === undefined || wantedC === undefined) return UNKNOWN;
    return found(
      last < wantedC - WORTH.doughC,
      message('dough {degrees}', { degrees: degrees(last - wantedC) }),
      wantedC - last,
    );
  },
  'plate-cold': (file) => {
    const off = plateOff(file);
    return off === null
      ? UNKNOWN
      : found(off < -WORTH.plateC, message('plate {degrees}', { degrees: degrees(off) }), -off);
  },
  'plate-hot': (file) => {
    const off = plateOff(file);
    return off === null
      ? UNKNOWN
      : found(off > WORTH.plateC, message('plate {degrees}', { degrees: degrees(off) }), off);
  },
  'time-long': (file) => {
    const off = sideOff(file);
    return off === null
      ? UNKNOWN
      : found(off > WORTH.sideS, message('sides {signed}', { signed: signed(off, 's', 0) }), off);
  },
  'time-short': (file) => {
    const off = sideOff(file);
    return off === null
      ? UNKNOWN
      : found(off < -WORTH.sideS, message('sides {signed}', { signed: signed(off, 's', 0) }), -off);
  },
  thick: (file) => {
    const off = thicknessOff(file);
    return off === null
      ? UNKNOWN
      : found(
          off > WORTH.thicknessMm,
          message('discs {millimetres}', { millimetres: millimetres(off) }),
          off,
        );
  },
  thin: (file) => {
    const off = thicknessOff(file);
    return off === null
      ? UNKNOWN
      : found(
          off < -WORTH.thicknessMm,
          message('discs {millimetres}', { millimetres: millimetres(off) }),
          -off,
        );
  },
  uneven: ({ state }) => {
    const worst = state.discs
      .map(({ diametersMm, thicknessesMm }) => measuredDisc(diametersMm, thicknessesMm).thickness)
      .flatMap((thickness) => (thickness ? [thickness.unevenness] : []));
    if (worst.length === 0) return UNKNOWN;
    const most = Math.max(...worst);
    return found(
      most > WORTH.uneven,
      message('thickness of a disc varies by {most}', { most: { share: most } }),
      most,
    );
  },
  'balls-uneven': ({ facts: { balls } }) => {
    if (balls.massesG.length < 2) return UNKNOWN;
    const { sdG, cp } = ballSample(balls.massesG, { ...balls, costPerG: 0 });
    return found(
      (cp ?? 1) < 1,
      message('balls spread by {sd}, {tolerance} allowed', {
        sd: { g: sdG ?? 0, stepG: 0.1 },
        tolerance: { g: balls.toleranceG, stepG: 0.1 },
      }),
      sdG ?? 0,
    );
  },
  'loose-flour': unwiped,
  'dirty-plate': unwiped,
  'little-bench-flour': littleBenchFlour,
  'ball-not-round': outOfRound,
  'sides-unequal': unequalSides,
  'plate-uneven': unevenPlate,
  'few-turns': ({ plan }) =>
    plan.formula.bake.sides.length > 2 ? found(false, 'turned more than once', 0) : UNKNOWN,
  holed,
  'face-dry': faceDry,
  'plate-oily': oilyPlate,
  'skin-dried': lateRest,
  'rest-long': lateRest,
  unwrapped: ({ state }) =>
    state.held.length > 0
      ? found(false, message('put away in the {how}', { how: state.held[0]?.how ?? '' }), 0)
      : UNKNOWN,
  'fat-low': (file) => {
    const off = pointsOff(file, 'fat');
    return off === null
      ? UNKNOWN
      : found(off < -WORTH.fatPoints, message('fat {signed}', { signed: signed(off, 'points') }), -off);
  },
  'fat-high': (file) => {
    const off = pointsOff(file, 'fat');
    return off === null
      ? UNKNOWN
      : found(off > WORTH.fatPoints, message('fat {signed}', { signed: signed(off, 'points') }), off);
  },
  'salt-high': (file) => {
    const off = pointsOff(file, 'salt');
    return off === null
      ? UNKNOWN
      : found(off > WORTH.saltPoints, message('salt {signed}', { signed: signed(off, 'points', 2) }), off);
  },
  'salt-low': (file) => {
    const off = pointsOff(file, 'salt');
    return off === null
      ? UNKNOWN
      : found(off < -WORTH.saltPoints, message('salt {signed}', { signed: signed(off, 'points', 2) }), -off);
  },
};
