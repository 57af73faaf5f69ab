import { colourSeen } from '../bakes/service';
import {
  DEFAULT_MODEL,
  colourAsked,
  pliableFrom,
  bakeWith,
  doughProperties,
  partsOfLines,
  standardOf,
  withFactors,
} from '@kettle-scale/core/bake';
import {
  type BatchEvent,
  type EventBody,
  type Reject,
  ballForCountG,
  checkWeight,
  lawAgeOf,
  correctionLines,
  foldBatch,
  offerRescale,
  runningDough,
} from '@kettle-scale/core/batch';
import { resolveLines } from '@kettle-scale/core/formula';
import { type Plan, type Step, type StepKind, stepWindow } from '@kettle-scale/core/plan';
import { roundToStep, sumG } from '@kettle-scale/core/quantity';
import { springBackAfter } from '@kettle-scale/core/dough';
import { v7 as uuidv7 } from 'uuid';
import type { Random } from '../random';

/** How well the simulated cook works. */
export interface Cook {
  /** Who it is, by the kitchen's list. */
  id?: string;
  /** How long weighing takes against the usual. */
  weighingPace?: number;
  /** Spread of a weighed line, in scale steps. */
  weighingSdSteps: number;
  /** Chance that the liquid is over-poured and the batch follows it. */
  overPour: number;
  /** Share of pieces rejected. */
  rejects: number;
  /** How much more the flour really drinks than formula and moisture say, in points; the cook only feels it. */
  thirstPoints?: number;
  /** What one batch differs from the next of the same flour, in points. */
  batchSdPoints?: number;
  /** Shares of the dough that really stay in the bowl and on the bench. */
  bowlLoss?: number;
  benchLoss?: number;
  /** How much longer than by the law the dough really takes to relax. */
  relaxing?: number;
  /** Spread of balls, grams, and of discs, a share of their diameter. */
  ballSdG?: number;
  discSd?: number;
  /** Balls cut too light on purpose or by haste; what is saved is left over. */
  lightG?: number;
  /** How much too hot (or, below zero, too cold) the plate runs, °C. */
  plateOffC?: number;
  /** Says of every few pieces what came off. */
  judges?: boolean;
  /** What is wrong with the pieces that are rejected. */
  rejectedFor?: readonly Reject[];
  /** Salt as it was measured, against what the sheet says. */
  saltFactor?: number;
}

/** What a cook is taken for who is not said to be otherwise. */
const USUAL = {
  batchSdPoints: 0.8,
  bowlLoss: 0.011,
  benchLoss: 0.006,
  relaxing: 1,
  ballSdG: 1.1,
  discSd: 0.012,
  weighingPace: 1,
} as const;
/** How much a loss varies from batch to batch. */
const LOSS_SD = 0.0025;
const SAMPLE = 5;
const DISCS = 3;
/** A ruler on a soft disc, mm; a calliper on its edge, mm; a thermometer on the plate, °C. */
export const READS = { diameterMm: 1, thicknessMm: 0.06, plateC: 3 } as const;
/** Spread of how one disc springs back against the next, a share of its diameter. */
export const SPRING_SD = 0.004;

interface Story {
  plan: Plan;
  random: Random;
  cook: Cook;
  events: BatchEvent[];
  nowMs: number;
}

const SECOND_MS = 1000;
/** Held-back water goes in by pours of at most this share of the flour. */
const LARGEST_POUR = 0.02;
const MOST_ADDITIONS = 12;
/** An over-pour that a cook would rather follow than scoop out. */
const OVER_POUR = [1.03, 1.07] as const;

/** Acts that carry a reading: here all of them are made up, and say so. */
const READINGS: ReadonlySet<EventBody['type']> = new Set([
  'weighed',
  'measured',
  'divided',
  'ball-sampled',
  'piece-on',
]);

function tell(story: Story, afterS: number, body: EventBody): void {
  story.nowMs += Math.max(1, Math.round(afterS)) * SECOND_MS;
  const id = uuidv7({ msecs: story.nowMs, random: story.random.bytes(16) });
  const source = READINGS.has(body.type) ? { source: 'simulated' } : {};
  const who = story.cook.id === undefined ? {} : { cook: story.cook.id };
  story.events.push({
    ...body,
    ...source,
    ...who,
    id,
    at: new Date(story.nowMs).toISOString(),
  } as BatchEvent);
}

function weigh(story: Story, step: Step): void {
  const { plan, random, cook } = story;
  const line = plan.sheet.find(({ lineId }) => lineId === step.lineId);
  if (!line) return;
  const state = foldBatch(plan, story.events);
  const { targetG } = checkWeight(plan, state, step, line.massG);
  const isLiquid = line.kind === 'water' || line.kind === 'dairy';
  const bowl = state.bowls[(step.bowl ?? 1) - 1];
  const fresh = bowl?.factor === 1;
  const inAll = bowl?.lines.find(({ lineId }) => lineId === line.lineId)?.totalG;
  if (isLiquid && fresh && random.chance(cook.overPour)) {
    const [low, high] = OVER_POUR;
    const massG = roundToStep((inAll ?? targetG) * (low + (high - low) * random.uniform()), line.stepG);
    const offer = offerRescale(plan, state, step, massG);
    if (offer.fits) {
      tell(story, 25, { type: 'weighed', stepId: step.id, massG });
      tell(story, 6, { type: 'rescaled', stepId: step.id, factor: offer.factor });
      return;
    }
  }
  const wantedG = line.kind === 'salt' ? targetG * (cook.saltFactor ?? 1) : targetG;
  const massG = roundToStep(wantedG + random.normal(0, cook.weighingSdSteps) * line.stepG, line.stepG);
  const tookS = random.normal(18, 4) * (cook.weighingPace ?? USUAL.weighingPace);
  tell(story, tookS, { type: 'weighed', stepId: step.id, massG: Math.max(line.stepG, massG) });
}

/** Water in by feel: the cook stops where the flour really is right. */
function mix(story: Story, step: Step): void {
  const { plan, random, cook } = story;
  tell(story, random.normal(12, 4), { type: 'started', stepId: step.id });
  const { liquid } = correctionLines(plan);
  const wanted =
    (plan.today ? plan.today.hydration.formula + plan.today.hydration.byMoisture : plan.totals.hydration) +
    ((cook.thirstPoints ?? 0) + random.normal(0, cook.batchSdPoints ?? USUAL.batchSdPoints)) / 100;
  for (let turn = 0; turn < MOST_ADDITIONS && liquid; turn += 1) {
    const dough = runningDough(plan, foldBatch(plan, story.events), step.bowl ?? 1);
    if (!dough) break;
    const food = plan.ingredients.find(({ id }) => id === liquid.ingredient);
    const shortG = ((wanted - dough.totals.hydration) * dough.flourG) / (food?.water ?? 1);
    const massG = roundToStep(Math.min(shortG, LARGEST_POUR * dough.flourG), liquid.stepG);
    if (massG < liquid.stepG) break;
    const why = dough.heldLeftG >= liquid.stepG ? 'hold-back' : 'correction';
    tell(story, random.normal(20, 5), { type: 'added', stepId: step.id, lineId: liquid.lineId, massG, why });
  }
  const { mix: work } = plan.formula.method;
  tell(story, (work.minS + work.maxS) / 4, { type: 'done', stepId: step.id });
}

function knead(story: Story, step: Step): void {
  const { earliestS, latestS } = stepWindow(story.plan, step) ?? { earliestS: 120, latestS: 300 };
  tell(story, story.random.normal(12, 4), { type: 'started', stepId: step.id });
  const into = 0.1 + 0.5 * story.random.uniform();
  tell(story, earliestS + into * (latestS - earliestS), {
    type: 'tested',
    stepId: step.id,
    passed: true,
  });
  tell(story, 4, { type: 'felt', stepId: step.id, feel: 'right' });
  tell(story, 3, { type: 'done', stepId: step.id });
}

/** A disc as it springs back now: the law, this kitchen's own pace, and a little chance. */
function relaxedShare({ plan, random, cook, events, nowMs }: Story): number {
  const age = lawAgeOf(plan, foldBatch(plan, events), nowMs) / (cook.relaxing ?? USUAL.relaxing);
  return Math.max(0, springBackAfter(age, 1) + random.normal(0, SPRING_SD));
}

/** Into the last rest a disc is rolled for a trial, as the app proposes. */
const TRIAL_AT = 0.3;

function timed(story: Story, step: Step): void {
  const { plan, random } = story;
  const window = stepWindow(plan, step);
  const { earliestS, latestS } = window ?? { earliestS: 30, latestS: 60 };
  tell(story, random.normal(12, 4), { type: 'started', stepId: step.id });
  const totalS = earliestS + (0.1 + 0.5 * random.uniform()) * (latestS - earliestS);
  const trialS = step.rest === plan.formula.method.rests.length - 1 ? TRIAL_AT * earliestS : 0;
  if (trialS > 0) {
    const rolledMm = Math.round(plan.rolled.diameterMm);
    story.nowMs += Math.round(trialS) * SECOND_MS;
    const relaxedMm = Math.min(rolledMm, Math.round(rolledMm * (1 - relaxedShare(story))));
    tell(story, 1, { type: 'sprang-back', stepId: step.id, rolledMm, relaxedMm });
  }
  tell(story, totalS - trialS, { type: 'done', stepId: step.id });
}

/** The whole dough on the scale, cut by count; then five balls weighed, and what is left over. */
function divide(story: Story): void {
  const { plan, random, cook } = story;
  const inBowlsG = sumG(
    foldBatch(plan, story.events).bowls.flatMap((b) => b.lines.map((l) => (l.weighedG ?? 0) + l.addedG)),
  );
  const kept = 1 - random.normal(cook.bowlLoss ?? USUAL.bowlLoss, LOSS_SD);
  const doughG = roundToStep(inBowlsG * kept, plan.kitchen.benchStepG);
  const lightG = cook.lightG ?? 0;
  const wantedG = plan.ballG - lightG;
  const pieces = Math.max(1, Math.round((doughG * (1 - plan.kitchen.benchLoss)) / plan.ballG));
  const ballG = roundToStep(lightG > 0 ? wantedG : ballForCountG(doughG, pieces, plan), 0.1);
  tell(story, pieces * 10, { type: 'divided', doughG, pieces, ballG });
  const cutG = doughG * (1 - random.normal(cook.benchLoss ?? USUAL.benchLoss, LOSS_SD));
  const reallyG = lightG > 0 ? wantedG : cutG / pieces;
  for (let ball = 0; ball < SAMPLE; ball += 1) {
    const massG = roundToStep(random.normal(reallyG, cook.ballSdG ?? USUAL.ballSdG), 0.1);
    tell(story, random.normal(6, 1), { type: 'ball-sampled', massG });
  }
  const leftG = roundToStep(cutG - reallyG * pieces, plan.kitchen.benchStepG);
  if (leftG >= plan.kitchen.benchStepG) tell(story, 5, { type: 'leftover', massG: leftG, as: 'waste' });
}

/** Three discs rolled, let go and measured: two diameters, the middle and an edge. */
function flatten(story: Story): void {
  const { plan, random, cook } = story;
  const { rolled } = plan;
  for (let disc = 0; disc < DISCS; disc += 1) {
    const rolledMm = Math.round(rolled.diameterMm * (1 + random.normal(0, cook.discSd ?? USUAL.discSd)));
    const relaxedMm = rolledMm * (1 - relaxedShare(story));
    const across = () => Math.round(relaxedMm + random.normal(0, READS.diameterMm));
    const thick = (ratio: number) =>
      Math.max(
        0.3,
        Number((plan.relaxed.thicknessMm * ratio + random.normal(0, READS.thicknessMm)).toFixed(2)),
      );
    tell(story, 35, {
      type: 'disc-measured',
      rolledMm,
      diametersMm: [across(), across()],
      thicknessesMm: [
        { place: 'middle', mm: thick(1.02) },
        { place: 'far edge', mm: thick(0.95) },
      ],
    });
  }
  tell(story, 20, {
    type: 'flattened',
    diameterMm: Math.round(rolled.diameterMm),
    thicknessMm: roundToStep(rolled.thicknessMm, 0.1),
  });
}

/** Pieces counted, rejects by reason, one looked at closely, the good ones put away. */
function finish(story: Story): void {
  const { plan, random, cook } = story;
  const pieces = foldBatch(plan, story.events).divided?.pieces ?? plan.pieces;
  const bad = Array.from({ length: pieces }).filter(() => random.chance(cook.rejects)).length;
  const reasons = cook.rejectedFor ?? ['torn', 'misshapen'];
  for (let done = 0; done < bad;) {
    const now = Math.min(bad - done, 1 + random.int(0, 2));
    tell(story, 6, { type: 'rejected', pieces: now, reason: random.pick(reasons) });
    done += now;
  }
  const { product } = plan.formula;
  const { puff = 'small bubbles', fold = 'folds in half' } = product;
  const hot = (cook.plateOffC ?? 0) > HOT_C;
  const cold = (cook.plateOffC ?? 0) < -HOT_C;
  const side = (which: 0 | 1) => (hot ? 'burnt' : cold ? 'pale' : colourAsked(product, which));
  tell(story, 15, { type: 'inspected', fold, firstSide: side(0), secondSide: side(1), puff });
  const how = plan.formula.method.holdIn ?? 'cloth';
  if (pieces > bad) tell(story, 30, { type: 'held', how, pieces: pieces - bad });
  tell(story, 40, { type: 'finished', pieces, good: pieces - bad, note: '' });
}

/** So far off, a plate shows on the bread. */
const HOT_C = 18;

/** The plate breathes by a few degrees while pieces come and go, and every so many pieces the cook says what came off. */
const WANDERS_C = 4;
const WANDERS_EVERY = 5;
const JUDGED_EVERY = 8;
/** How this kitchen's plates and bread differ from the model; a calibration finds it. */
const DEMO_BAKING = { contact: 0.92, browning: 1.3 };

function judgePiece(story: Story, piece: number): void {
  const { plan } = story;
  const baked = foldBatch(plan, story.events).baked.at(-1);
  if (!baked || baked.plateC === null) return;
  const { formula, relaxed } = plan;
  const dough = doughProperties(partsOfLines(resolveLines(formula, plan.ingredients)), formula.product.air);
  const standard = standardOf(formula.product, formula.bake.finish);
  const outcome = bakeWith(
    {
      setup: {
        ...{ dough, thicknessMm: relaxed.thicknessMm, doughC: 24, plateC: baked.plateC },
        model: withFactors(DEFAULT_MODEL, DEMO_BAKING),
      },
      program: formula.bake,
      standard,
    },
    baked.sidesS.slice(0, formula.bake.sides.length),
  );
  tell(story, 1, {
    type: 'judged',
    piece,
    firstSide: colourSeen(outcome, 0, standard, 0),
    secondSide: colourSeen(outcome, 1, standard, 0),
    bite: outcome.fatFreeMoisture < pliableFrom(standard, outcome.thicknessMm) ? 'stiff' : 'right',
    puffed: outcome.puffIndex >= 1,
  });
}

function griddle(story: Story, step: Step): void {
  const { plan, random, cook } = story;
  const plateC = Math.round(random.normal(plan.formula.bake.plateC + (cook.plateOffC ?? 0), READS.plateC));
  tell(story, 20, { type: 'measured', stepId: step.id, what: 'plate', tempC: plateC, by: 'probe' });
  const pieces = foldBatch(plan, story.events).divided?.pieces ?? plan.pieces;
  const { sides } = plan.formula.bake;
  for (let piece = 1; piece <= pieces; piece += 1) {
    const here = plateC + Math.round(WANDERS_C * Math.sin(piece / WANDERS_EVERY));
    tell(story, random.normal(6, 1.5), { type: 'piece-on', piece, plateC: here });
    sides.slice(1).forEach((_side, index) => {
      tell(story, random.normal((sides[index]?.seconds ?? 30) + 1, 1), {
        type: 'flipped',
        piece,
        side: index + 2,
      });
    });
    const lastS = (sides.at(-1)?.seconds ?? 30) + (plan.formula.bake.finish?.seconds ?? 0);
    tell(story, random.normal(lastS + 1, 1), { type: 'piece-off', piece });
    if (cook.judges && piece % JUDGED_EVERY === 0) judgePiece(story, piece);
  }
  tell(story, 10, { type: 'done', stepId: step.id });
}

const ACTS: Record<StepKind, (story: Story, step: Step) => void> = {
  weigh,
  mix,
  knead,
  pause: timed,
  rest: timed,
  divide,
  coins: (story, step) => tell(story, step.expectedS, { type: 'done', stepId: step.id }),
  flatten,
  griddle,
  finish,
};

/** Works a whole batch the way a cook would, from a start time; the same seed gives the same batch. */
export function simulateBatch(
  plan: Plan,
  startMs: number,
  cook: Cook,
  random: Random,
  note: string,
): BatchEvent[] {
  const story: Story = { plan, random, cook, events: [], nowMs: startMs };
  // A rescale sends the cook back to top up, so the steps are taken as they come, not as they are listed.
  for (let now = foldBatch(plan, []).now; now; now = foldBatch(plan, story.events).now) {
    ACTS[now.step.kind](story, now.step);
  }
  const last = story.events.at(-1);
  if (last?.type === 'finished') {
    if (note) last.note = note;
    else delete last.note;
  }
  return story.events;
}
