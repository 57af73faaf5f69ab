import { warmUpS, warmingBall } from '../dough/ballWarmUp';
import { AGE_KEPT_AFTER_BALLING, SPRING_BACK, ageAfter, restFor, springBackAfter } from '../dough/springBack';
import { eventsOf, formula, request } from '../test/examples';
import { ORDINARY_DAY } from '../kitchen/conditionsSchema';
import type { EventBody } from './eventSchema';
import { explainRest } from '../explain/explainToday';
import { foldBatch } from './foldBatch';
import { planBatch } from '../plan/planBatch';
import type { Plan } from '../plan/planSchema';
import { restAdvice } from './restAdvice';
import { relaxingKind } from '../plan/today/restingDough';
import { liveWindow } from './stepTimes';

const MIN = 60_000;
const START = Date.UTC(2026, 2, 4, 10);
/** A dough as warm as the air stays as warm, so that the law can be followed by hand. */
const DOUGH_C = 24;

const rest = (of: 'dough' | 'balls', where: 'room' | 'fridge') => ({
  ...{ of, where, earliestS: 600, latestS: 24 * 3600, cover: 'film' },
});
const planWith = (rests: ReturnType<typeof rest>[], method: object = {}, conditions: object = {}): Plan =>
  planBatch({
    ...request({ formula: { ...formula, method: { ...formula.method, rests, ...method } } }),
    conditions: { ...ORDINARY_DAY, airC: DOUGH_C, doughC: DOUGH_C, ...conditions },
  });
const room = planWith([rest('dough', 'room'), rest('balls', 'room')]);
const kind = relaxingKind(room.formula, room.totals.fat);
/** Minutes as time constants at the dough's temperature. */
const ages = (minutes: number) => ageAfter(minutes, kind, () => DOUGH_C);

/** The second rest began at the start; events follow one minute apart; asked so many minutes after the start. */
function asked(plan: Plan, minutes: number, ...more: EventBody[]) {
  return askedOf(plan, 'rest-2', minutes, { type: 'started', stepId: 'rest-2' }, ...more);
}
function askedOf(plan: Plan, id: string, minutes: number, ...bodies: EventBody[]) {
  const state = foldBatch(plan, eventsOf(...bodies));
  const step = state.steps.find((candidate) => candidate.step.id === id);
  if (!step) throw new Error('no rest');
  const advice = restAdvice(plan, state, step, START + minutes * MIN);
  if (!advice) throw new Error('the rest was not begun');
  return { ...advice, step };
}
const poked = (poke: 'springs right back' | 'fills slowly' | 'dent stays'): EventBody => ({
  ...{ type: 'poked', stepId: 'rest-2' },
  poke,
});
const probed = (stepId: string, tempC: number): EventBody => ({
  ...{ type: 'measured', stepId, what: 'dough', tempC },
  by: 'probe',
});

describe('by the law', () => {
  test('every minute of rest is a minute less to wait, down to none', () => {
    const [early, later] = [asked(room, 5), asked(room, 9)];
    expect(early.from).toBe('law');
    expect(early.moreS - later.moreS).toBeCloseTo(240, 6);
    expect(early.springBackNow).toBeCloseTo(springBackAfter(ages(5), 1), 9);
    expect(asked(room, early.moreS / 60 + 5).springBackNow).toBeCloseTo(early.wanted, 6);
    expect(asked(room, 120).moreS).toBe(0);
  });

  test('the rest before balling counts by half', () => {
    const whole: EventBody[] = [
      { type: 'started', stepId: 'rest-1' },
      ...Array.from({ length: 9 }, (): EventBody => ({ type: 'note', text: 'waiting' })),
      { type: 'done', stepId: 'rest-1' },
      { type: 'started', stepId: 'rest-2' },
    ];
    // Ten minutes as a whole dough, one between, then six as balls.
    const { springBackNow } = askedOf(room, 'rest-2', 17, ...whole);
    expect(springBackNow).toBeCloseTo(springBackAfter(AGE_KEPT_AFTER_BALLING * ages(10) + ages(6), 1), 6);
  });

  test('there is none before the rest is begun', () => {
    const state = foldBatch(room, []);
    const step = state.steps.find((candidate) => candidate.step.id === 'rest-2');
    expect(step && restAdvice(room, state, step, START)).toBeNull();
  });
});

describe('what is seen outweighs it', () => {
  test.each([
    ['springs right back', 0.14],
    ['fills slowly', 0.09],
    ['dent stays', 0.05],
  ] as const)('%s stands for %d', (poke, springBack) => {
    // The poke is one minute after the start.
    const at = asked(room, 1, poked(poke));
    expect(at).toMatchObject({ from: 'poke', springBackNow: expect.closeTo(springBack, 9) });
    const later = asked(room, 4, poked(poke));
    expect(later.springBackNow).toBeCloseTo(springBackAfter(restFor(springBack, 1) + ages(3), 1), 9);
  });

  test('a trial disc refits the time constant, and the wait follows it', () => {
    const tauMin = 25;
    const disc: EventBody = {
      ...{ type: 'sprang-back', stepId: 'rest-2', rolledMm: 250 },
      relaxedMm: 250 * (1 - springBackAfter(1, tauMin)),
    };
    const slow = asked(room, 10, disc);
    expect(slow).toMatchObject({ from: 'disc', tauMin: expect.closeTo(tauMin, 6) });
    expect(slow.moreS / 60).toBeCloseTo(restFor(slow.wanted, tauMin) - 10, 6);
  });

  test('the last look counts', () => {
    expect(asked(room, 3, poked('springs right back'), poked('dent stays')).moreS).toBe(0);
  });
});

describe('temperature', () => {
  test('a probe in the rest shows a colder dough, which takes longer', () => {
    const cold = asked(room, 5, probed('rest-2', 13));
    expect(cold.tempC).toBeGreaterThan(13);
    expect(cold.tempC).toBeLessThan(DOUGH_C);
    expect(cold.moreS).toBeGreaterThan(asked(room, 5).moreS);
  });

  test('what was measured while scalded dough cooled is not the dough’s temperature', () => {
    const scalded = planWith([rest('dough', 'room'), rest('balls', 'room')], {
      ...{ school: 'boiling-water', liquidTempC: 96 },
    });
    const wait: EventBody[] = [probed('mix-1', 63), { type: 'started', stepId: 'rest-1' }];
    expect(askedOf(scalded, 'rest-1', 2, ...wait).tempC).toBeCloseTo(scalded.today?.doughC ?? 0, 6);
    const kneaded: EventBody[] = [probed('knead-1', 33), { type: 'started', stepId: 'rest-1' }];
    expect(askedOf(scalded, 'rest-1', 2, ...kneaded).tempC).toBe(33);
  });

  test('a scalded dough is kneaded at what hands bear, not at what the water gave', () => {
    const { today } = planWith(
      [rest('dough', 'room')],
      { school: 'boiling-water', liquidTempC: 96 },
      { doughC: undefined },
    );
    expect(today?.cooling?.fromC).toBeGreaterThan(55);
    expect(today?.doughC).toBe(today?.cooling?.toC);
  });

  test('balls from the fridge are not calm before their centre is warm, whatever the law says', () => {
    const fridge = planWith([rest('balls', 'fridge'), rest('balls', 'room')]);
    const night: EventBody[] = [{ type: 'started', stepId: 'rest-1' }];
    const morning = eventsOf(
      ...night,
      { type: 'done', stepId: 'rest-1' },
      { type: 'started', stepId: 'rest-2' },
    );
    const hours = 12 * 60 * MIN;
    const events = morning.map((event, index) =>
      index === 0 ? { ...event, at: new Date(START - hours).toISOString() } : event,
    );
    const state = foldBatch(fridge, events);
    const step = state.steps.find((candidate) => candidate.step.id === 'rest-2');
    const at = (minutes: number) => step && restAdvice(fridge, state, step, START + (2 + minutes) * MIN);
    // After the night it is as cold as the fridge, but for what the series leaves.
    const nightS = 12 * 3600;
    const afterNightC = warmingBall(fridge.ballG, DOUGH_C, 4).meanC(nightS);
    expect(afterNightC).toBeCloseTo(4, 3);
    const coldS = warmUpS(fridge.ballG, afterNightC, DOUGH_C, 18);
    // A night in the cold has calmed it; only the warmth is missing.
    expect(at(0)?.springBackNow).toBeCloseTo(SPRING_BACK.rested, 2);
    expect(at(0)?.moreS).toBeCloseTo(coldS, 3);
    expect(at(30)?.moreS).toBeCloseTo(coldS - 1800, 3);
    expect(at(30)?.tempC).toBeGreaterThan(at(0)?.tempC ?? 0);
    expect(at(coldS / 60)?.moreS).toBeCloseTo(0, 3);
  });
});

test('why: the sheet names what it rests on, and the missing warmth', () => {
  const words = (advice: ReturnType<typeof asked>) =>
    explainRest(advice).inputs.map(({ label, value }) => `${label}: ${value}`);
  expect(words(asked(room, 3, poked('fills slowly')))).toContain('Based on: Your last poke');
  expect(words(asked(room, 3)).some((line) => line.startsWith('Until its centre'))).toBe(false);
  expect(words(asked(room, 3, probed('rest-2', 6))).some((line) => line.startsWith('Until its centre'))).toBe(
    true,
  );
});

test('made longer, the window opens later', () => {
  const longer = asked(room, 2, { type: 'extended', stepId: 'rest-2', seconds: 3600 });
  expect(liveWindow(room, longer.step)?.earliestS).toBeCloseTo(3660, 6);
  expect(liveWindow(room, asked(room, 2).step)?.earliestS).toBe(room.today?.rests[1]?.earliestS);
});
