import type { Plan, StepKind } from '../plan/planSchema';
import type { BatchEvent, EventType } from './eventSchema';
import { liveEvents } from './liveEvents';

/** Somebody at work: a cook, a phone, or as much of the two as is known. */
export interface Who {
  cook?: string | undefined;
  phone?: string | undefined;
}

/** The step that acts without a step of their own belong to. */
const STEP_OF: Partial<Record<EventType, StepKind>> = {
  ...{ divided: 'divide', 'ball-sampled': 'divide', leftover: 'divide' },
  ...{ flattened: 'flatten', 'disc-measured': 'flatten' },
  ...{ 'piece-on': 'griddle', flipped: 'griddle', 'piece-off': 'griddle', judged: 'griddle' },
  ...{ rejected: 'finish', inspected: 'finish', held: 'finish', finished: 'finish' },
};

/**
 * Who worked on each step, in the order in which they came to it. Acts of records that say nothing of anybody are passed over.
 * @param plan the plan
 * @param events all acts, in the order they were stored
 * @returns step id → people; steps of nobody known are left out
 */
export function whoDid(plan: Plan, events: readonly BatchEvent[]): Map<string, Who[]> {
  const people = new Map<string, Who[]>();
  for (const event of liveEvents(events)) {
    const { cook, phone, type } = event;
    const kind = STEP_OF[type];
    const stepId = 'stepId' in event ? event.stepId : plan.steps.find((step) => step.kind === kind)?.id;
    if (stepId === undefined || (cook === undefined && phone === undefined)) continue;
    const known = people.get(stepId) ?? [];
    if (!known.some((one) => one.cook === cook && one.phone === phone)) known.push({ cook, phone });
    people.set(stepId, known);
  }
  return people;
}

/** The one cook of all these acts; null where there are two, or somebody who is not known. */
export function onlyCook(events: readonly Who[]): string | null {
  const [first] = events;
  return first?.cook !== undefined && events.every(({ cook }) => cook === first.cook) ? first.cook : null;
}
