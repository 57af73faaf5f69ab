import type { Plan, Step } from '../plan/planSchema';
import { roundToStep, sumG } from '../quantity/roundToStep';
import {
  type BatchState,
  type LineState,
  type SeenEvent,
  type StepState,
  startG,
  weighingToleranceG,
} from './batchState';
import type { EventOf, EventType } from './eventSchema';

const MS_PER_S = 1000;

export interface Draft extends Omit<BatchState, 'steps' | 'now' | 'lastAct' | 'status'> {
  started: Map<string, number>;
  done: Map<string, number>;
  parts: Map<string, StepState['parts']>;
  seen: Map<string, SeenEvent[]>;
  extended: Map<string, number>;
}

type Apply<T extends EventType> = (draft: Draft, event: EventOf<T>, plan: Plan, atMs: number) => void;

const stepOf = (plan: Plan, stepId: string): Step | undefined =>
  plan.steps.find((step) => step.id === stepId);
const stepIdOfKind = (plan: Plan, kind: Step['kind']): string =>
  plan.steps.find((s) => s.kind === kind)?.id ?? kind;

function lineStateOf(draft: Draft, step: Step | undefined): LineState | undefined {
  if (!step?.bowl) return undefined;
  return draft.bowls[step.bowl - 1]?.lines.find((line) => line.lineId === step.lineId);
}

/** The whole batch follows an over-pour: later bowls too, but not one that is already being mixed. */
const applyRescale: Apply<'rescaled'> = (draft, event, plan) => {
  const from = stepOf(plan, event.stepId);
  if (!from?.bowl) return;
  draft.bowls.slice(from.bowl - 1).forEach((bowl, offset) => {
    if (bowl.mixing) return;
    const bowlNumber = (from.bowl ?? 1) + offset;
    bowl.factor = event.factor;
    for (const line of bowl.lines) {
      const planned = plan.sheet.find((row) => row.lineId === line.lineId);
      if (!planned) continue;
      const totalG = roundToStep(planned.exactG * event.factor, planned.stepG);
      const isCause = offset === 0 && line.lineId === from.lineId && line.weighedG !== null;
      line.totalG = isCause ? (line.weighedG ?? totalG) : totalG;
      line.targetG = isCause ? line.totalG : startG(planned, line.totalG);
      const short =
        line.weighedG !== null && line.weighedG < line.targetG - weighingToleranceG(planned, line.targetG);
      if (short) draft.done.delete(`weigh-${bowlNumber}-${line.lineId}`);
    }
  });
};

function see(draft: Draft, event: SeenEvent): void {
  draft.seen.set(event.stepId, [...(draft.seen.get(event.stepId) ?? []), event]);
}

function chill(draft: Draft, event: EventOf<'chilled' | 'taken-out'>): void {
  draft.chilled.push(event);
}

const APPLY: { [T in EventType]: Apply<T> } = {
  weighed: (draft, event, plan, atMs) => {
    const line = lineStateOf(draft, stepOf(plan, event.stepId));
    if (!line) return;
    line.weighedG = event.massG;
    line.forgotten = false;
    draft.done.set(event.stepId, atMs);
  },
  forgotten: (draft, event, plan) => {
    const line = lineStateOf(draft, stepOf(plan, event.stepId));
    if (!line) return;
    line.weighedG = 0;
    line.forgotten = true;
  },
  rescaled: applyRescale,
  started: (draft, event, plan, atMs) => {
    draft.started.set(event.stepId, atMs);
    const step = stepOf(plan, event.stepId);
    const bowl = step?.kind === 'mix' && step.bowl ? draft.bowls[step.bowl - 1] : undefined;
    if (bowl) bowl.mixing = true;
    const again = step?.kind === 'knead' && step.round !== undefined ? step.bowl : undefined;
    const kneaded = again ? draft.bowls[again - 1] : undefined;
    if (kneaded) kneaded.lateIn = true;
  },
  done: (draft, event, plan, atMs) => {
    draft.done.set(event.stepId, atMs);
    const step = stepOf(plan, event.stepId);
    const isLast = step === plan.steps.findLast(({ kind, bowl }) => kind === 'knead' && bowl === step?.bowl);
    const bowl = step?.kind === 'knead' && isLast && step.bowl ? draft.bowls[step.bowl - 1] : undefined;
    if (bowl) {
      bowl.closed = true;
      bowl.lateIn = true;
    }
  },
  divided: (draft, event, plan, atMs) => {
    draft.divided = event;
    draft.done.set(stepIdOfKind(plan, 'divide'), atMs);
  },
  flattened: (draft, event, plan, atMs) => {
    draft.flattened = event;
    draft.done.set(stepIdOfKind(plan, 'flatten'), atMs);
  },
  added: (draft, event, plan) => {
    const bowl = stepOf(plan, event.stepId)?.bowl;
    const line = bowl
      ? draft.bowls[bowl - 1]?.lines.find(({ lineId }) => lineId === event.lineId)
      : undefined;
    if (line) line.addedG = sumG([line.addedG, event.massG]);
    see(draft, event);
  },
  dusted: (draft, event) => {
    draft.dustedG = sumG([draft.dustedG, event.massG]);
    see(draft, event);
  },
  felt: see,
  tested: see,
  measured: see,
  poked: see,
  'sprang-back': see,
  covered: see,
  'part-done': (draft, event, _plan, atMs) => {
    const before = draft.parts.get(event.stepId) ?? [];
    draft.parts.set(event.stepId, [...before, { part: event.part, atMs }]);
  },
  extended: (draft, event, _plan, atMs) => {
    draft.extended.set(event.stepId, atMs + event.seconds * 1000);
  },
  'piece-on': (draft, event, plan, atMs) => {
    const { piece, place = null, plateC = null, source: plateFrom = null, assumed = false } = event;
    draft.onPlate = draft.onPlate.filter((one) => one.piece !== piece);
    draft.onPlate.push({
      piece,
      place,
      plateC,
      plateFrom,
      assumed,
      side: 1,
      onMs: atMs,
      sinceMs: atMs,
      doneS: [],
    });
    const griddle = stepIdOfKind(plan, 'griddle');
    if (!draft.started.has(griddle)) draft.started.set(griddle, atMs);
  },
  flipped: (draft, event, _plan, atMs) => {
    draft.onPlate = draft.onPlate.map((one) =>
      one.piece === event.piece
        ? {
            ...one,
            side: event.side,
            sinceMs: atMs,
            doneS: [...one.doneS, (atMs - one.sinceMs) / MS_PER_S],
            assumed: one.assumed || (event.assumed ?? false),
          }
        : one,
    );
  },
  'piece-off': (draft, event, _plan, atMs) => {
    draft.piecesOff += 1;
    const off = draft.onPlate.find(({ piece }) => piece === event.piece);
    if (!off) return;
    const { side: _side, sinceMs, doneS, ...piece } = off;
    draft.baked.push({
      ...piece,
      sidesS: [...doneS, (atMs - sinceMs) / MS_PER_S],
      assumed: piece.assumed || (event.assumed ?? false),
      waste: null,
    });
    draft.onPlate = draft.onPlate.filter((one) => one !== off);
  },
  // It lies on as a side of its own, whatever its program has; when it comes off it is counted once.
  'back-on': (draft, event, _plan, atMs) => {
    const off = draft.baked.find(({ piece }) => piece === event.piece);
    if (!off) return;
    const { sidesS, waste: _waste, ...piece } = off;
    draft.baked = draft.baked.filter((one) => one !== off);
    draft.piecesOff -= 1;
    draft.onPlate.push({
      ...piece,
      place: event.place ?? null,
      side: sidesS.length + 1,
      sinceMs: atMs,
      doneS: sidesS,
    });
  },
  helped: (draft, event) => {
    draft.helped.push(event);
  },
  trial: (draft, event) => {
    if (!draft.trials.includes(event.piece)) draft.trials.push(event.piece);
  },
  'by-itself': (draft, event, _plan, atMs) => {
    draft.byItself = event.on ? { eventId: event.id, sinceMs: atMs } : null;
  },
  judged: (draft, event) => {
    draft.judged.push(event);
  },
  finished: (draft, event, plan, atMs) => {
    draft.finished = event;
    draft.done.set(stepIdOfKind(plan, 'finish'), atMs);
  },
  abandoned: (draft, event) => {
    draft.abandoned = event;
  },
  note: (draft, event) => {
    draft.notes.push(event);
  },
  'ball-sampled': (draft, event) => {
    draft.balls.push(event);
  },
  leftover: (draft, event) => {
    draft.leftovers.push(event);
  },
  chilled: chill,
  'taken-out': chill,
  'balls-gone': (draft, event) => {
    draft.gone.push(event);
    if (event.how === 'baked by others') draft.piecesOff += event.pieces;
  },
  drawn: (draft, event) => {
    draft.drawn.push(event);
  },
  cared: (draft, { what }) => {
    draft.cared.push({ what, afterPieces: draft.piecesOff + draft.onPlate.length });
  },
  'disc-measured': (draft, event) => {
    draft.discs.push(event);
  },
  inspected: (draft, event) => {
    draft.inspected.push(event);
  },
  rejected: (draft, event) => {
    draft.rejected.push(event);
    draft.baked = draft.baked.map((one) =>
      one.piece === event.piece ? { ...one, waste: event.reason } : one,
    );
  },
  held: (draft, event) => {
    draft.held.push(event);
  },
  moved: (draft, event) => {
    draft.moved.push(event);
  },
  corrected: () => undefined,
  void: () => undefined,
};

/** Brings one event into a draft. */
export function applyEvent<T extends EventType>(draft: Draft, event: EventOf<T>, plan: Plan): void {
  const { cook } = event;
  if (cook !== undefined && !draft.cooks.includes(cook)) draft.cooks.push(cook);
  const act = APPLY[event.type as T];
  act(draft, event, plan, Date.parse(event.at));
}

/** A batch to which nothing has happened. */
export const openDraft = (plan: Plan): Draft => ({
  bowls: Array.from({ length: plan.bowls }, () => ({
    factor: 1,
    mixing: false,
    closed: false,
    lateIn: false,
    lines: plan.sheet.map((line) => ({
      lineId: line.lineId,
      targetG: line.startG ?? line.massG,
      totalG: line.massG,
      weighedG: null,
      forgotten: false,
      addedG: 0,
    })),
  })),
  onPlate: [],
  baked: [],
  trials: Array.from({ length: plan.trials ?? 0 }, (_, index) => index + 1),
  helped: [],
  judged: [],
  piecesOff: 0,
  byItself: null,
  dustedG: 0,
  divided: null,
  flattened: null,
  finished: null,
  abandoned: null,
  notes: [],
  cooks: [],
  balls: [],
  leftovers: [],
  chilled: [],
  gone: [],
  drawn: [],
  cared: [],
  discs: [],
  inspected: [],
  rejected: [],
  held: [],
  moved: [],
  started: new Map(),
  done: new Map(),
  parts: new Map(),
  seen: new Map(),
  extended: new Map(),
});
