import fc from 'fast-check';
import {
  type CountedBy,
  NOTHING_PUT_OFF,
  type PlateWork,
  afterAct,
  isJustTold,
  nextPlateAct,
  plateActs,
  putActOff,
  putAllOff,
} from './byItself';
import { HAND_S, placesForHands } from './livePlate';

const counted = (
  sidesS: readonly number[],
  placeCount: number,
  changes: Partial<CountedBy> = {},
): CountedBy => ({
  phases: sidesS.map((seconds, side) => ({ name: `Side ${side + 1}`, seconds, flame: false, act: '' })),
  table: [],
  coverAim: 15,
  placeC: () => 220,
  readC: () => 220,
  secondsFor: () => sidesS,
  secondsOfNext: () => sidesS,
  placeCount,
  others: [],
  ...changes,
});
const empty = (left: number): PlateWork => ({ onPlate: [], left, used: [], begun: 0 });
const HOUR_MS = 3_600_000;

test('every piece goes on, is turned and comes off, at its time and in the reach of one pair of hands', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 12, max: 90 }), { minLength: 1, maxLength: 4 }),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 1, max: 14 }),
      (sidesS, places, pieces) => {
        const by = counted(sidesS, places);
        const acts = plateActs(empty(pieces), by, NOTHING_PUT_OFF, 0, HOUR_MS * 10);
        expect(acts).toHaveLength(pieces * (sidesS.length + 1));
        acts.slice(1).forEach(({ atMs }, index) => {
          expect(atMs - (acts[index]?.atMs ?? 0)).toBeGreaterThanOrEqual(HAND_S * 1000);
        });
        const lies = new Set<number>();
        for (const { kind, place } of acts) {
          if (kind === 'put') {
            expect(lies.has(place)).toBe(false);
            lies.add(place);
          }
          if (kind === 'off') lies.delete(place);
        }
      },
    ),
    { numRuns: 60 },
  );
});

test('what was told before an instant does not depend on where one stops to look', () => {
  const by = counted([28, 21], 9);
  const whole = plateActs(empty(12), by, NOTHING_PUT_OFF, 0, HOUR_MS);
  let work = empty(12);
  const told = [];
  let freeMs = 0;
  for (let nowMs = 0; nowMs < HOUR_MS / 6; nowMs += 250) {
    const act = nextPlateAct(work, by, NOTHING_PUT_OFF, freeMs);
    if (!act || act.atMs > nowMs) continue;
    told.push(act);
    work = afterAct(work, act, by);
    freeMs = act.atMs + HAND_S * 1000;
  }
  expect(told).toEqual(whole);
});

test('late puts everything off by seconds, a skipped turn only its piece, a disc that is missing only itself', () => {
  const by = counted([30, 20], 4);
  const first = plateActs(empty(6), by, NOTHING_PUT_OFF, 0, 31_000);
  const work = first.reduce((stands, act) => afterAct(stands, act, by), empty(6));
  const next = (off = NOTHING_PUT_OFF) => nextPlateAct(work, by, off, 34_000);
  const plain = next();
  if (!plain) throw new Error('nothing to do');
  expect(plain.kind).toBe('flip');
  const late = putAllOff(putAllOff(NOTHING_PUT_OFF, 35_000), 35_000);
  expect(next(late)).toMatchObject({ kind: 'flip', piece: plain.piece, atMs: 41_000 });
  const skipped = next(putActOff(NOTHING_PUT_OFF, plain, 35_000));
  expect(skipped?.piece).not.toBe(plain.piece);
  const put = { kind: 'put', piece: 5, place: 1, side: 1, atMs: 0 } as const;
  const none = putActOff(NOTHING_PUT_OFF, put, 10_000);
  expect(nextPlateAct(empty(6), by, none, 10_000)).toMatchObject({ kind: 'put', atMs: 25_000 });
  expect([isJustTold({ atMs: 1000 }, 9000), isJustTold({ atMs: 1000 }, 12_000), isJustTold(null, 0)]).toEqual(
    [true, false, false],
  );
});

test('one pair of hands keeps four of nine places busy with 28 + 21 s, and all of them with long sides', () => {
  expect([placesForHands([28, 21]), placesForHands([60, 60]), placesForHands([5])]).toEqual([4, 10, 1]);
});
