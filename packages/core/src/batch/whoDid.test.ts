import { eventsOf, request } from '../test/examples';
import { planBatch } from '../plan/planBatch';
import { batchFacts } from '../log/batchFacts';
import type { BatchEvent, EventBody } from './eventSchema';
import { foldBatch } from './foldBatch';
import { batchRecord } from './record';
import { whoDid } from './whoDid';

const plan = planBatch(request());
const weigh = plan.sheet.map(({ lineId, massG }): EventBody => ({
  type: 'weighed',
  stepId: `weigh-1-${lineId}`,
  massG,
}));
const by = (events: BatchEvent[], cook?: string, phone?: string): BatchEvent[] =>
  events.map((event) => ({ ...event, cook, phone }));
const told = eventsOf(
  ...weigh,
  { type: 'started', stepId: 'knead-1' },
  { type: 'felt', stepId: 'knead-1', feel: 'right' },
  { type: 'done', stepId: 'knead-1' },
  { type: 'divided', doughG: 5900, pieces: 64, ballG: 91.7 },
);
const n = weigh.length;
const shared = [
  ...by(told.slice(0, n), 'early', 'Bench phone'),
  ...by(told.slice(n, n + 3), 'late', 'Bench phone'),
  ...by(told.slice(n + 3), 'early'),
];
const batch = (events: BatchEvent[]) => ({
  ...{ id: 'b', startedAt: '2026-03-04T10:00:00.000Z', plan, flourLotId: null, events },
});

test('each step says who worked on it and on which phone, acts without a step of their own included', () => {
  const people = whoDid(plan, shared);
  expect(people.get('weigh-1-strong')).toEqual([{ cook: 'early', phone: 'Bench phone' }]);
  expect(people.get('knead-1')).toEqual([{ cook: 'late', phone: 'Bench phone' }]);
  expect(people.get('divide')).toEqual([{ cook: 'early', phone: undefined }]);
  expect(whoDid(plan, told).size).toBe(0);
});

test('record and facts name everybody, and whose work it was where it was one cook’s alone', () => {
  expect(batchRecord(plan, foldBatch(plan, shared)).cooks).toEqual(['early', 'late']);
  expect(batchFacts(batch(shared))).toMatchObject({
    cooks: ['early', 'late'],
    doneBy: { weigh: 'early', knead: 'late', feel: 'late', divide: 'early' },
  });
  // A line that somebody else weighed, or that nobody put a name to, makes it nobody's own.
  const two = [...by(told.slice(0, 1), 'late'), ...by(told.slice(1, n), 'early'), ...shared.slice(n)];
  const unsaid = [...told.slice(0, 1), ...by(told.slice(1, n), 'early'), ...shared.slice(n)];
  for (const events of [two, unsaid]) expect(batchFacts(batch(events)).doneBy?.weigh).toBeUndefined();
  expect(batchFacts(batch(told)).cooks).toBeUndefined();
});

test('what was taken back was nobody’s work', () => {
  const [first] = shared;
  const undone = eventsOf({ type: 'void', eventId: first?.id ?? '' });
  const people = whoDid(plan, [first as BatchEvent, ...by(undone, 'late')]);
  expect(people.size).toBe(0);
});
