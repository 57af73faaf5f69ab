import type { Plan } from '../plan/planSchema';
import { applyEvent, openDraft } from './applyEvent';
import type { BatchState, StepState } from './batchState';
import type { BatchEvent } from './eventSchema';
import { liveEvents } from './liveEvents';

/**
 * The state of a batch: a pure fold over its events in the order they were stored.
 * Events that a plan does not know are passed over, so a record never becomes unreadable.
 * @param plan the plan
 * @param events acts in the order they were stored
 */
export function foldBatch(plan: Plan, events: readonly BatchEvent[]): BatchState {
  const live = liveEvents(events);
  const draft = openDraft(plan);
  for (const event of live) applyEvent(draft, event, plan);

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
  return {
    ...rest,
    status,
    steps,
    now: steps.find((step) => step.status === 'now') ?? null,
    lastAct: live.at(-1) ?? null,
  };
}
