import { said } from '../test/said';
import { springBackAfter } from '../dough/springBack';
import { lessonAdjustments, lotWithSwitch } from '../log/applyLessons';
import type { BatchFacts } from '../log/factsSchema';
import { seasonOf } from '../log/seasons';
import { learnRelaxing } from './learnRelaxing';
import { learnEffects } from './learnEffects';
import { lessonsFrom } from './lessons';
import type { Lesson } from '../log/lessonSchema';
import { shiftOfDay } from '../shift/day/lineBread';
import { CATALOGUE } from '../ingredient/catalogue';
import { formula, request } from '../test/examples';
import { factsOf as facts } from '../test/facts';

const context = { lots: [{ id: 'lot-a', name: 'Lot A' }], off: [] as string[], zone: 'UTC' };
const teach = (all: BatchFacts[], off: string[] = []) => lessonsFrom(all, { ...context, off });
const one = (all: BatchFacts[], id: string) => {
  const found = teach(all).find((lesson) => lesson.id === id);
  if (!found) throw new Error(`no lesson ${id}`);
  return found;
};
const times = (n: number, of: (index: number) => Partial<BatchFacts>) =>
  Array.from({ length: n }, (_, index) => facts({ batchId: `b${index}`, ...of(index) }));

test('a lot teaches its thirst by the same law as the plan uses', () => {
  const lesson = one(
    times(4, () => ({ waterPoints: 1.5 })),
    'water/lot-a',
  );
  // Conjugate normal: prior N(0, 2²), noise 1, four batches at 1.5.
  expect(lesson.value).toBeCloseTo((4 * 1.5) / (4 + 1 / 4), 9);
  expect(lesson.high - lesson.value).toBeCloseTo(1.6449 / Math.sqrt(4 + 1 / 4), 3);
  expect(lesson.evidence.map(({ value }) => value)).toEqual([1.5, 1.5, 1.5, 1.5]);
  expect(said(lesson.title)).toBe('Water of Lot A');
});

test('times of steps against their plan are learned, work that was interrupted left out, and a service counts with them', () => {
  const all = times(9, (index) => ({
    times: {
      divide: { plannedS: 200, tookS: index === 8 ? 4000 : 260 },
      weigh: { plannedS: 100, tookS: 100 },
    },
  }));
  const lesson = one(all, 'time/divide');
  expect(lesson.batches).toBe(8);
  // Eight days at 1.3 with the prior's guess of their spread, worth four: pulled a little towards 1.
  expect(lesson.value).toBeGreaterThan(1.25);
  expect(lesson.value).toBeLessThan(1.3);
  expect(said(lesson.words)).toMatch(/^Dividing takes 2\d\s% longer than planned\.$/);
  expect(said(one(all, 'time/weigh').words)).toBe('Weighing takes as long as planned.');
  const service = {
    ...({ format: 'kettle-scale/service-day', formatVersion: 1, day: '2026-03-04', name: 'Lunch' } as const),
    ...{ opens: 0, serviceFrom: 3600, serviceTo: 7200, ends: 7200, cooks: [], sureness: 0.85 },
    ...{ leftAtClose: 'kept' as const, breads: [{ formulaId: formula.id, waves: [] }] },
  };
  const { kitchen } = request();
  const bread = (lessons: Lesson[]) => {
    const [made] = shiftOfDay(service, { formulas: [formula], foods: CATALOGUE, kitchen, lessons }).breads;
    if (!made) throw new Error('one bread');
    return made;
  };
  const usual = bread([]);
  const taught = bread(teach(all));
  expect(taught.divideS).toBeCloseTo(usual.divideS * lesson.value, 9);
  expect(bread(teach(all, ['time/divide'])).divideS).toBe(usual.divideS);
  expect(taught.mixS).toBe(usual.mixS);
});

test('a lesson rests on all its batches and shows the newest forty', () => {
  const lesson = one(
    times(150, (index) => ({
      waterPoints: 1,
      startedAt: new Date(Date.UTC(2026, 0, 1 + index)).toISOString(),
    })),
    'water/lot-a',
  );
  expect(lesson.batches).toBe(150);
  expect(lesson.evidence).toHaveLength(40);
  expect(lesson.evidence.at(0)?.batchId).toBe('b110');
  expect(lesson.evidence.at(-1)?.batchId).toBe('b149');
});

test('a season is told from a thirsty lot: only what lots share counts for it', () => {
  const july = (lot: string, points: number) => ({ lot, effect: seasonOf('2026-07-10'), points });
  const january = (lot: string, points: number) => ({ lot, effect: seasonOf('2026-01-10'), points });
  const many = <T>(point: T) => Array.from({ length: 12 }, () => point);
  const shared = learnEffects(
    ['a', 'b', 'c'].flatMap((lot) => [...many(july(lot, 1)), ...many(january(lot, -1))]),
    1,
  );
  expect(shared.get('June to August')?.value).toBeCloseTo(1, 0);
  const confounded = learnEffects([...many(july('a', 2)), ...many(january('b', 0))], 1);
  expect(confounded.get('June to August')?.value).toBeLessThan(0.6);
});

test('losses, rejects and cost come from all their batches, with intervals', () => {
  const all = times(12, (index) => ({
    startedAt: `2026-03-${String(index + 1).padStart(2, '0')}T10:00:00.000Z`,
    bowlLoss: 0.02 + (index % 2 ? 0.001 : -0.001),
    costPerPiece: 0.1 + index * 0.001,
    pieces: { planned: 50, made: 50, good: 45 },
  }));
  const loss = one(all, 'bowl-loss');
  expect(loss.value).toBeCloseTo(0.02, 2);
  expect(loss.low).toBeLessThan(0.02);
  expect(loss.adjustment).toMatchObject({ what: 'bowl-loss', value: loss.value });
  expect(one(all, 'cost/round').value).toBeCloseTo(0.03, 6);
  expect(one(all, 'rejects/round').value).toBeCloseTo(61 / 631, 9);
});

test('the pace of relaxing is found from discs, and says little when they were fully rested', () => {
  const truth = 1.4;
  const discs = (age: number) =>
    Array.from({ length: 12 }, () => ({ age, springBack: springBackAfter(age, truth) }));
  const early = learnRelaxing(discs(0.8));
  expect(early?.value).toBeCloseTo(truth, 1);
  const late = learnRelaxing(discs(8));
  expect((late?.high ?? 0) - (late?.low ?? 0)).toBeGreaterThan(2 * ((early?.high ?? 0) - (early?.low ?? 0)));
  expect(learnRelaxing([])).toBeNull();
});

test('rest that worked: minutes at the pace seen, for the spring-back that is wanted', () => {
  const truth = 1.25;
  const all = times(6, () => ({
    restMin: 30,
    relaxing: [{ age: 2, springBack: springBackAfter(2, truth) }],
    springBack: { wanted: 0.06, seen: springBackAfter(2, truth) },
  }));
  // s = 0.06 takes −ln(0.02/0.18) = 2.197 time constants; two of the law took 30 min.
  expect(one(all, 'rest/round').value).toBeCloseTo(truth * 2.1972 * 15, -1);
  expect(said(one(all, 'rest/round').words)).toMatch(/0 of 6 batches were relaxed enough/);
});

test('spreads are pooled within batches', () => {
  const all = times(3, (index) => ({
    balls: { targetG: 100, toleranceG: 3, massesG: [99 + index, 101 + index] },
  }));
  expect(teach(all).some(({ id }) => id === 'ball-spread/round')).toBe(false);
  const more = times(6, (index) => ({
    balls: { targetG: 100, toleranceG: 3, massesG: [99 + index, 101 + index] },
  }));
  expect(one(more, 'ball-spread/round').value).toBeCloseTo(Math.SQRT2, 9);
});

test('a batch that was given up teaches nothing', () => {
  expect(teach(times(5, () => ({ status: 'abandoned', bowlLoss: 0.1 })))).toEqual([]);
});

describe('into a plan', () => {
  const all = times(6, () => ({
    waterPoints: 1,
    bowlLoss: 0.02,
    restMin: 30,
    relaxing: [{ age: 1, springBack: springBackAfter(1, 1.3) }],
  }));
  const plan = { formulaId: 'round', lot: undefined, today: '2026-03-20' };
  const whats = (of: typeof plan, off: string[] = []) =>
    lessonAdjustments(teach(all, off), of).map(({ what }) => what);

  test('go those that are about its formula and season, if they are let', () => {
    expect(whats(plan)).toEqual(['water', 'bowl-loss', 'relaxing-time', 'least-rest']);
    expect(whats({ ...plan, formulaId: 'other' })).toEqual(['water', 'bowl-loss']);
    expect(whats({ ...plan, today: '2026-07-20' })).not.toContain('water');
    expect(whats(plan, ['bowl-loss', 'rest/round'])).toEqual(['water', 'relaxing-time']);
  });

  test('a lot that was mixed has drunk its season; switched off, it is a lot like any other', () => {
    const offset = { meanPoints: 2, sdPoints: 0.5, noisePoints: 1, batches: 4 };
    const lot = {
      ...{ id: 'lot-a', name: 'Lot A', ingredient: 'flour-strong', moisture: 0.14, days: 3 },
      ...{ storage: 'closed' as const, offset },
    };
    expect(lessonAdjustments(teach(all), { ...plan, lot }).map(({ what }) => what)).not.toContain('water');
    expect(lotWithSwitch(lot).offset).toBe(offset);
    expect(lotWithSwitch(lot, ['water/lot-a']).offset).toMatchObject({ meanPoints: 0, batches: 0 });
  });
});
