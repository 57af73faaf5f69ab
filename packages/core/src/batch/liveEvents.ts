import type { BatchEvent, EventOf } from './eventSchema';

/** An event with one of its figures put right; as it is where it has no such figure. */
export const withCorrection = (event: BatchEvent, { field, value }: EventOf<'corrected'>): BatchEvent =>
  field in event ? { ...event, [field]: value } : event;

/**
 * The events that still count: without voids and what they took back, and with their figures put right.
 * @param events acts in the order they were stored
 */
export function liveEvents(events: readonly BatchEvent[]): BatchEvent[] {
  const voided = new Set(events.flatMap((event) => (event.type === 'void' ? [event.eventId] : [])));
  const live = events.filter((event) => event.type !== 'void' && !voided.has(event.id));
  const corrections = live.filter((event) => event.type === 'corrected');
  if (corrections.length === 0) return live;
  return live.map((event) =>
    corrections.reduce((now, fix) => (fix.eventId === now.id ? withCorrection(now, fix) : now), event),
  );
}

/**
 * The acts of the last press that still count, the newest first: acts told together have one time, and are taken back together.
 * @param events acts in the order they were stored
 * @returns the newest first
 */
export function lastPress(events: readonly BatchEvent[]): BatchEvent[] {
  const live = liveEvents(events);
  const at = live.at(-1)?.at;
  const from = live.findLastIndex((event) => event.at !== at) + 1;
  return live.slice(from).reverse();
}
