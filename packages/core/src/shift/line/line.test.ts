import { problemsIn, said } from '../../test/said';
import { LUNCH, clockS } from '../../test/exampleShift';
import { sourceOf } from '../chance';
import { drawDay, usualDay } from '../demand/shiftDay';
import { inOrder, keepsRules } from '../planner/rules';
import { type Shift, type ShiftPlan, shiftDocumentSchema, shiftSchema } from '../shiftSchema';
import { doughS, latestStart, linePace } from './alone';
import { type Line, compileShift, loadOf } from './compile';
import type { LineLog } from './lineState';
import { type ShiftOutcome, runShift } from './runLine';

/** Any shift of the lunch's people and breads, with any plan: sensible ones and hopeless ones. */
function anyShift(seed: number): { line: Line; plan: ShiftPlan } {
  const uniform = sourceOf(seed, 9);
  const upTo = (most: number) => Math.floor(uniform() * most);
  const shift: Shift = {
    ...LUNCH,
    people: LUNCH.people.slice(0, 1 + upTo(2)),
    plates: LUNCH.plates.slice(0, 1).map((plate) => ({ ...plate, places: 1 + upTo(12) })),
    breads: LUNCH.breads.map((bread) => ({
      ...bread,
      kneadByHand: uniform() < 0.3,
      rest2: [bread.rest2[0], bread.rest2[0] + upTo(3600)] as [number, number],
      holdS: 600 + upTo(7200),
    })),
    leftAtClose: uniform() < 0.5 ? 'kept' : 'thrown out',
    ...(uniform() < 0.3 ? { benchBalls: 40 + upTo(80) } : {}),
    cold: [
      { id: 'a', bread: 'wrap', as: 'balls', pieces: 60, bestBy: LUNCH.ends, warmS: 2400 },
      { id: 'b', bread: 'wrap', as: 'dough', pieces: 60, bestBy: LUNCH.ends, warmS: 600 },
    ],
  };
  const line = compileShift(shift);
  const batches = Array.from({ length: 1 + upTo(8) }, () => {
    const bread = upTo(shift.breads.length);
    const { least, most } = loadOf(line, bread);
    const start = shift.opens + upTo(5 * 3600);
    const n = least + upTo(Math.min(80, most - least));
    const cold = upTo(4);
    return {
      ...{ bread, n, start },
      ...(uniform() < 0.7 ? { bakeAt: start + upTo(2 * 3600) } : {}),
      ...(bread === 0 && cold < 2 ? { cold } : {}),
    };
  });
  return { line, plan: { batches: inOrder(batches) } };
}

/** Of binary arithmetic, s. */
const DUST_S = 1e-5;

/** Every piece is somewhere. */
function expectConserved(
  { counts, batches, inHand, ready }: ShiftOutcome,
  wanted: readonly ArrayLike<number>[],
) {
  counts.forEach((count, bread) => {
    const outOfBalls = count.made + count.rejected + count.ballsThrown + count.ballsLeft;
    // Discs in hand are of the breads on the plates; with one plate they are of one bread.
    expect(count.divided - outOfBalls).toBeGreaterThanOrEqual(0);
    expect(count.made).toBe(count.taken + count.waste + count.kept);
    expect(ready[bread]).toHaveLength(count.made);
    expect(wanted[bread]).toHaveLength(count.taken + count.lost);
  });
  const lying = counts.reduce(
    (sum, { divided, made, rejected, ballsThrown, ballsLeft }) =>
      sum + divided - made - rejected - ballsThrown - ballsLeft,
    0,
  );
  expect(lying).toBe(inHand);
  expect(batches.every(({ left }) => left >= 0)).toBe(true);
}

/** Acts that break a hard rule; comparisons by hand, because there are some four hundred thousand of them. */
function rulesBroken(line: Line, plan: ShiftPlan, { acts, pieces, thrown }: LineLog): unknown[] {
  const broken: unknown[] = [];
  const freeAt = new Map<string, number>();
  const dividedAt = new Map<number, number>();
  for (const act of acts) {
    const { who, kind, batch, from, to } = act;
    if (from < (freeAt.get(who) ?? 0) || to < from) broken.push(act);
    freeAt.set(who, to);
    if (kind === 'divide') dividedAt.set(batch, to);
    const { bread, start, cold = -1 } = plan.batches[batch]!;
    const store = line.shift.cold?.[cold];
    // What is cold is neither weighed nor mixed, and balls are not divided.
    if (store && kind !== 'roll' && kind !== 'bake' && !(store.as === 'dough' && kind === 'divide'))
      broken.push(act);
    if (kind !== 'roll') continue;
    const [earliest, latest] = line.breads[bread]!.rest2;
    const restsFrom = store?.as === 'balls' ? start + store.warmS - earliest : dividedAt.get(batch)!;
    const restedS = from - restsFrom;
    if (!(restedS > earliest - DUST_S && restedS < latest + DUST_S)) broken.push(act);
  }
  const lies = [
    ...acts.flatMap(({ kind, batch, from }) =>
      kind === 'divide' ? [{ at: from, balls: plan.batches[batch]!.n, divided: true }] : [],
    ),
    ...acts.flatMap(({ kind, from }) => (kind === 'roll' ? [{ at: from, balls: -1, divided: false }] : [])),
    ...thrown.flatMap(({ what, n, at }) => (what === 'balls' ? [{ at, balls: -n, divided: false }] : [])),
  ].sort((a, b) => a.at - b.at || a.balls - b.balls);
  let onBench = 0;
  for (const { balls, divided } of lies) {
    onBench += balls;
    // What came out of the fridge lies in trays of its own and is rolled too: it only makes this smaller.
    if (divided && onBench > (line.shift.benchBalls ?? Infinity)) broken.push(lies);
  }
  const placeFreeAt = new Map<number, number>();
  for (const piece of pieces) {
    if (piece.on < (placeFreeAt.get(piece.place) ?? 0)) broken.push(piece);
    placeFreeAt.set(piece.place, piece.off);
  }
  return broken;
}

test('five hundred shifts with spread: every piece is somewhere, nobody does two things, nothing is used past its latest', () => {
  for (let seed = 0; seed < 500; seed += 1) {
    const { line, plan } = anyShift(seed);
    const day = drawDay(line.shift, seed, 0);
    const outcome = runShift(line, plan, day, { log: true });
    expectConserved(outcome, day.wanted);
    expect(rulesBroken(line, plan, outcome.log!)).toEqual([]);
  }
});

test.each([
  ['room', { places: 2, rollS: 5, heatS: 0 }],
  ['heat', { places: 9, rollS: 5, heatS: 30 }],
  ['hands', { places: 9, rollS: 5, heatS: 0 }],
  ['rolling', { places: 9, rollS: 24, heatS: 0 }],
] as const)('pieces come at the pace of what is least: %s', (limit, { places, rollS, heatS }) => {
  const bread = {
    ...LUNCH.breads[0]!,
    rollS,
    heatS,
    rejectShare: 0,
    rest2: [1200, 20_000] as [number, number],
  };
  const shift = { ...LUNCH, breads: [bread], plates: [{ ...LUNCH.plates[0]!, places }] };
  const pace = linePace(bread, shift.plates[0]!, true);
  expect(pace.limit).toBe(limit);
  const line = compileShift(shift);
  const start = clockS(8);
  const plan = { batches: [{ bread: 0, n: 100, start, bakeAt: start + Math.ceil(doughS(bread, 100)) }] };
  const { pieces } = runShift(line, plan, usualDay(shift), { log: true }).log!;
  // The first places fill at another pace.
  const [from, to] = [30, 90];
  const seconds = (pieces[to]!.on - pieces[from]!.on) / (to - from);
  expect(seconds / pace.paceS).toBeGreaterThan(0.99);
  expect(seconds / pace.paceS).toBeLessThan(1.01);
});

test('a second after the latest start is late', () => {
  const bread = { ...LUNCH.breads[0]!, rejectShare: 0 };
  const plate = LUNCH.plates[0]!;
  const shift: Shift = { ...LUNCH, breads: [bread], people: LUNCH.people.slice(0, 1) };
  const readyBy = clockS(11);
  const latest = latestStart(bread, plate, { pieces: 30, readyBy, ready: 'all', helperRolls: false });
  const lastOff = (startS: number) => {
    const plan = { batches: [{ bread: 0, n: 30, start: startS }], light: latest.light };
    return runShift(compileShift(shift), plan, usualDay(shift), { log: true }).log!.pieces.at(-1)!.off;
  };
  expect(lastOff(latest.start)).toBe(readyBy);
  expect(lastOff(latest.start + 1)).toBe(readyBy + 1);
});

test('a dough waits for the bench: it is divided when there is room for its balls', () => {
  const shift: Shift = { ...LUNCH, benchBalls: 60 };
  const plan = {
    batches: [
      { bread: 0, n: 60, start: clockS(8), bakeAt: clockS(9, 10) },
      { bread: 1, n: 40, start: clockS(8, 20), bakeAt: clockS(10, 30) },
    ],
  };
  const dividedAt = (one: Shift) =>
    runShift(compileShift(one), plan, usualDay(one), { log: true }).log!.acts.find(
      ({ kind, batch }) => kind === 'divide' && batch === 1,
    )!.from;
  const free = dividedAt(LUNCH);
  const rolledWhen = (left: number) =>
    runShift(compileShift(shift), plan, usualDay(shift), { log: true }).log!.acts.filter(
      ({ kind, batch }) => kind === 'roll' && batch === 0,
    )[60 - left - 1]!.from;
  expect(dividedAt(shift)).toBeGreaterThan(free);
  expect(dividedAt(shift)).toBeGreaterThanOrEqual(rolledWhen(20));
  expect(keepsRules(compileShift(shift), { batches: [{ ...plan.batches[0]!, n: 61 }] })).toBe(false);
});

test('where nothing limits, nobody waits and nothing is thrown away', () => {
  const bread = { ...LUNCH.breads[0]!, rejectShare: 0, holdS: 10 * 3600, rollS: 0, sidesS: [0], heatS: 0 };
  const shift: Shift = { ...LUNCH, breads: [bread], mixers: [{ id: 'mixer', minG: 0, maxG: 500_000 }] };
  const wanted = Array.from({ length: 60 }, (_, guest) => clockS(11) + guest * 60);
  const plan = { batches: [{ bread: 0, n: 60, start: clockS(8), bakeAt: clockS(10) }] };
  const [count] = runShift(compileShift(shift), plan, usualDay(shift, [wanted])).counts;
  expect(count).toMatchObject({ made: 60, taken: 60, lost: 0, waitS: 0, waste: 0 });
});

test('with the same plan a longer hold is never worse', () => {
  for (let seed = 0; seed < 60; seed += 1) {
    const { line, plan } = anyShift(seed);
    const day = drawDay(line.shift, seed, 1);
    const longer = compileShift({
      ...line.shift,
      breads: line.breads.map((bread) => ({ ...bread, holdS: bread.holdS * 2 })),
    });
    expect(runShift(longer, plan, day).cost).toBeLessThanOrEqual(runShift(line, plan, day).cost + 1e-9);
  }
});

test.each([
  [{ serviceTo: clockS(10) }, 'The service ends before it begins.'],
  [{ people: [] }, 'Nobody is on shift.'],
  [{ breads: [] }, 'There is no bread to make.'],
])('a shift that cannot be is refused in one sentence: %#', (changes, sentence) => {
  expect(said(problemsIn(shiftSchema, { ...LUNCH, ...changes }))).toContain(sentence);
});

test('a plan that names a bread or a cold dough that is not there is refused at its place', () => {
  const cold = [{ id: 'a', bread: 'wrap', as: 'balls', pieces: 20, bestBy: LUNCH.ends, warmS: 2400 }];
  const pathsOf = (batch: object) =>
    shiftDocumentSchema
      .safeParse({
        ...{ format: 'kettle-scale/shift', formatVersion: 1, shift: { ...LUNCH, cold } },
        plan: { batches: [{ bread: 0, n: 20, start: clockS(9), ...batch }] },
      })
      .error?.issues.map(({ path }) => path.join('.'));
  expect(pathsOf({ cold: 0 })).toBeUndefined();
  expect(pathsOf({ bread: 7 })).toEqual(['plan.batches.0.bread']);
  expect(pathsOf({ bread: 1, cold: 0 })).toEqual(['plan.batches.0.cold']);
  expect(pathsOf({ cold: 1 })).toEqual(['plan.batches.0.cold']);
});
