import { said } from '../test/said';
import { CATALOGUE } from '../ingredient/catalogue';
import { lotState } from '../flourLot/lotState';
import { eventsOf, formula, kitchen, request } from '../test/examples';
import { coldChain } from './coldChain';
import { ORDINARY_DAY } from '../kitchen/conditionsSchema';
import type { EventBody } from './eventSchema';
import { foldBatch } from './foldBatch';
import { checkWeight, ifKept, offerRescale } from './overPour';
import { planBatch } from '../plan/planBatch';
import { batchRecord } from './record';
import { refuseEvent } from './refuseEvent';
import { additionG, correctionFor, correctionLines, runningDough, topUps } from './runningDough';
import { skippedWords } from './skippedWater';

const plan = planBatch({
  ...request({ need: { by: 'flour', flourG: 2000, ballG: 92 } }),
  conditions: {
    ...ORDINARY_DAY,
    lot: {
      ...{ id: 'lot', name: 'Lot', ingredient: 'flour-strong', moisture: 0.14, days: 0, storage: 'closed' },
      offset: { meanPoints: 0, sdPoints: 2, noisePoints: 1, batches: 0 },
    },
  },
});
const weighAll: EventBody[] = plan.sheet.map(({ lineId, massG, startG = massG }) => ({
  type: 'weighed',
  stepId: `weigh-1-${lineId}`,
  massG: startG,
}));
const held = plan.holdBack?.massG ?? 0;
const add = (massG: number, lineId = 'water', stepId = 'mix-1'): EventBody => ({
  ...{ type: 'added', stepId, lineId, massG },
  why: 'hold-back',
});
const stateAfter = (...more: EventBody[]) => foldBatch(plan, eventsOf(...weighAll, ...more));
const doughAfter = (...more: EventBody[]) => {
  const dough = runningDough(plan, stateAfter(...more), 1);
  if (!dough) throw new Error('no dough');
  return dough;
};
const waterStep = plan.steps.find(({ lineId }) => lineId === 'water');
if (!waterStep) throw new Error('no water');

describe('a bowl mixed by feel', () => {
  test('runs up to the day’s hydration as the hold-back goes in, and an undo takes it back', () => {
    const start = doughAfter();
    expect(start.heldLeftG).toBe(held);
    expect(start.totals.hydration).toBeLessThan(plan.totals.hydration);
    expect(doughAfter(add(held)).totals.hydration).toBeCloseTo(plan.totals.hydration, 9);
    expect(doughAfter(add(held), add(20)).heldLeftG).toBe(0);
    const events = eventsOf(...weighAll, add(held));
    const undo = eventsOf({ type: 'void', eventId: events.at(-1)?.id ?? '' })[0];
    if (!undo) throw new Error('no undo');
    const undone = runningDough(plan, foldBatch(plan, [...events, { ...undo, id: 'undo' }]), 1);
    expect(undone).toEqual(start);
  });

  test('one addition is a pour, not a flood', () => {
    expect(additionG(doughAfter(), 5)).toBe(30);
    expect(additionG({ ...doughAfter(), flourG: 10_000 }, 5)).toBe(45);
    expect(additionG({ ...doughAfter(), flourG: 100 }, 1)).toBe(5);
  });

  test('water to start with is right anywhere up to all of it, over only above', () => {
    const state = foldBatch(plan, []);
    const line = plan.sheet.find(({ lineId }) => lineId === 'water');
    const [startG = 0, allG = 0] = [line?.startG, line?.massG];
    expect(checkWeight(plan, state, waterStep, startG)).toMatchObject({ verdict: 'right', heldInG: 0 });
    expect(checkWeight(plan, state, waterStep, startG + 40)).toMatchObject({ verdict: 'right', heldInG: 40 });
    expect(checkWeight(plan, state, waterStep, startG - 40).verdict).toBe('short');
    expect(checkWeight(plan, state, waterStep, allG + 60)).toMatchObject({ verdict: 'over', offG: 60 });
    expect(ifKept(plan, state, waterStep, allG + 60).fraction).toBeCloseTo((allG + 60) / plan.flourG, 9);
    expect(offerRescale(plan, state, waterStep, allG * 1.1).factor).toBeCloseTo(
      (allG * 1.1) / (line?.exactG ?? 1),
      9,
    );
  });

  test('a rescale lets the start follow too', () => {
    const state = foldBatch(
      plan,
      eventsOf(...weighAll.slice(0, 1), { type: 'rescaled', stepId: 'weigh-1-strong', factor: 1.1 }),
    );
    const water = state.bowls[0]?.lines.find(({ lineId }) => lineId === 'water');
    const planned = plan.sheet.find(({ lineId }) => lineId === 'water');
    expect((water?.targetG ?? 0) / (water?.totalG ?? 1)).toBeCloseTo(
      (planned?.startG ?? 0) / (planned?.massG ?? 1),
      2,
    );
  });

  test('dry and wet doughs are corrected towards the day’s hydration', () => {
    const dough = doughAfter(add(held));
    const dry = correctionFor(plan, dough, 'very dry', false);
    expect(dry.massG).toBeCloseTo(2 * 0.015 * dough.flourG, 9);
    const wet = correctionFor(plan, dough, 'sticky', false);
    expect(wet.topUps.map(({ name }) => name)).toEqual(['Rapeseed oil', 'Fine salt']);
    expect(correctionLines(plan)).toMatchObject({ liquid: { lineId: 'water' }, flour: { lineId: 'strong' } });
  });

  test('flour that went in beyond the plan asks for its salt and oil', () => {
    const dough = doughAfter(add(200, 'strong'));
    const asked = Object.fromEntries(topUps(dough).map(({ line, massG }) => [line.lineId, massG]));
    expect(asked).toMatchObject({ oil: expect.closeTo(22, -1), salt: expect.closeTo(3.8, 1) });
    expect(topUps(doughAfter())).toEqual([]);
  });

  test('the dough as made: additions and bench flour are in its true percentages', () => {
    const kneaded: EventBody[] = [
      add(held + 30),
      { type: 'done', stepId: 'mix-1' },
      { type: 'dusted', stepId: 'knead-1', massG: 40 },
      { type: 'felt', stepId: 'knead-1', feel: 'right' },
      { type: 'done', stepId: 'knead-1' },
    ];
    const record = batchRecord(plan, stateAfter(...kneaded));
    const waterG = (plan.sheet.find(({ lineId }) => lineId === 'water')?.massG ?? 0) + 30;
    expect(record.actual.hydration).toBeCloseTo(waterG / (plan.flourG + 40), 9);
    expect(record.lotPoints).toBeCloseTo(
      100 *
        (record.actual.hydration -
          (plan.today?.hydration.formula ?? 0) -
          (plan.today?.hydration.byMoisture ?? 0)),
      9,
    );
    expect(record.lotFlourG).toBe(plan.sheet.find(({ lineId }) => lineId === 'strong')?.massG);
    const sticky = kneaded.map((body) =>
      body.type === 'felt' ? { ...body, feel: 'sticky' as const } : body,
    );
    expect(batchRecord(plan, stateAfter(...sticky)).lotPoints).toBeUndefined();
  });

  test('acts that fit no step are refused in words', () => {
    const refuse = (body: EventBody) => {
      const [event] = eventsOf(body);
      return event ? refuseEvent(plan, [], event)?.message : undefined;
    };
    expect(said(refuse(add(10, 'honey')))).toBe('This batch has no line “honey”.');
    expect(said(refuse(add(10, 'water', 'divide')))).toMatch(/cannot be added/);
    expect(said(refuse({ type: 'poked', stepId: 'mix-1', poke: 'dent stays' }))).toMatch(/cannot be poked/);
    expect(refuse(add(10))).toBeUndefined();
  });
});

test('an act that happened before the batch ended elsewhere is late, not refused', () => {
  const [end, late] = eventsOf(
    { type: 'finished', pieces: 10, good: 10 },
    { type: 'dusted', stepId: 'flatten', massG: 5 },
  );
  if (!end || !late) throw new Error('no events');
  expect(refuseEvent(plan, [end], late)?.reason).toBe('over');
  expect(refuseEvent(plan, [end], { ...late, at: '2026-03-04T09:59:59.000Z' })).toBeNull();
});

describe('the cold chain', () => {
  const milk = planBatch(
    request({
      formula: {
        ...formula,
        lines: formula.lines.map((line) =>
          line.id === 'water' ? { ...line, ingredient: 'milk-whole' } : line,
        ),
      },
      kitchen: { ...kitchen, coldLimitH: 2 },
    }),
  );

  test('counts from the first milk on the scale, and not for a dough without', () => {
    const weighed = eventsOf({ type: 'weighed', stepId: 'weigh-1-water', massG: 1000 });
    const at = Date.parse(weighed[0]?.at ?? '');
    const chain = coldChain(milk, foldBatch(milk, weighed), at + 3600_000);
    expect(chain).toEqual({ outS: 3600, limitS: 7200, leftS: 3600 });
    expect(coldChain(milk, foldBatch(milk, []), at)).toBeNull();
    expect(coldChain(plan, stateAfter(), at)).toBeNull();
    expect(CATALOGUE.some(({ id }) => id === 'milk-whole')).toBe(true);
  });
});

test('a lot says what is left, when it runs out, and what it drinks', () => {
  const now = Date.UTC(2026, 2, 11);
  const use = (day: number, flourG: number, points: number | null) => ({
    ...{ batchId: `b${day}`, formulaName: 'Wrap', flourG, points },
    startedAt: new Date(Date.UTC(2026, 2, day)).toISOString(),
  });
  const lot = {
    ...{ id: 'lot', ingredient: 'flour-strong', name: 'Lot', receivedOn: '2026-03-01', bagKg: 25, bags: 2 },
  };
  const state = lotState(lot, [use(5, 7000, 2), use(9, 7000, 3), use(10, 7000, null)], 0, now, 'UTC');
  expect(state).toMatchObject({ usedG: 21_000, leftG: 29_000, perDayG: 3000, runsOutOn: '2026-03-20' });
  expect(state.offset).toMatchObject({ batches: 2, meanPoints: expect.closeTo(5 / 2.25, 9) });
  const counted = { ...lot, counted: { at: '2026-03-09T12:00:00.000Z', leftG: 40_000 } };
  expect(lotState(counted, [use(5, 7000, 2), use(10, 7000, null)], 0, now, 'UTC').leftG).toBe(33_000);
});

test('water that was kept back and stays out is said with what it means; a spoonful is not', () => {
  const words = skippedWords(plan, doughAfter());
  expect(said(words)).toMatch(
    /of water stays out: hydration is .* instead of .*, and \d+ balls come to .* instead of 92/,
  );
  expect(said(words)).toMatch(/lighter than their tolerance|within their tolerance/);
  expect(skippedWords(plan, doughAfter(add(held)))).toBeNull();
  expect(skippedWords(plan, doughAfter(add(held - 5)))).toBeNull();
});
