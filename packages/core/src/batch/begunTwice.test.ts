import type { BatchSummary } from './recordSchema';
import { begunTwice } from './begunTwice';

const began = (id: string, minute: number, changes: Partial<BatchSummary> = {}, pieces = 24) =>
  ({
    ...{ id, startedAt: `2026-03-04T10:${String(minute).padStart(2, '0')}:00.000Z`, formulaId: 'wrap' },
    ...{ phone: id, record: { piecesPlanned: pieces } },
    ...changes,
  }) as BatchSummary;
const offline = { begunOffline: true as const };

test('the same amount of one formula, begun by two phones of which one had no network, is told at both', () => {
  const found = begunTwice([began('a', 0, offline), began('b', 20), began('c', 5, {}, 60)]);
  expect([...found].map(([id, other]) => [id, other.id])).toEqual([
    ['a', 'b'],
    ['b', 'a'],
  ]);
});

test.each([
  ['both phones knew of each other', began('b', 20), began('a', 0)],
  ['it is another amount', began('b', 20, {}, 48), began('a', 0, offline)],
  ['it is another bread', began('b', 20, { formulaId: 'press' }), began('a', 0, offline)],
  ['one phone began both', began('b', 20, { phone: 'a' }), began('a', 0, offline)],
  ['an hour lies between them', began('b', 59, {}), began('a', 0, offline)],
])('nothing is told where %s', (_case, one, other) => {
  expect(begunTwice([one, other]).size).toBe(0);
});
