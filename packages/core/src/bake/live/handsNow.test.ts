import { type PlateStands, handsNow } from './handsNow';

const NOW = 1_000_000;
const plate = (changes: Partial<PlateStands>): PlateStands => ({
  ...{ pieces: [], left: 5, nextPlace: 1, nextSeconds: [20, 15], waiting: false },
  ...changes,
});
const piece = (dueInS: number, agoS = 10) => ({ dueMs: NOW + dueInS * 1000, sinceMs: NOW - agoS * 1000 });

test.each([
  ['an empty plate that is ready', plate({}), { act: 'put', due: false, putNow: true, nextOnMs: 0 }],
  ['an empty plate that is not', plate({ waiting: true }), { act: 'put', due: false, putNow: false }],
  ['a piece that is due, and room for another', plate({ pieces: [piece(0)] }), { act: 'forward', due: true }],
  ['hands free until the next turn', plate({ pieces: [piece(10)] }), { act: 'put', putNow: true }],
  ['a turn that comes first', plate({ pieces: [piece(2)] }), { act: 'forward', due: false, putNow: false }],
  ['a full plate', plate({ nextPlace: null, pieces: [piece(9)] }), { act: 'forward', nextOnMs: null }],
  ['the last piece lies', plate({ left: 0, pieces: [piece(9)] }), { act: 'forward', nextOnMs: null }],
  ['all are off', plate({ left: 0 }), { act: 'finish', due: false, putNow: false, nextOnMs: null }],
])('what the hands do: %s', (_, stands, wanted) => {
  expect(handsNow(stands, NOW)).toMatchObject(wanted);
});

test('a moment to come stands still until it is there', () => {
  const stands = plate({ pieces: [piece(2)] });
  const { nextOnMs } = handsNow(stands, NOW);
  expect(nextOnMs).toBeGreaterThan(NOW + 2000);
  expect(handsNow(stands, NOW + 1500).nextOnMs).toBe(nextOnMs);
});
