import { said } from '../test/said';
import { lessonAdjustments } from '../log/applyLessons';
import type { BatchFacts } from '../log/factsSchema';
import { newLotOffset } from '../flourLot/lotOffset';
import { shiftOfDay } from '../shift/day/lineBread';
import { CATALOGUE } from '../ingredient/catalogue';
import { formula, request } from '../test/examples';
import { factsOf as facts } from '../test/facts';
import { lessonsFrom } from './lessons';

const COOKS = [
  { id: 'early', name: 'Early cook' },
  { id: 'late', name: 'Late cook' },
];
const teach = (all: BatchFacts[], cooks = COOKS) =>
  lessonsFrom(all, { lots: [{ id: 'lot-a', name: 'Lot A' }], off: [], zone: 'UTC', cooks });
/** Doughs of one lot that somebody judged right, alternately a little above and below. */
const judged = (cook: string | undefined, points: number, n = 12, lotId = 'lot-a') =>
  Array.from({ length: n }, (_, index) =>
    facts({
      ...{ batchId: `${cook}-${lotId}-${index}`, lotId, waterPoints: points + (index % 2 ? 0.3 : -0.3) },
      ...(cook ? { cooks: [cook], doneBy: { feel: cook } } : {}),
    }),
  );
const feelOf = (all: BatchFacts[], cook: string, cooks = COOKS) =>
  teach(all, cooks).find(({ id }) => id === `feel/${cook}`);

test('a cook who calls wetter doughs right than the others do, in the same flour, is told so in points', () => {
  const all = [...judged('early', 0.5), ...judged('late', 2.5)];
  const late = feelOf(all, 'late');
  expect(said(late)).toMatchObject({ kind: 'feel', cookId: 'late', batches: 12, title: 'Feel of Late cook' });
  // Two points apart; the prior of one point each pulls them together a little.
  expect(late?.value).toBeGreaterThan(1.5);
  expect(late?.value).toBeLessThan(2);
  expect(late?.low).toBeGreaterThan(0);
  expect(said(late?.words)).toMatch(
    /^Dough that Late cook judges right has 1\.\d\spoints more water than the others’ doughs/,
  );
  expect(feelOf(all, 'early')?.value).toBeCloseTo(-(late?.value ?? 0), 9);
});

test('a thirsty lot that one cook had alone is not taken for the cook', () => {
  const apart = [...judged('early', 0, 12, 'lot-a'), ...judged('late', 4, 12, 'lot-b')];
  expect(feelOf(apart, 'late')).toBeUndefined();
});

test('cooks who feel alike, few batches, or a kitchen that wants no such lessons: nothing is told of anybody', () => {
  expect(feelOf([...judged('early', 1), ...judged('late', 1.1)], 'late')).toBeUndefined();
  expect(feelOf([...judged('early', 0.5), ...judged('late', 2.5, 4)], 'late')).toBeUndefined();
  const apart = [...judged('early', 0.5), ...judged('late', 2.5)];
  expect(teach(apart, []).filter(({ cookId }) => cookId !== undefined)).toEqual([]);
});

test('a plan starts where its cook stops: less what the lot has learned of the same hands already', () => {
  const all = [...judged('early', 0.5), ...judged('late', 2.5), ...judged(undefined, 1.5)];
  const lessons = teach(all);
  const value = feelOf(all, 'late')?.value ?? 0;
  const lot = (id: string) => ({ ...{ id, name: id, ingredient: 'flour-strong' }, offset: newLotOffset() });
  const waterFor = (cook: string | undefined, lotId = 'lot-a') =>
    lessonAdjustments(lessons, {
      formulaId: 'round',
      today: '2026-03-04',
      lot: lot(lotId) as never,
      cook,
    }).filter(({ what, id }) => what === 'water' && id.startsWith('feel/'));
  // A third of the lot's doughs were the late cook's own.
  expect(waterFor('late')).toMatchObject([
    { id: 'feel/late', value: expect.closeTo((value * 2) / 3, 9) as number },
  ]);
  expect(waterFor('late', 'another')[0]?.value).toBeCloseTo((value * 2) / 3, 9);
  expect(waterFor(undefined)).toEqual([]);
  expect(waterFor('somebody')).toEqual([]);
});

test('a cook who is slower at one kind of work is told so, and what this cook plans counts with it', () => {
  const weighing = (cook: string, ratio: number) =>
    Array.from({ length: 12 }, (_, index) =>
      facts({
        batchId: `${cook}-${index}`,
        times: { weigh: { plannedS: 100, tookS: 100 * (ratio + (index % 2 ? 0.05 : -0.05)) } },
        ...{ cooks: [cook], doneBy: { weigh: cook } },
      }),
    );
  const lessons = teach([...weighing('early', 1), ...weighing('late', 1.6)]);
  const late = lessons.find(({ id }) => id === 'time/weigh/late');
  expect(said(late?.words)).toMatch(/^Weighing takes Late cook \d\d\s% longer than the others\.$/);
  expect(late?.value).toBeCloseTo(1.6, 1);
  const { kitchen } = request();
  const service = {
    ...({ format: 'kettle-scale/service-day', formatVersion: 1, day: '2026-03-04', name: 'Lunch' } as const),
    ...{ opens: 0, serviceFrom: 3600, serviceTo: 7200, ends: 7200, cooks: [], sureness: 0.85 },
    ...{ leftAtClose: 'kept' as const, breads: [{ formulaId: formula.id, waves: [] }] },
  };
  const weighS = (cook?: string) =>
    shiftOfDay(service, { formulas: [formula], foods: CATALOGUE, kitchen, lessons, cook }).breads[0]
      ?.weighS ?? 0;
  const kitchens = lessons.find(({ id }) => id === 'time/weigh')?.value ?? 0;
  expect(weighS('late') / weighS()).toBeCloseTo((late?.value ?? 0) / kitchens, 9);
  expect(teach([...weighing('early', 1), ...weighing('late', 1.05)]).filter(({ cookId }) => cookId)).toEqual(
    [],
  );
});
