import type { Problem } from '../problem';
import type { BatchEvent } from './eventSchema';
import { liveEvents } from './foldBatch';
import type { Plan, StepKind } from './planSchema';

/** Why an event cannot be taken: it does not fit the plan, or the batch is over. */
export interface Refusal extends Problem {
  reason: 'unfit' | 'over';
}

/** Which steps an event may name. */
const STEP_KINDS_OF: Partial<Record<BatchEvent['type'], readonly StepKind[]>> = {
  weighed: ['weigh'],
  rescaled: ['weigh'],
  started: ['mix', 'knead', 'rest', 'griddle'],
  done: ['mix', 'knead', 'rest', 'griddle'],
  added: ['mix', 'knead'],
  dusted: ['knead', 'divide', 'flatten'],
  felt: ['mix', 'knead'],
  tested: ['knead'],
  measured: ['mix', 'knead', 'rest'],
  'part-done': ['mix'],
  poked: ['rest'],
  'sprang-back': ['rest'],
  extended: ['rest'],
  covered: ['rest'],
};

/**
 * Says why a new event cannot join a batch, or null when it can.
 * A batch that is over takes only the undo of what ended it, and what happened before: an act of a phone that was offline
 * while another ended the batch is late, not wrong.
 */
export function refuseEvent(plan: Plan, events: readonly BatchEvent[], event: BatchEvent): Refusal | null {
  const end = liveEvents(events).find(({ type }) => type === 'finished' || type === 'abandoned');
  const isLate = end !== undefined && Date.parse(event.at) < Date.parse(end.at);
  if (end && !isLate && !(event.type === 'void' && event.eventId === end.id)) {
    return {
      reason: 'over',
      path: 'type',
      message: `This batch is ${end.type === 'finished' ? 'finished' : 'given up'}; undo that first to change it.`,
    };
  }
  if (event.type === 'void') {
    const target = events.find(({ id }) => id === event.eventId);
    if (target && target.type !== 'void') return null;
    return { reason: 'unfit', path: 'eventId', message: 'There is no such act in this batch to undo.' };
  }
  const kinds = STEP_KINDS_OF[event.type];
  if (!kinds || !('stepId' in event)) return null;
  const step = plan.steps.find(({ id }) => id === event.stepId);
  if (!step) return { reason: 'unfit', path: 'stepId', message: `This batch has no step “${event.stepId}”.` };
  if (!kinds.includes(step.kind)) {
    return { reason: 'unfit', path: 'stepId', message: `The step “${step.id}” cannot be ${event.type}.` };
  }
  if (event.type === 'added' && !plan.sheet.some(({ lineId }) => lineId === event.lineId)) {
    return { reason: 'unfit', path: 'lineId', message: `This batch has no line “${event.lineId}”.` };
  }
  return null;
}
