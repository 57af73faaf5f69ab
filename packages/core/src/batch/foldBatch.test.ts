import { said } from '../test/said';
import fc from 'fast-check';
import { eventId, eventsOf, kitchen, request } from '../test/examples';
import type { EventBody } from './eventSchema';
import { explainDivision, explainRolling, explainTarget } from '../explain/explainBench';
import { foldBatch } from './foldBatch';
import { checkWeight, ifKept, offerRescale } from './overPour';
import { planBatch } from '../plan/planBatch';
import { lastPress } from './liveEvents';
import { batchRecord, ballForCountG, countForBall } from './record';
import { refuseEvent } from './refuseEvent';
import { stepTimes } from './stepTimes';
import { windowAt } from './timeWindow';

const plan = planBatch(request());
const fold = (...bodies: EventBody[]) => foldBatch(plan, eventsOf(...bodies));
const weighed = (line: string, massG: number, bowl = 1): EventBody => ({
  type: 'weighed',
  stepId: `weigh-${bowl}-${line}`,
  massG,
});
const step = (id: string) => {
  const found = plan.steps.find((s) => s.id === id);
  if (!found) throw new Error(id);
  return found;
};

const allWeighed = plan.sheet.map((line) => weighed(line.lineId, line.massG));
const wholeBatch: EventBody[] = [
  ...allWeighed,
  { type: 'started', stepId: 'mix-1' },
  { type: 'done', stepId: 'mix-1' },
  { type: 'started', stepId: 'knead-1' },
  { type: 'done', stepId: 'knead-1' },
  { type: 'started', stepId: 'rest-1' },
  { type: 'done', stepId: 'rest-1' },
  { type: 'divided', doughG: 5900, pieces: 64, ballG: 91.7 },
  { type: 'started', stepId: 'rest-2' },
  { type: 'done', stepId: 'rest-2' },
  { type: 'flattened', diameterMm: 270, thicknessMm: 1.4 },
  { type: 'piece-on', piece: 1 },
  { type: 'flipped', piece: 1, side: 2 },
  { type: 'piece-off', piece: 1 },
  { type: 'done', stepId: 'griddle' },
  { type: 'finished', pieces: 64, good: 62, note: 'two torn' },
];

describe('foldBatch', () => {
  test('walks through the steps one at a time', () => {
    expect(fold().now?.step.id).toBe('weigh-1-strong');
    expect(fold(weighed('strong', 2505)).now?.step.id).toBe('weigh-1-soft');
    const resting = fold(...wholeBatch.slice(0, 10));
    expect(resting.now?.step.id).toBe('rest-1');
    expect(resting.now?.startedMs).toBe(Date.UTC(2026, 2, 4, 10, 9));
  });

  test('knows the piece over heat and its side', () => {
    const upTo = wholeBatch.findIndex(({ type }) => type === 'flipped') + 1;
    expect(fold(...wholeBatch.slice(0, upTo)).onPlate).toMatchObject([{ piece: 1, side: 2 }]);
    expect(fold(...wholeBatch.slice(0, upTo + 1))).toMatchObject({
      onPlate: [],
      baked: [{ piece: 1 }],
      piecesOff: 1,
    });
  });

  test('ends finished, with its record', () => {
    const state = fold(...wholeBatch);
    expect(state).toMatchObject({ status: 'finished', now: null });
    expect(batchRecord(plan, state)).toMatchObject({
      piecesPlanned: 64,
      piecesExpected: 64,
      piecesMade: 64,
      good: 62,
      doughG: 5900,
      ballG: 91.7,
    });
  });

  test('undo takes back the last act that still counts, again and again', () => {
    const two = fold(weighed('strong', 2505), weighed('soft', 1075));
    expect(two.lastAct?.id).toBe(eventId(1));
    const one = fold(weighed('strong', 2505), weighed('soft', 1075), { type: 'void', eventId: eventId(1) });
    expect(one.now?.step.id).toBe('weigh-1-soft');
    expect(one.lastAct?.id).toBe(eventId(0));
  });

  test('any list of events folds to a state, and voiding all of them returns the start', () => {
    fc.assert(
      fc.property(fc.shuffledSubarray(wholeBatch), (bodies) => {
        const acts = eventsOf(...bodies);
        const voids = bodies.map((_, index): EventBody => ({ type: 'void', eventId: eventId(index) }));
        const state = foldBatch(plan, acts);
        expect(state.status === 'finished').toBe(bodies.some(({ type }) => type === 'finished'));
        expect(foldBatch(plan, eventsOf(...bodies, ...voids))).toEqual(foldBatch(plan, []));
      }),
    );
  });
});

describe('weighing', () => {
  const start = fold();
  test('right within a step or half a percent, else short or over', () => {
    expect(checkWeight(plan, start, step('weigh-1-strong'), 2510)).toMatchObject({
      verdict: 'right',
      targetG: 2505,
    });
    expect(checkWeight(plan, start, step('weigh-1-strong'), 2480)).toMatchObject({
      verdict: 'short',
      offG: -25,
    });
    expect(checkWeight(plan, start, step('weigh-1-salt'), 68.5)).toMatchObject({
      verdict: 'over',
      offG: 0.5,
    });
  });

  const overWater: EventBody[] = [weighed('strong', 2505), weighed('soft', 1075)];
  const pouredG = 2130; // ten percent over
  test('an over-poured water offers to rescale the batch, with the top-ups and pieces it means', () => {
    const offer = offerRescale(plan, fold(...overWater), step('weigh-1-water'), pouredG);
    expect(offer.factor).toBeCloseTo(2130 / (5977.37 * (0.54 / 1.669)), 4);
    expect(offer.topUps).toEqual([
      { name: 'Strong flour', addG: 255, stepG: 5 },
      { name: 'Soft flour', addG: 110, stepG: 5 },
    ]);
    expect(offer.pieces).toBe(71);
    expect(offer.fits).toBe(true);
  });

  test('kept as poured, its percentage is stated', () => {
    const { fraction, hydration } = ifKept(plan, fold(...overWater), step('weigh-1-water'), pouredG);
    expect(fraction).toBeCloseTo(2130 / 3580, 9);
    // The other lines bring no water.
    expect(hydration).toBeCloseTo(fraction, 9);
  });

  const rescaled: EventBody[] = [
    ...overWater,
    weighed('water', pouredG),
    { type: 'rescaled', stepId: 'weigh-1-water', factor: pouredG / (plan.sheet[2]?.exactG ?? 1) },
  ];
  test('rescaled, the cook tops up what was weighed and every percentage holds', () => {
    const state = fold(...rescaled);
    expect(state.now?.step.id).toBe('weigh-1-strong');
    expect(state.bowls[0]?.lines[0]).toMatchObject({ targetG: 2760, weighedG: 2505 });
    const after = fold(
      ...rescaled,
      weighed('strong', 2760),
      weighed('soft', 1185),
      weighed('oil', 435),
      weighed('salt', 75),
    );
    expect(after.now?.step.id).toBe('mix-1');
    expect(batchRecord(plan, after).actual.hydration).toBeCloseTo(0.54, 3);
    expect(batchRecord(plan, after).piecesExpected).toBe(71);
  });

  test('why this much: the plan, and the over-pour the batch follows', () => {
    const before = explainTarget(plan, fold(...overWater), step('weigh-1-strong'));
    expect(said(before.value)).toBe('2,505\u00a0g');
    const after = explainTarget(plan, fold(...rescaled), step('weigh-1-strong'));
    expect(said(after.value)).toBe('2,760\u00a0g');
    expect(said(after.inputs)).toContainEqual({ label: 'The batch is rescaled', value: '× 1.101' });
    expect(said(after.inputs)).toContainEqual({ label: 'In the bowl already', value: '2,505\u00a0g' });
  });

  test('a bowl that is already mixing does not follow, later ones do', () => {
    const three = planBatch(request({ kitchen: { ...kitchen, bowlCapacityG: 2500 } }));
    const exactG = three.sheet[0]?.exactG ?? 1;
    const state = foldBatch(
      three,
      eventsOf({ type: 'started', stepId: 'mix-1' }, weighed('strong', exactG * 1.1, 2), {
        type: 'rescaled',
        stepId: 'weigh-2-strong',
        factor: 1.1,
      }),
    );
    expect(state.bowls.map(({ factor }) => factor)).toEqual([1, 1.1, 1.1]);
  });

  test('a rescale that the bowl cannot hold is not offered as fitting', () => {
    const tight = planBatch(request({ kitchen: { ...kitchen, bowlCapacityG: 6000 } }));
    expect(offerRescale(tight, foldBatch(tight, []), step('weigh-1-strong'), 2700).fits).toBe(false);
  });
});

test('dividing: count gives the ball, the ball gives the count', () => {
  expect(ballForCountG(5900, 64, plan)).toBeCloseTo((5900 * 0.995) / 64, 9);
  expect(countForBall(5900, 92, plan)).toBe(63);
  expect(said(explainDivision(plan, 5900, 64).value)).toBe('91.7\u00a0g');
  expect(said(explainRolling(plan, 92).value)).toBe(`${Math.round(plan.rolled.diameterMm)}\u00a0mm`);
});

describe('refuseEvent', () => {
  const [event] = eventsOf({ type: 'dusted', stepId: 'flatten', massG: 5 });
  const over = eventsOf(...wholeBatch);
  const voidOf = (id: string) => ({ ...eventsOf({ type: 'void', eventId: id })[0] }) as (typeof over)[number];

  test('a finished batch takes the undo of its finish, and what is done with bread and record afterwards', () => {
    const after = { ...event, at: '2026-03-05T10:00:00.000Z' } as (typeof over)[number];
    expect(refuseEvent(plan, over, after)).toMatchObject({ reason: 'over' });
    expect(refuseEvent(plan, over, { ...voidOf(eventId(0)), at: '2026-03-05T10:00:00.000Z' })).toMatchObject({
      reason: 'over',
    });
    expect(refuseEvent(plan, over, voidOf(eventId(over.length - 1)))).toBeNull();
    const later = (body: EventBody) =>
      refuseEvent(plan, over, {
        ...eventsOf(body)[0],
        at: '2026-03-05T10:00:00.000Z',
      } as (typeof over)[number]);
    expect(later({ type: 'note', text: 'sold out by noon' })).toBeNull();
    expect(later({ type: 'held', how: 'cloth', pieces: 62 })).toBeNull();
    expect(later({ type: 'rejected', pieces: 1, reason: 'torn' })).toBeNull();
  });

  describe('a correction', () => {
    const wrong = wholeBatch.findIndex(({ type }) => type === 'divided');
    const fix = (changes: Partial<Extract<EventBody, { type: 'corrected' }>> = {}): EventBody => ({
      type: 'corrected',
      eventId: eventId(wrong),
      field: 'doughG',
      value: 5850,
      reason: 'the bowl was on the scale',
      ...changes,
    });

    test('counts from then on, in state and record; undone, the first figure is back', () => {
      expect(fold(...wholeBatch, fix()).divided?.doughG).toBe(5850);
      expect(batchRecord(plan, fold(...wholeBatch, fix())).doughG).toBe(5850);
      expect(fold(...wholeBatch, fix(), fix({ value: 5800 })).divided?.doughG).toBe(5800);
      expect(
        fold(...wholeBatch, fix(), { type: 'void', eventId: eventId(wholeBatch.length) }).divided?.doughG,
      ).toBe(5900);
    });

    test.each<[string, ReturnType<typeof fix>, string]>([
      ['of nothing', fix({ eventId: eventId(99) }), 'no such act'],
      ['of a figure the act has not', fix({ field: 'tempC' }), 'no such figure'],
      ['out of range', fix({ value: 0 }), 'between 0.01 and'],
      [
        'that breaks a rule',
        fix({ eventId: eventId(wholeBatch.length - 1), field: 'good', value: 65 }),
        'more good pieces',
      ],
    ])('%s is refused in words', (_case, body, words) => {
      const [event] = eventsOf(body);
      expect(said(refuseEvent(plan, over, event as (typeof over)[number])?.message)).toContain(words);
    });

    test('that fits is taken though the batch is over', () => {
      const [event] = eventsOf(fix());
      expect(
        refuseEvent(plan, over, { ...event, at: '2026-03-05T10:00:00.000Z' } as (typeof over)[number]),
      ).toBeNull();
    });
  });

  test.each<[EventBody, string]>([
    [{ type: 'weighed', stepId: 'weigh-1-moon', massG: 5 }, 'no step'],
    [{ type: 'weighed', stepId: 'mix-1', massG: 5 }, 'cannot be weighed'],
    [{ type: 'done', stepId: 'divide' }, 'cannot be done'],
    [{ type: 'void', eventId: eventId(99) }, 'no such act'],
  ])('%j does not fit', (body, words) => {
    const [unfit] = eventsOf(body);
    expect(said(refuseEvent(plan, [], unfit as (typeof over)[number])?.message)).toContain(words);
  });
});

test('a window is early, then open, then late', () => {
  const at = (s: number) => windowAt(0, 900, 2700, s * 1000);
  expect(at(366)).toEqual({ phase: 'early', elapsedS: 366, remainingS: 534, share: 366 / 900 });
  expect(at(900)).toMatchObject({ phase: 'open', remainingS: 1800, share: 0 });
  expect(at(2760)).toMatchObject({ phase: 'late', remainingS: 60, share: 1 });
});

test('planned against actual time: from a timed step’s own start, else from what was done last before it', () => {
  const times = stepTimes(plan, fold(...wholeBatch), Date.UTC(2026, 2, 4, 9, 59));
  const of = (id: string) => times.find(({ step: { id: stepId } }) => stepId === id);
  expect(said(of('weigh-1-strong'))).toMatchObject({
    title: 'Weigh strong flour',
    actualS: 60,
    verdict: 'free',
  });
  expect(of('mix-1')).toMatchObject({
    actualS: 60,
    window: { earliestS: 120, latestS: 240 },
    verdict: 'early',
  });
  expect(of('finish')).toMatchObject({ actualS: 60 });
  const toppedUp = fold(weighed('strong', 2000), weighed('soft', 1075), weighed('strong', 2505));
  expect(
    stepTimes(plan, toppedUp, Date.UTC(2026, 2, 4, 9, 59))
      .slice(0, 2)
      .map(({ actualS }) => actualS),
  ).toEqual([60, 120]);
  expect(stepTimes(plan, fold(), 0).every(({ actualS }) => actualS === null)).toBe(true);
});

test('what was told by one press is taken back by one press, the newest first', () => {
  const [on, off, rejected] = eventsOf(
    { type: 'piece-on', piece: 1 },
    { type: 'piece-off', piece: 1 },
    { type: 'rejected', pieces: 1, reason: 'torn' },
  );
  if (!on || !off || !rejected) throw new Error('no events');
  const together = { ...rejected, at: off.at };
  expect(lastPress([on, off, together]).map(({ id }) => id)).toEqual([rejected.id, off.id]);
  expect(lastPress([on, off, rejected]).map(({ id }) => id)).toEqual([rejected.id]);
  expect(lastPress([])).toEqual([]);
});
