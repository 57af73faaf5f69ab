import type { BakePhase } from '../../formula/bakePhases';
import { type OnPlate, freePlace, livePieces, nextPieceMs, nextPieceNumber } from './livePieces';

const SIDES: BakePhase[] = [
  { name: 'Side 1', seconds: 20, flame: false, act: '' },
  { name: 'Side 2', seconds: 15, flame: false, act: '' },
  { name: 'Flame', seconds: 6, flame: true, act: 'tongs' },
];
const around = {
  phases: SIDES,
  table: [],
  coverAim: 15,
  placeC: (place: number) => 220 + place,
  secondsFor: (plateC: number) => [20 - (plateC - 220), 15],
};
const on = (changes: Partial<OnPlate>): OnPlate => ({
  ...{ piece: 1, place: 1, plateC: 220, side: 1, onMs: 0, sinceMs: 0, doneS: [] },
  ...changes,
});

test('each piece has its next act at its time, the most urgent first', () => {
  const pieces = livePieces(
    [
      on({ piece: 1 }),
      on({ piece: 2, place: 2, side: 2, sinceMs: 1000, doneS: [20] }),
      on({ piece: 3, place: 3, side: 3, sinceMs: 2000, doneS: [20, 15] }),
    ],
    around,
  );
  expect(pieces.map(({ piece, next, dueMs, flame }) => ({ piece, next, dueMs, flame }))).toEqual([
    { piece: 3, next: 'off', dueMs: 8000, flame: true },
    { piece: 2, next: 'fire', dueMs: 16_000, flame: false },
    { piece: 1, next: 'flip', dueMs: 20_000, flame: false },
  ]);
});

test('a late turn shortens the side after it, and its freckles are more', () => {
  const [late] = livePieces([on({ side: 2, doneS: [26] })], around);
  expect(late?.sideS).toBe(12);
  expect(late?.cover).toBeGreaterThan(15);
  const [endless] = livePieces([on({ side: 2, doneS: [500] })], around);
  expect(endless?.sideS).toBeCloseTo(0.4 * 15);
  expect(endless?.cover).toBe(15 * 2 ** 4);
});

test('a piece that does not say on what it lies takes the heat of its place', () => {
  const [piece] = livePieces([on({ place: 4, plateC: undefined })], around);
  expect(piece?.sideS).toBe(16);
});

test('the next piece takes the first free place, a number of its own, and a moment that is nobody’s', () => {
  expect(freePlace([{ place: 1 }, { place: 3 }], 3)).toBe(2);
  expect(freePlace([{ place: 1 }, { place: 2 }], 2)).toBeNull();
  expect(nextPieceNumber([1, 2, 4], 2)).toBe(3);
  expect(nextPieceNumber([1, 2, 3], 2)).toBe(4);
  const pieces = livePieces([on({}), on({ piece: 2, place: 2, sinceMs: 3000 })], around);
  const atMs = nextPieceMs(pieces, [20, 15], 5000);
  for (const act of [atMs, atMs + 20_000, atMs + 35_000]) {
    for (const { dueMs } of pieces) expect(Math.abs(act - dueMs)).toBeGreaterThanOrEqual(4000);
  }
});

test('a fire that is solved as a side lasts as long as was solved; any other as the formula says', () => {
  const fire = { name: 'Flame', seconds: 10, flame: true, act: '' };
  const overFire = (seconds: number[]) =>
    livePieces([{ piece: 1, place: 1, plateC: 200, side: 2, onMs: 0, sinceMs: 40_000, doneS: [40] }], {
      ...around,
      phases: [{ name: 'Side 1', seconds: 40, flame: false, act: '' }, fire],
      secondsFor: () => seconds,
    })[0]?.sideS;
  expect(overFire([40, 17])).toBe(17);
  expect(overFire([40])).toBe(10);
});
