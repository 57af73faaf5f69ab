import {
  type BatchEvent,
  type EventBody,
  type Plan,
  type Step,
  type StepKind,
  roundToStep,
  sumG,
} from '@kettle-scale/core';
import {
  ballForCountG,
  checkWeight,
  correctionLines,
  foldBatch,
  offerRescale,
  runningDough,
  stepWindow,
} from '@kettle-scale/core/batch';
import { v7 as uuidv7 } from 'uuid';
import type { Random } from '../random';

/** How well the simulated cook works. */
export interface Cook {
  /** Spread of a weighed line, in scale steps. */
  weighingSdSteps: number;
  /** Chance that the liquid is over-poured and the batch follows it. */
  overPour: number;
  /** Share of pieces rejected. */
  rejects: number;
  /** How much more the flour really drinks than formula and moisture say, in points; the cook only feels it. */
  thirstPoints?: number;
}

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

function tell(story: Story, afterS: number, body: EventBody): void {
  story.nowMs += Math.max(1, Math.round(afterS)) * SECOND_MS;
  const id = uuidv7({ msecs: story.nowMs, random: story.random.bytes(16) });
  story.events.push({ ...body, id, at: new Date(story.nowMs).toISOString() } as BatchEvent);
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
  const massG = roundToStep(targetG + random.normal(0, cook.weighingSdSteps) * line.stepG, line.stepG);
  tell(story, random.normal(18, 4), { type: 'weighed', stepId: step.id, massG: Math.max(line.stepG, massG) });
}

/** What one batch differs from the next of the same flour, in points. */
const BATCH_SD_POINTS = 0.8;

/** Water in by feel: the cook stops where the flour really is right. */
function mix(story: Story, step: Step): void {
  const { plan, random, cook } = story;
  tell(story, random.normal(12, 4), { type: 'started', stepId: step.id });
  const { liquid } = correctionLines(plan);
  const wanted =
    (plan.today ? plan.today.hydration.formula + plan.today.hydration.byMoisture : plan.totals.hydration) +
    ((cook.thirstPoints ?? 0) + random.normal(0, BATCH_SD_POINTS)) / 100;
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
  const { method } = story.plan.formula;
  tell(story, story.random.normal(12, 4), { type: 'started', stepId: step.id });
  const into = 0.1 + 0.5 * story.random.uniform();
  tell(story, method.knead.minS + into * (method.knead.maxS - method.knead.minS), {
    type: 'tested',
    stepId: step.id,
    passed: true,
  });
  tell(story, 4, { type: 'felt', stepId: step.id, feel: 'right' });
  tell(story, 3, { type: 'done', stepId: step.id });
}

function timed(story: Story, step: Step): void {
  const window = stepWindow(story.plan, step);
  const { earliestS, latestS } = window ?? { earliestS: 30, latestS: 60 };
  tell(story, story.random.normal(12, 4), { type: 'started', stepId: step.id });
  const into = 0.1 + 0.5 * story.random.uniform();
  tell(story, earliestS + into * (latestS - earliestS), { type: 'done', stepId: step.id });
}

function griddle(story: Story, step: Step): void {
  const { plan, random } = story;
  const pieces = foldBatch(plan, story.events).divided?.pieces ?? plan.pieces;
  const { sides } = plan.formula.bake;
  for (let piece = 1; piece <= pieces; piece += 1) {
    tell(story, random.normal(6, 1.5), { type: 'piece-on', piece });
    sides.slice(1).forEach((_side, index) => {
      tell(story, random.normal((sides[index]?.seconds ?? 30) + 1, 1), {
        type: 'flipped',
        piece,
        side: index + 2,
      });
    });
    const lastS = (sides.at(-1)?.seconds ?? 30) + (plan.formula.bake.finish?.seconds ?? 0);
    tell(story, random.normal(lastS + 1, 1), { type: 'piece-off', piece });
  }
  tell(story, 10, { type: 'done', stepId: step.id });
}

const ACTS: Record<StepKind, (story: Story, step: Step) => void> = {
  weigh,
  mix,
  knead,
  rest: timed,
  divide: (story) => {
    const { plan, random } = story;
    const inBowlsG = sumG(
      foldBatch(plan, story.events).bowls.flatMap((b) => b.lines.map((l) => (l.weighedG ?? 0) + l.addedG)),
    );
    const doughG = roundToStep(
      inBowlsG * (1 - Math.max(0.002, random.normal(0.011, 0.003))),
      plan.kitchen.benchStepG,
    );
    const pieces = Math.max(1, Math.round((doughG * (1 - plan.kitchen.benchLoss)) / plan.ballG));
    const ballG = roundToStep(ballForCountG(doughG, pieces, plan), 0.1);
    tell(story, pieces * 10, { type: 'divided', doughG, pieces, ballG });
  },
  flatten: (story) => {
    const { rolled } = story.plan;
    tell(story, 40, {
      type: 'flattened',
      diameterMm: Math.round(story.random.normal(rolled.diameterMm, 3)),
      thicknessMm: roundToStep(story.random.normal(rolled.thicknessMm, 0.05), 0.1),
    });
  },
  griddle,
  finish: (story) => {
    const { plan, random, cook } = story;
    const pieces = foldBatch(plan, story.events).divided?.pieces ?? plan.pieces;
    const good = Array.from({ length: pieces }).filter(() => !random.chance(cook.rejects)).length;
    tell(story, 60, { type: 'finished', pieces, good, note: '' });
  },
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
