import { type Words, message, fromText } from '../message/message';
import type { Problem } from '../message/problem';
import { type BatchEvent, type EventOf, eventSchema } from './eventSchema';
import { ballsAtHand, coldStore } from './coldStore';
import { foldBatch } from './foldBatch';
import { heldStock, movable } from './heldStock';
import { liveEvents, withCorrection } from './liveEvents';
import type { Plan, StepKind } from '../plan/planSchema';

/** Why an event cannot be taken: it does not fit the plan, or the batch is over. */
export interface Refusal extends Problem {
  reason: 'unfit' | 'over';
}

/** Which steps an event may name. */
const STEP_KINDS_OF: Partial<Record<BatchEvent['type'], readonly StepKind[]>> = {
  weighed: ['weigh'],
  forgotten: ['weigh'],
  rescaled: ['weigh'],
  started: ['mix', 'knead', 'pause', 'rest', 'griddle'],
  done: ['mix', 'knead', 'pause', 'rest', 'coins', 'griddle'],
  added: ['mix', 'knead'],
  dusted: ['knead', 'divide', 'flatten'],
  felt: ['mix', 'knead'],
  tested: ['knead', 'pause'],
  measured: ['mix', 'knead', 'pause', 'rest', 'flatten', 'griddle'],
  'part-done': ['mix'],
  poked: ['rest'],
  'sprang-back': ['rest', 'flatten'],
  extended: ['pause', 'rest'],
  covered: ['pause', 'rest'],
};

/** What a batch that is over still takes: it is looked at, held, written about and put right. */
const AFTER_THE_END: ReadonlySet<BatchEvent['type']> = new Set([
  'note',
  'inspected',
  'rejected',
  'held',
  'moved',
  'corrected',
]);

/** Whether an event is a void of something that a batch that is over still takes. */
function undoesAfterEnd(events: readonly BatchEvent[], event: BatchEvent): boolean {
  if (event.type !== 'void') return false;
  const target = events.find(({ id }) => id === event.eventId);
  return target !== undefined && AFTER_THE_END.has(target.type);
}

/** Why a correction cannot be taken: no such act, no such figure of it, or a figure out of its range. */
function refuseCorrection(
  events: readonly BatchEvent[],
  event: Extract<BatchEvent, { type: 'corrected' }>,
): Refusal | null {
  const target = liveEvents(events).find(({ id }) => id === event.eventId);
  if (!target) {
    return { reason: 'unfit', path: 'eventId', message: 'There is no such act in this batch to correct.' };
  }
  if (!(event.field in target)) {
    return { reason: 'unfit', path: 'field', message: 'This act has no such figure.' };
  }
  const right = eventSchema.safeParse(withCorrection(target, event));
  if (right.success) return null;
  return {
    reason: 'unfit',
    path: 'value',
    message: fromText(right.error.issues[0]?.message ?? 'This value is not possible.'),
  };
}

/** A scale is read to so much, g. */
const DRAW_TOLERANCE_G = 5;
/** More acts than any batch needs; a list without an end could be neither read nor backed up. */
const MOST_EVENTS = 100_000;

/** What takes balls, or dough for them, from where they lie. */
const MOVES_BALLS: ReadonlySet<BatchEvent['type']> = new Set(['chilled', 'taken-out', 'drawn', 'balls-gone']);
const movesBalls = (event: BatchEvent): event is EventOf<'chilled' | 'taken-out' | 'drawn' | 'balls-gone'> =>
  MOVES_BALLS.has(event.type);

/** More than there is cannot go into the fridge, come out of it, be drawn from it or be lost. */
function refuseCold(plan: Plan, events: readonly BatchEvent[], event: BatchEvent): Refusal | null {
  if (!movesBalls(event)) return null;
  const state = foldBatch(plan, events);
  const { balls, dough } = coldStore(plan, state);
  const unfit = (path: string, message: Words): Refusal => ({ reason: 'unfit', path, message });
  if (event.type === 'drawn') {
    const leftG = dough?.massG ?? 0;
    return event.massG > leftG + DRAW_TOLERANCE_G
      ? unfit('massG', message('Only {left} of this dough is in the fridge.', { left: { g: leftG } }))
      : null;
  }
  const fromFridge = event.type === 'taken-out';
  const most = fromFridge ? (balls?.pieces ?? 0) : ballsAtHand(plan, state);
  if (event.pieces <= most) return null;
  const where = fromFridge ? 'in the fridge' : 'at hand';
  return unfit(
    'pieces',
    most === 0
      ? message('No balls are {where}.', { where })
      : message('Only {most, number} balls are {where}.', { most, where }),
  );
}

const isEnd = ({ type }: BatchEvent): boolean => type === 'finished' || type === 'abandoned';

/** More bread than is held there cannot leave it, and what was thawed is not frozen again. */
function refuseMove(plan: Plan, events: readonly BatchEvent[], event: BatchEvent): Refusal | null {
  if (event.type !== 'moved') return null;
  const lots = heldStock(foldBatch(plan, events));
  const unfit = (path: string, message: Words): Refusal => ({ reason: 'unfit', path, message });
  const there = movable(lots, event.from, 'tray');
  if (event.pieces > there) {
    const words = there === 0 ? 'No pieces are' : message('Only {there, number} pieces are', { there });
    return unfit('pieces', message('{words} held in: {from}.', { words, from: event.from }));
  }
  return event.pieces > movable(lots, event.from, event.to)
    ? unfit('to', 'Bread that was thawed is not frozen again.')
    : null;
}

/**
 * Says why a new event cannot join a batch, or null when it can.
 * A batch that is over takes the undo of what ended it, what is done with bread afterwards, and what happened before: an act of
 * a phone that was offline while another ended the batch is late, not wrong.
 * @param endHeardMs when the end of the batch was received: a clock that ran ahead must not leave the batch open until then.
 *   Null when nothing ever ended it: a long batch is then not read through for its end with every act
 */
export function refuseEvent(
  plan: Plan,
  events: readonly BatchEvent[],
  event: BatchEvent,
  endHeardMs: number | null = Infinity,
): Refusal | null {
  if (events.length >= MOST_EVENTS) {
    return {
      reason: 'unfit',
      path: 'type',
      message: message(
        'This batch has {toLocaleString} acts and takes no more: finish it and start another.',
        { toLocaleString: MOST_EVENTS.toLocaleString('en-US') },
      ),
    };
  }
  const end = endHeardMs !== null && events.some(isEnd) ? liveEvents(events).find(isEnd) : undefined;
  const isLate =
    end !== undefined && Date.parse(event.at) < Math.min(Date.parse(end.at), endHeardMs ?? Infinity);
  const stillTaken =
    AFTER_THE_END.has(event.type) ||
    undoesAfterEnd(events, event) ||
    (event.type === 'void' && event.eventId === end?.id);
  if (end && !isLate && !stillTaken) {
    return {
      reason: 'over',
      path: 'type',
      message: message('This batch is {type}; undo that first to change it.', {
        type: end.type === 'finished' ? 'finished' : 'abandoned',
      }),
    };
  }
  if (event.type === 'void') {
    const target = events.find(({ id }) => id === event.eventId);
    if (target && target.type !== 'void') return null;
    return { reason: 'unfit', path: 'eventId', message: 'There is no such act in this batch to undo.' };
  }
  if (event.type === 'corrected') return refuseCorrection(events, event);
  const tooMany = refuseCold(plan, events, event) ?? refuseMove(plan, events, event);
  if (tooMany) return tooMany;
  const kinds = STEP_KINDS_OF[event.type];
  if (!kinds || !('stepId' in event)) return null;
  const step = plan.steps.find(({ id }) => id === event.stepId);
  if (!step)
    return {
      reason: 'unfit',
      path: 'stepId',
      message: message('This batch has no step “{stepId}”.', { stepId: event.stepId }),
    };
  if (!kinds.includes(step.kind)) {
    return {
      reason: 'unfit',
      path: 'stepId',
      message: message('The step “{id}” cannot be {type}.', { id: step.id, type: event.type }),
    };
  }
  if (event.type === 'added' && !plan.sheet.some(({ lineId }) => lineId === event.lineId)) {
    return {
      reason: 'unfit',
      path: 'lineId',
      message: message('This batch has no line “{lineId}”.', { lineId: event.lineId }),
    };
  }
  return null;
}
