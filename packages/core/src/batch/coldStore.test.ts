import { said } from '../test/said';
import { ORDINARY_DAY } from '../kitchen/conditionsSchema';
import { DEFAULT_FRIDGE_DOUGH_H } from '../kitchen/kitchenDefaults';
import { planBatch } from '../plan/planBatch';
import { eventsOf, formula, request } from '../test/examples';
import { coldChain } from './coldChain';
import { ballsAtHand, ballsMade, coldStore, workableAtMs } from './coldStore';
import type { EventBody } from './eventSchema';
import { foldBatch } from './foldBatch';
import { careDue } from './plateCare';
import { batchRecord } from './record';
import { refuseEvent } from './refuseEvent';

const plan = planBatch({
  ...request({ need: { by: 'pieces', pieces: 24, ballG: 92 } }),
  conditions: ORDINARY_DAY,
});
const divided: EventBody = { type: 'divided', doughG: 2200, pieces: 20, ballG: 92 };
const baked = (from: number, to: number): EventBody[] =>
  Array.from({ length: to - from + 1 }, (_, index) => [
    { type: 'piece-on' as const, piece: from + index },
    { type: 'piece-off' as const, piece: from + index },
  ]).flat();
const stateAfter = (...bodies: EventBody[]) => foldBatch(plan, eventsOf(divided, ...bodies));
const HOUR_MS = 3_600_000;

describe('several draws from one dough', () => {
  test('balls in the fridge are not at hand, and stay with the batch until they come out', () => {
    const cold = stateAfter({ type: 'chilled', pieces: 12 }, ...baked(1, 8));
    expect(ballsAtHand(plan, cold)).toBe(0);
    expect(coldStore(plan, cold).balls).toMatchObject({ pieces: 12, sinceMs: Date.UTC(2026, 2, 4, 10, 1) });
    const out = stateAfter({ type: 'chilled', pieces: 12 }, ...baked(1, 8), { type: 'taken-out', pieces: 5 });
    expect([ballsAtHand(plan, out), coldStore(plan, out).balls?.pieces]).toEqual([5, 7]);
  });

  test('the board says what waits and calls before its time is over, and does not call it late', () => {
    const { now, nowTitle } = batchRecord(plan, stateAfter({ type: 'chilled', pieces: 12 }, ...baked(1, 8)));
    expect(said(nowTitle)).toBe('12 balls in the fridge');
    const limitMs = (now?.closesMs ?? 0) - (now?.startedMs ?? 0);
    expect(limitMs).toBe(DEFAULT_FRIDGE_DOUGH_H * HOUR_MS);
    expect((now?.closesMs ?? 0) - (now?.opensMs ?? 0)).toBeCloseTo(0.2 * limitMs, 3);
  });

  test('dough kept at dividing becomes balls later, never more than there is', () => {
    const kept: EventBody = { type: 'leftover', massG: 1000, as: 'fridge dough' };
    const drawn: EventBody = { type: 'drawn', pieces: 6, massG: 552 };
    const state = stateAfter(kept, drawn);
    expect(ballsMade(plan, state)).toBe(26);
    expect(coldStore(plan, state).dough?.massG).toBe(448);
    const events = eventsOf(divided, kept, drawn, drawn, { type: 'chilled', pieces: 27 });
    const refused = (index: number) => {
      const event = events[index];
      return event && refuseEvent(plan, events.slice(0, Math.min(index, 3)), event)?.message;
    };
    expect(refused(2)).toBeUndefined();
    expect(said(refused(3))).toMatch(/Only 448\sg of this dough is in the fridge/);
    expect(said(refused(4))).toBe('Only 26 balls are at hand.');
  });

  test('an hour in the warm makes no dough younger: the limit runs from the first time in the fridge', () => {
    const again = stateAfter(
      { type: 'chilled', pieces: 5 },
      { type: 'taken-out', pieces: 5 },
      { type: 'chilled', pieces: 4 },
    );
    const { sinceMs, bestByMs } = coldStore(plan, again).balls ?? { sinceMs: NaN, bestByMs: NaN };
    expect(sinceMs).toBe(Date.UTC(2026, 2, 4, 10, 3));
    expect(bestByMs).toBe(Date.UTC(2026, 2, 4, 10, 1) + DEFAULT_FRIDGE_DOUGH_H * HOUR_MS);
  });

  test('nothing comes out that is not in', () => {
    const [first, out] = eventsOf(divided, { type: 'taken-out', pieces: 1 });
    expect(said(first && out && refuseEvent(plan, [first], out)?.message)).toBe(
      'No balls are in the fridge.',
    );
  });

  test('a ball that was cold for a minute is workable sooner than one that was cold for hours', () => {
    const events = (coldMs: number) => {
      const [at, chilled, out] = eventsOf(
        divided,
        { type: 'chilled', pieces: 5 },
        { type: 'taken-out', pieces: 5 },
      );
      if (!at || !chilled || !out) throw new Error('three events');
      return [at, chilled, { ...out, at: new Date(Date.parse(chilled.at) + coldMs).toISOString() }];
    };
    const waitMs = (coldMs: number) => {
      const all = events(coldMs);
      return (workableAtMs(plan, foldBatch(plan, all)) ?? NaN) - Date.parse(all[2]?.at ?? '');
    };
    expect(waitMs(60_000)).toBe(0);
    expect(waitMs(HOUR_MS)).toBeLessThan(waitMs(12 * HOUR_MS));
    expect(waitMs(12 * HOUR_MS)).toBeGreaterThan(45 * 60_000);
  });

  test('time in the fridge does not count as time out of the cold', () => {
    const milk = {
      ...formula,
      lines: formula.lines.map((line) =>
        line.id === 'water' ? { ...line, ingredient: 'milk-whole' } : line,
      ),
    };
    const milky = planBatch(request({ formula: milk, need: { by: 'pieces', pieces: 24, ballG: 92 } }));
    const weighed: EventBody = { type: 'weighed', stepId: 'weigh-1-water', massG: 700 };
    const outS = (...bodies: EventBody[]) => {
      const state = foldBatch(milky, eventsOf(weighed, divided, ...bodies));
      return coldChain(milky, state, Date.UTC(2026, 2, 5, 10))?.outS ?? NaN;
    };
    const allCold = outS({ type: 'chilled', pieces: 20 });
    expect(outS() - allCold).toBe(24 * 3600 - 2 * 60);
    expect(outS({ type: 'chilled', pieces: 19 })).toBe(outS());
  });
});

describe('care of the plate', () => {
  const care = [
    { what: 'wet it', every: 3 },
    { what: 'wipe it with oil', every: 2 },
  ] as const;
  const due = (...bodies: EventBody[]) => careDue(care, stateAfter(...bodies)).map(({ what }) => what);

  test('is due every so many pieces since it was last done, and not before the first', () => {
    expect(due()).toEqual([]);
    expect(due(...baked(1, 2))).toEqual(['wipe it with oil']);
    expect(due(...baked(1, 3))).toEqual(['wet it', 'wipe it with oil']);
    expect(due(...baked(1, 3), { type: 'cared', what: 'wipe it with oil' })).toEqual(['wet it']);
    expect(due(...baked(1, 3), { type: 'cared', what: 'wet it' }, ...baked(4, 5))).toEqual([
      'wipe it with oil',
    ]);
  });
});
