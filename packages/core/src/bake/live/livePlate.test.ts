import { said } from '../../test/said';
import {
  collision,
  collisionWords,
  HAND_S,
  nextOnMs,
  notReadyWords,
  remainingS,
  type Timed,
} from './livePlate';

const NOW = 1_000_000;
const due = (inS: number, piece: number, sideS = 25): Timed => ({
  ...{ piece, place: piece, sideS },
  dueMs: NOW + inS * 1000,
});

test('the next piece goes on where none of its acts falls on another', () => {
  expect(nextOnMs([], [27, 21], NOW)).toBe(NOW);
  const busy = [due(0, 1), due(27, 2), due(50, 3)];
  const startMs = nextOnMs(busy, [27, 21], NOW);
  for (const act of [0, 27, 48]) {
    for (const { dueMs } of busy)
      expect(Math.abs(startMs + act * 1000 - dueMs)).toBeGreaterThanOrEqual(HAND_S * 1000);
  }
  expect(startMs).toBeLessThan(NOW + 20_000);
});

test('four places, worked as proposed for ten minutes, never need two hands at once', () => {
  const sides = [27, 21];
  let nowMs = NOW;
  const acts: number[] = [];
  let places: { dues: number[] }[] = [];
  while (nowMs < NOW + 600_000) {
    places = places
      .map(({ dues }) => ({ dues: dues.filter((ms) => ms > nowMs - HAND_S * 1000) }))
      .filter(({ dues }) => dues.length > 0);
    if (places.length < 4) {
      const all = places.flatMap(({ dues }) => dues.map((dueMs) => ({ dueMs })));
      const startMs = nextOnMs(all, sides, nowMs);
      if (startMs === nowMs) {
        const dues = [startMs, startMs + 27_000, startMs + 48_000];
        acts.push(...dues);
        places.push({ dues });
      }
    }
    nowMs += 500;
  }
  const sorted = acts.sort((a, b) => a - b);
  const gaps = sorted.slice(1).map((ms, i) => ms - sorted[i]!);
  expect(Math.min(...gaps)).toBeGreaterThanOrEqual(HAND_S * 1000 - 1);
  expect(acts.length).toBeGreaterThan(100);
});

test('two at once: the one that minds waiting more goes first', () => {
  expect(collision([due(1, 1), due(30, 2)], NOW)).toBeNull();
  const both = collision([due(1, 1, 60), due(1.5, 2, 12)], NOW)!;
  expect(both.map(({ piece }) => piece)).toEqual([2, 1]);
  expect(said(collisionWords(both))).toBe('2 first, then 1.');
  const late = collision([due(-3, 1), due(0, 2)], NOW)!;
  expect(late[0].piece).toBe(1);
  expect(remainingS(due(-3, 1), NOW)).toBe(-3);
});

test('two sides of one length keep their turn for as long as both wait', () => {
  const waiting = [due(-3.3, 1, 27.1), due(-1.1, 2, 27.1)];
  const firsts = Array.from({ length: 600 }, (_, look) => collision(waiting, NOW + 100 * look)?.[0].piece);
  expect(new Set(firsts)).toEqual(new Set([1]));
});

test('a plate that is not ready is said so before the first piece', () => {
  expect(notReadyWords(null, 230)).toBeNull();
  expect(said(notReadyWords({ tempC: 205, steady: false }, 230))).toBe('The plate is 25\u00a0°C too cold.');
  expect(said(notReadyWords({ tempC: 245, steady: true }, 230))).toContain('15\u00a0°C too hot');
  expect(notReadyWords({ tempC: 226, steady: false }, 230)).toBe('Nearly there: the plate still moves.');
  expect(notReadyWords({ tempC: 229, steady: true }, 230)).toBeNull();
});
