import type { Plan } from '../plan/planSchema';
import { type Draft, applyEvent, openDraft } from './applyEvent';
import type { BatchState, StepState } from './batchState';
import type { BatchEvent, EventOf, EventType } from './eventSchema';
import { liveEvents } from './liveEvents';

/** Acts that change what was told before them. */
const REWRITING: ReadonlySet<EventType> = new Set(['void', 'corrected']);

function stateOf(plan: Plan, draft: Draft, lastAct: BatchEvent | null): BatchState {
  const { started, done, parts, seen, extended, ...rest } = draft;
  const status = rest.finished ? 'finished' : rest.abandoned ? 'abandoned' : 'running';
  const nowId = status === 'running' ? plan.steps.find((step) => !done.has(step.id))?.id : undefined;
  const steps = plan.steps.map((step): StepState => ({
    step,
    status: done.has(step.id) ? 'done' : step.id === nowId ? 'now' : 'todo',
    startedMs: started.get(step.id) ?? null,
    doneMs: done.get(step.id) ?? null,
    parts: parts.get(step.id) ?? [],
    seen: seen.get(step.id) ?? [],
    extendedToMs: extended.get(step.id) ?? null,
  }));
  // A trial counts as no reject, whenever it was called one.
  const isSold = ({ piece }: EventOf<'rejected'>): boolean =>
    piece === undefined || !rest.trials.includes(piece);
  return {
    ...rest,
    rejected: rest.rejected.filter(isSold),
    status,
    steps,
    now: steps.find((step) => step.status === 'now') ?? null,
    lastAct,
  };
}

/** A batch that is folded as its acts come: each costs itself alone, but one that changes what came before. */
export interface Fold {
  add: (event: BatchEvent) => void;
  /** The state after the acts so far. The next act may change what is in it: it is to be read at once. */
  state: () => BatchState;
}

/**
 * Begins a batch to be folded act by act.
 * @param plan the plan
 * @param events acts so far, in the order they were stored
 */
export function openFold(plan: Plan, events: readonly BatchEvent[] = []): Fold {
  const all = [...events];
  let draft = openDraft(plan);
  let last: BatchEvent | null = null;
  const apply = (event: BatchEvent): void => {
    applyEvent(draft, event, plan);
    last = event;
  };
  const anew = (): void => {
    draft = openDraft(plan);
    last = null;
    liveEvents(all).forEach(apply);
  };
  anew();
  return {
    add: (event) => {
      all.push(event);
      if (REWRITING.has(event.type)) anew();
      else apply(event);
    },
    state: () => stateOf(plan, draft, last),
  };
}

/**
 * The state of a batch: a pure fold over its events in the order they were stored.
 * Events that a plan does not know are passed over, so a record never becomes unreadable.
 * @param plan the plan
 * @param events acts in the order they were stored
 */
export const foldBatch = (plan: Plan, events: readonly BatchEvent[]): BatchState =>
  openFold(plan, events).state();
