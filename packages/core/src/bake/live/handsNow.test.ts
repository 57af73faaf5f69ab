import { said } from '../../test/said';
import { type PlateStands, doubtOf, handsNow, piecesOfOthers } from './handsNow';
import { type OnPlate, livePieces } from './livePieces';
import { HAND_S, collision, collisionWords, cueWords } from './livePlate';

const NOW = 1_000_000;
const plate = (changes: Partial<PlateStands>): PlateStands => ({
  ...{ pieces: [], left: 5, nextPlace: 1, nextSeconds: [20, 15], waiting: false },
  ...changes,
});
const piece = (dueInS: number, changes: Partial<PlateStands['pieces'][number]> = {}) => ({
  piece: 1,
  place: 1,
  side: 1,
  sideS: 20,
  flame: false,
  next: 'flip' as const,
  ...{ dueMs: NOW + dueInS * 1000, sinceMs: NOW - 10_000 },
  ...changes,
});
const fire = (dueInS: number) =>
  piece(dueInS, { piece: 9, place: 9, sideS: 6, flame: true, next: 'off', sinceMs: NOW - 2000 });

test.each([
  ['an empty plate that is ready', plate({}), { act: 'put', due: false, putNow: true, nextOnMs: 0 }],
  ['an empty plate that is not', plate({ waiting: true }), { act: 'put', due: false, putNow: false }],
  ['a piece that is due, and room for another', plate({ pieces: [piece(0)] }), { act: 'forward', due: true }],
  ['hands free until the next turn', plate({ pieces: [piece(10)] }), { act: 'put', putNow: true }],
  ['a turn that comes first', plate({ pieces: [piece(2)] }), { act: 'forward', due: false, putNow: false }],
  [
    'a piece to put on before the next turn',
    plate({ pieces: [piece(33, { sinceMs: NOW - 1000 })] }),
    { act: 'put', due: false, putNow: false },
  ],
  ['a full plate', plate({ nextPlace: null, pieces: [piece(9)] }), { act: 'forward', nextOnMs: null }],
  ['the last piece lies', plate({ left: 0, pieces: [piece(9)] }), { act: 'forward', nextOnMs: null }],
  ['all are off', plate({ left: 0 }), { act: 'finish', due: false, putNow: false, nextOnMs: null }],
  ['a fire nearly over, and a side that is late', plate({ pieces: [piece(-3), fire(2)] }), { piece: 9 }],
  ['a fire with time for a turn first', plate({ pieces: [piece(-3), fire(5)] }), { piece: 1, due: true }],
  [
    'a fire with time, and another piece that wants it',
    plate({ pieces: [piece(-3, { next: 'fire' }), fire(5)] }),
    { piece: 9, due: false },
  ],
  [
    'a fire that another fire follows',
    plate({ left: 0, pieces: [{ ...fire(5), next: 'fire' }] }),
    { piece: 9 },
  ],
])('what the hands do: %s', (_, stands, wanted) => {
  expect(handsNow(stands, NOW)).toMatchObject(wanted);
});

test('a moment to come stands still until it is there', () => {
  const stands = plate({ pieces: [piece(2)] });
  const { nextOnMs } = handsNow(stands, NOW);
  expect(nextOnMs).toBeGreaterThan(NOW + 2000);
  expect(handsNow(stands, NOW + 1500).nextOnMs).toBe(nextOnMs);
});

test.each([
  ['after one second', { sinceMs: NOW - 1000, sideS: 40, dueMs: NOW + 39_000 }, 'early'],
  ['a little early', { sinceMs: NOW - 25_000, sideS: 40, dueMs: NOW + 15_000 }, null],
  ['a fire taken early', { sinceMs: NOW - 1000, sideS: 6, dueMs: NOW + 5000 }, null],
  ['a little late', { sinceMs: NOW - 50_000, sideS: 40, dueMs: NOW - 10_000 }, null],
  ['forgotten', { sinceMs: NOW - 100_000, sideS: 40, dueMs: NOW - 60_000 }, 'long'],
])('an act that needs a word first: %s', (_, one, wanted) => {
  expect(doubtOf({ latestS: null, earliestS: null, ...one }, NOW)).toBe(wanted);
});

test('where the model says how long a side is raw, that is what counts', () => {
  const lain = (s: number) => ({ sinceMs: NOW - s * 1000, sideS: 40, dueMs: NOW + (40 - s) * 1000 });
  const of = (s: number, earliestS: number) => doubtOf({ ...lain(s), latestS: null, earliestS }, NOW);
  expect([of(20, 35), of(26, 35), of(37, 35), of(20, 25)]).toEqual(['early', null, null, null]);
});

test('where the model says when a side is spoilt, that is what counts', () => {
  const lain = (s: number) => ({
    sinceMs: NOW - s * 1000,
    sideS: 20,
    dueMs: NOW - (s - 20) * 1000,
    latestS: 30,
    earliestS: 15,
  });
  expect([25, 34, 37, 60].map((s) => doubtOf(lain(s), NOW))).toEqual([null, null, 'long', 'long']);
  // A side that bears long waiting is not called burnt at twice its time.
  expect(doubtOf({ ...lain(45), latestS: 70 }, NOW)).toBeNull();
});

describe('two batches on one plate', () => {
  const others = piecesOfOthers(
    [
      {
        name: 'Quay wrap',
        secondsS: [30, 20],
        onPlate: [
          { piece: 7, place: 2, side: 1, sinceMs: NOW - 20_000 },
          { piece: 8, place: null, side: 1, sinceMs: NOW },
          { piece: 1, place: 3, side: 2, sinceMs: NOW - 3_600_000 },
        ],
      },
    ],
    NOW,
  );

  test('share no place; what a batch forgot long ago is not on the plate', () => {
    expect(others).toEqual([
      { piece: 7, place: 2, sinceMs: NOW - 20_000, sideS: 30, dueMs: NOW + 10_000, of: 'Quay wrap' },
    ]);
  });

  test('share one pair of hands: the next piece keeps clear of the other batch, and two acts at once are told in order', () => {
    // Its turn would fall on the act that the other batch needs in 10 s.
    const free = plate({ nextSeconds: [10, 8] });
    expect(handsNow(free, NOW).putNow).toBe(true);
    const both = handsNow({ ...free, others }, NOW);
    expect(both.putNow).toBe(false);
    const mine = { piece: 1, place: 1, dueMs: NOW + 9000, sideS: 12 };
    const two = collision([mine, ...others], NOW + 8000);
    expect(said(two && collisionWords(two))).toBe('1 first, then 2 (Quay wrap).');
  });
});

test('thirteen pieces by one pair of hands: every fire of 6 s is within 2 s of its time', () => {
  const phases = [
    { name: 'Side 1', seconds: 30, flame: false, act: '' },
    { name: 'Side 2', seconds: 25, flame: false, act: '' },
    { name: 'Flame', seconds: 6, flame: true, act: 'tongs' },
  ];
  const [PIECES, PLACES] = [13, 4];
  const seconds = [30, 25];
  let onPlate: (OnPlate & { place: number })[] = [];
  const fires: number[] = [];
  let begun = 0;
  let nowMs = NOW;
  while (fires.length < PIECES && nowMs < NOW + 3_600_000) {
    const pieces = livePieces(onPlate, {
      ...{ phases, table: [], coverAim: 15, placeC: () => 220, secondsFor: () => seconds },
    });
    const free = [1, 2, 3, 4].slice(0, PLACES).find((place) => !pieces.some((one) => one.place === place));
    const hands = handsNow(
      { pieces, left: PIECES - begun, nextPlace: free ?? null, nextSeconds: [...seconds, 6], waiting: false },
      nowMs,
    );
    const first = onPlate.find((one) => one.piece === hands.piece);
    if (hands.putNow && free) {
      begun += 1;
      onPlate.push({
        piece: begun,
        place: free,
        plateC: 220,
        side: 1,
        onMs: nowMs,
        sinceMs: nowMs,
        doneS: [],
      });
      nowMs += HAND_S * 1000;
    } else if (hands.due && first) {
      const laidS = (nowMs - first.sinceMs) / 1000;
      if (first.side === 3) {
        fires.push(laidS);
        onPlate = onPlate.filter((one) => one !== first);
      } else Object.assign(first, { side: first.side + 1, sinceMs: nowMs, doneS: [...first.doneS, laidS] });
      nowMs += HAND_S * 1000;
    } else nowMs += 100;
  }
  expect(fires).toHaveLength(PIECES);
  for (const s of fires) expect(Math.abs(s - 6)).toBeLessThanOrEqual(2);
});

test('a side that is pressed is not told to be left alone', () => {
  const stands = { side: 2, sides: 2, share: 0.1, flame: false };
  expect(cueWords(stands)).toMatch(/leave it be/);
  expect(cueWords({ ...stands, pressed: true })).toMatch(/press lightly/);
  expect(cueWords({ ...stands, longPast: true })).toMatch(/may be burnt/);
});
