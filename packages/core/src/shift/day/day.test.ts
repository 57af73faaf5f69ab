import { problemsIn, said } from '../../test/said';
import type { Batch } from '../../batch/batchSchema';
import type { EventBody } from '../../batch/eventSchema';
import { ORDINARY_DAY } from '../../kitchen/conditionsSchema';
import { planBatch } from '../../plan/planBatch';
import { eventsOf, request } from '../../test/examples';
import { LUNCH, clockS } from '../../test/exampleShift';
import { drawDays } from '../planner/planShift';
import { compileShift } from '../line/compile';
import { runUntil } from '../line/runLine';
import { learnWaves, learnedTotal } from '../demand/history';
import { doughS } from '../line/alone';
import { readyBy, waysInTime } from '../planner/readyBy';
import { clockText, dayClock, readClock } from '../../quantity/clock';
import { demandFromCsv, demandFromIcs, planIcs } from './demandFile';
import { lastStart } from './lastStart';
import { nextActs } from './nextActs';
import { dayPicture } from './picture';
import { coldStock } from './coldStock';
import { momentOf, restOfPlan } from './dayMoment';
import { readyFrom } from './readyFrom';
import { type FoldedBatch, foldAll, stockOf } from './serviceState';
import { type ServiceAct, type ServiceDay, serviceDaySchema } from './serviceDaySchema';

const SERVICE: ServiceDay = {
  ...{ format: 'kettle-scale/service-day', formatVersion: 1, day: '2026-03-04', name: 'Lunch' },
  ...{ opens: LUNCH.opens, serviceFrom: LUNCH.serviceFrom, serviceTo: LUNCH.serviceTo, ends: LUNCH.ends },
  cooks: [{ id: 'cook', name: 'Cook', can: ['weigh'] }],
  breads: [{ formulaId: 'wrap', waves: LUNCH.breads[0]!.waves! }],
  ...{ sureness: 0.85, leftAtClose: 'thrown out' },
};

const line = compileShift(LUNCH);
const clock = dayClock('2026-03-04', 'UTC');
let acts = 0;
const act = (at: number, body: object): ServiceAct =>
  ({
    ...{ id: `0195-${(acts += 1)}`, at: new Date(clock.toMs(at)).toISOString(), formulaId: 'wrap' },
    ...body,
  }) as ServiceAct;

test('a tray: taken from the oldest on, counted, thrown out, taken back', () => {
  const counted = act(clockS(11), { type: 'counted', pieces: 10 });
  const taken = act(clockS(11, 5), { type: 'taken', pieces: 4 });
  const told = [
    counted,
    taken,
    act(clockS(11, 10), { type: 'thrown-out', pieces: 1, reason: 'dropped' }),
    act(clockS(11, 20), { type: 'counted', pieces: 3 }),
  ];
  const stock = (list: ServiceAct[], nowS = clockS(11, 30)) =>
    stockOf(SERVICE, list, [], line, clock, nowS)[0]!;
  expect(stock(told)).toMatchObject({ made: 10, taken: 6, thrownOut: 1, tooOld: 0 });
  expect(stock(told).ready).toHaveLength(3);
  const back = { id: 'undo', at: taken.at, type: 'void', target: taken.id } as ServiceAct;
  expect(stock([...told.slice(0, 3), back])).toMatchObject({ made: 10, taken: 0, thrownOut: 1 });
  const thawed = act(clockS(11, 25), { type: 'brought', pieces: 8 });
  expect(stock([...told, thawed])).toMatchObject({ made: 10, broughtIn: 8, taken: 6 });
  expect(stock([...told, thawed]).ready).toHaveLength(11);
  // Of two hours' holding: what was counted at eleven is too old at half past one.
  expect(stock(told, clockS(13, 30)).tooOld).toBe(3);
});

test('balls of yesterday stand in the fridge, are in the plan, and are begun once they are taken out', () => {
  const plan = planBatch({
    ...request({ need: { by: 'pieces', pieces: 40, ballG: 92 } }),
    conditions: ORDINARY_DAY,
  });
  const formulaId = plan.formula.id;
  const folded = (...bodies: EventBody[]) => {
    const events = eventsOf({ type: 'divided', doughG: 3680, pieces: 40, ballG: 92 }, ...bodies);
    const batch = { id: '0195', startedAt: events[0]!.at, plan, events } as unknown as Batch;
    return foldAll([batch]);
  };
  // The acts of the batch are of ten in the morning of the fourth; the service is the next day's.
  const fifth = dayClock('2026-03-05', 'UTC');
  const night = folded({ type: 'chilled', pieces: 24 });
  const [store] = coldStock(night, fifth, clockS(9));
  expect(store).toMatchObject({
    id: '0195',
    bread: formulaId,
    as: 'balls',
    pieces: 24,
    bestBy: clockS(34, 1),
  });
  // Two hours for a ball of 92 g, an hour more or less.
  expect(store!.warmS).toBeGreaterThan(clockS(0, 40));
  expect(store!.warmS).toBeLessThan(clockS(3));
  expect(coldStock(night, fifth, clockS(35))).toEqual([]);

  const shift = { ...LUNCH, breads: [{ ...LUNCH.breads[0]!, id: formulaId }], cold: [store!] };
  const own = compileShift(shift);
  const planned = {
    ...{ id: 'p', formulaId, n: 20, start: clockS(9), bakeAt: clockS(11) },
    cold: { batchId: '0195', as: 'balls' as const },
  };
  const service = {
    ...SERVICE,
    plan: { batches: [planned], chosenAt: '2026-03-04T10:01:30.000Z' },
  } as ServiceDay;
  const moment = (batches: FoldedBatch[]) => momentOf(own, service, [], batches, fifth, clockS(8));
  const before = moment(night).batches.filter(({ left }) => left > 0);
  // Sixteen balls were left on the bench; twenty of the fridge are planned.
  expect(before.map(({ n, left, cold }) => [n, left, cold])).toEqual([
    [40, 16, -1],
    [20, 20, 0],
  ]);
  const out = folded({ type: 'chilled', pieces: 24 }, { type: 'taken-out', pieces: 20 });
  expect(restOfPlan(service, night, fifth)).toHaveLength(1);
  expect(restOfPlan(service, out, fifth)).toEqual([]);
  expect(moment(out).batches.map(({ left, cold }) => [left, cold])).toEqual([[36, -1]]);
});

test('the picture of a day: rows that do not overlap, what is made against what is wanted, what binds', () => {
  const plan = {
    batches: [
      { bread: 0, n: 60, start: clockS(9), bakeAt: clockS(10, 10) },
      { bread: 1, n: 40, start: clockS(9, 30), bakeAt: clockS(10, 50) },
    ],
  };
  const picture = dayPicture(line, plan, { seed: 1, count: 30 });
  const plate = picture.rows.find(({ of }) => of === 'plate')!;
  // Cold at first, then from the wraps' heat to the rounds'.
  expect(plate.bars.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['light', 'bake']));
  expect(picture.curves[0]!.made.at(-1)).toBe(60);
  // Two batches are not enough for three waves: late in the service somebody goes without, at the beginning nobody.
  expect(picture.curves[0]!.risk[0]).toBe(0);
  expect(Math.max(...picture.curves[0]!.risk)).toBeGreaterThan(0.5);
  expect(picture.binds[0]).toMatchObject({ of: 'cook' });
  expect(picture.batches[0]).toMatchObject({ n: 60, bakes: expect.any(Number) as number });
  // A batch of the fewest balls, 14 wraps: half of them are still wanted in the last wave, and it takes about an hour.
  const last = lastStart(line, picture.curves[0]!)!;
  expect(last).toBeGreaterThan(clockS(12, 15));
  expect(last).toBeLessThan(clockS(13));
  expect(
    lastStart(line, { ...picture.curves[0]!, band: { ...picture.curves[0]!.band, middle: [0, 0] } }),
  ).toBeNull();
  const next = nextActs(picture, clockS(8), 3);
  expect(next.map(({ kind }) => kind)).toEqual(['weigh', 'weigh', 'divide']);
  expect(next[0]!.at).toBe(clockS(9));
});

test('the picture of a shift that has begun counts on from who was served, and from a plate that is hot', () => {
  const plan = { batches: [{ bread: 0, n: 60, start: clockS(9), bakeAt: clockS(10, 10) }] };
  const [day] = drawDays(LUNCH, 5, 1);
  const at = clockS(11, 30);
  const seen = runUntil(line, plan, day!, at);
  const served = seen.servedBySlot[0]!.reduce((sum, count) => sum + count, 0);
  expect(served).toBeGreaterThan(5);
  const { curves } = dayPicture(line, { batches: [] }, { seed: 1, count: 30 }, seen);
  const { band, made, risk } = curves[0]!;
  expect(band.at[0]).toBeGreaterThan(at);
  // Served and still ready are all that was baked, and nothing more is planned.
  expect(made.at(-1)).toBe(served + seen.ready[0]!.length);
  expect(band.low[0]).toBeGreaterThanOrEqual(served);
  // Who has eaten already does not go without: only the rest of the day is at risk.
  expect(risk).toHaveLength(band.at.length);
  expect(risk[0]).toBe(0);

  const bakedAt = (minute: number): FoldedBatch[] => {
    const plan = planBatch(request({ need: { by: 'pieces', pieces: 40, ballG: 92 } }));
    const [on, off] = eventsOf({ type: 'piece-on', piece: 1 }, { type: 'piece-off', piece: 1 });
    const when = new Date(clock.toMs(clockS(11, minute))).toISOString();
    const events = [on, off].map((event) => ({ ...event, at: when }));
    return foldAll([{ id: '0195', startedAt: when, plan, events } as unknown as Batch]);
  };
  const own = compileShift({ ...LUNCH, breads: [{ ...LUNCH.breads[0]!, id: request().formula.id }] });
  const momentAfter = (batches: FoldedBatch[]) => momentOf(own, SERVICE, [], batches, clock, clockS(12, 10));
  const heatAt = (batches: FoldedBatch[]) => momentAfter(batches).plates[0]!.heat;
  expect([heatAt([]), heatAt(bakedAt(0)), heatAt(bakedAt(30))]).toEqual([-1, -1, 0]);
  const later = { batches: [{ bread: 0, n: 20, start: clockS(12, 10), bakeAt: clockS(13, 30) }] };
  const plateActs = (batches: FoldedBatch[]) => {
    const { rows } = dayPicture(own, later, { seed: 1, count: 3 }, momentAfter(batches));
    return [...new Set(rows.at(-1)!.bars.map(({ kind }) => kind))];
  };
  expect(plateActs([])).toEqual(['light', 'bake']);
  expect(plateActs(bakedAt(30))).toEqual(['bake']);
});

test('ready by: the safest start leaves room for nine batches in ten; too late has ways out', () => {
  const [wrap, round] = LUNCH.breads;
  const plate = LUNCH.plates[0]!;
  const ask = { pieces: 30, readyBy: clockS(11), ready: 'all', helperRolls: true } as const;
  const { start, safest, unhurried, spreadS } = readyBy(wrap!, plate, ask);
  expect(start - safest).toBeCloseTo(1.2816 * spreadS, 6);
  // Unhurried rests of 20 min with windows to 60 and 90 min: half as long again each, so 20 min in all can be saved.
  expect(unhurried).toBe(start - 1200);
  expect(waysInTime(wrap!, plate, ask, unhurried, [round!])).toBeNull();
  expect(waysInTime(wrap!, plate, ask, start, [round!])).toEqual({
    lateS: 1200,
    ways: [
      { way: 'shorter rest', byS: 1200 },
      { way: 'later', readyBy: clockS(11) + 1200 },
    ],
  });
  const late = waysInTime(wrap!, plate, ask, start + 60, [round!])!;
  expect(late.lateS).toBe(60);
  expect(late.ways.map(({ way }) => way)).toEqual(['fewer pieces', 'another bread', 'later']);
  expect(late.ways.at(-1)).toEqual({ way: 'later', readyBy: clockS(11) + 60 });
});

test('history: newer weekdays count more, what was told counts as two, size and peak apart', () => {
  const told = [{ opens: clockS(11), peak: clockS(12), closes: clockS(13), pieces: 40 }];
  const early = Array<number>(100).fill(clockS(11, 20));
  const [learned] = learnWaves(told, [
    { weeksAgo: 0, takenAt: early },
    { weeksAgo: 4, takenAt: early.slice(0, 60) },
  ]);
  expect(learned!.weight).toBe(1.5);
  expect(learned!.pieces).toBeCloseTo((2 * 40 + 100 + 0.5 * 60) / 3.5, 9);
  expect(learned!.peak).toBeLessThan(clockS(12));
  expect(learnWaves(told, [])[0]).toMatchObject(told[0]!);
  // A mean of 60 over 3.5 days, each with the spread of gamma-Poisson days of k = 40.
  const total = learnedTotal([learned!]);
  expect(total.pieces).toBe(60);
  expect(total.high - 60).toBeCloseTo(1.6449 * Math.sqrt((60 + 3600 / 40) / 3.5), 6);
});

test('a running batch is ready when its stage, its rests and the plate allow, and fewer balls sooner', () => {
  const plan = planBatch(request({ need: { by: 'pieces', pieces: 40, ballG: 92 } }));
  const own = compileShift({ ...LUNCH, breads: [{ ...LUNCH.breads[0]!, id: plan.formula.id }] });
  const folded = (...bodies: EventBody[]) => {
    const events = eventsOf(...bodies);
    return foldAll([
      { id: '0195', startedAt: '2026-03-04T10:00:00.000Z', plan, events } as unknown as Batch,
    ])[0]!;
  };
  const ready = (nowS: number, ...bodies: EventBody[]) => readyFrom(own, folded(...bodies), clock, nowS)!;
  const begun = ready(clockS(10));
  expect(begun.rollFrom).toBe(clockS(10) + doughS(own.breads[0]!, 40));
  expect(begun.at).toHaveLength(40);
  const divided: EventBody = { type: 'divided', doughG: 3680, pieces: 40, ballG: 92 };
  const resting = ready(clockS(10, 5), divided);
  expect(resting.rollFrom).toBe(clockS(10) + own.breads[0]!.rest2[0]);
  // Once they are rested, now.
  expect(ready(clockS(10, 50), divided).rollFrom).toBe(clockS(10, 50));
  const baked: EventBody[] = [
    { type: 'piece-on', piece: 1 },
    { type: 'piece-off', piece: 1 },
  ];
  expect(ready(clockS(10, 50), divided, ...baked).at).toHaveLength(39);
});

test('clocks as they are typed', () => {
  expect(['11:45', '9.30', '25:30', '11', '11:75', '99:00'].map(readClock)).toEqual([
    ...[clockS(11, 45), clockS(9, 30), clockS(25, 30)],
    ...[null, null, null],
  ]);
  expect(clockText(clockS(25, 30))).toBe('25:30');
});

test('demand from files: CSV and a calendar, whole or not at all', () => {
  expect(
    demandFromCsv(
      'bread,opens,peak,closes,pieces\nWrap,11:00,11:30,11:45,60\nWrap,12:15,,,12\nRound,11:00,,12:00,20',
    ),
  ).toEqual([
    {
      bread: 'Wrap',
      waves: [{ opens: clockS(11), peak: clockS(11, 30), closes: clockS(11, 45), pieces: 60 }],
      orders: [{ at: clockS(12, 15), pieces: 12 }],
    },
    {
      bread: 'Round',
      waves: [{ opens: clockS(11), peak: clockS(11, 30), closes: clockS(12), pieces: 20 }],
      orders: [],
    },
  ]);
  expect(() => demandFromCsv('bread,opens\nWrap,11:00')).toThrow(/no column “peak”/);
  expect(() => demandFromCsv('bread,opens,peak,closes,pieces\nWrap,25,26,27,9')).toThrow(
    'Line 2: a time is written like 11:45.',
  );
  expect(() => demandFromCsv('bread,opens,peak,closes,pieces\nWrap,12:00,,11:00,9')).toThrow(
    /Line 2: .*closes before it opens/,
  );
  const ics = planIcs(
    'Lunch',
    [{ id: 'a', words: '60 Wrap', fromMs: clock.toMs(clockS(11)), toMs: clock.toMs(clockS(12)) }],
    0,
  );
  expect(ics).toMatch(/^BEGIN:VCALENDAR\r\n/);
  expect(demandFromIcs(ics, '2026-03-04')).toEqual([
    {
      bread: 'Wrap',
      waves: [{ opens: clockS(11), peak: clockS(11, 30), closes: clockS(12), pieces: 60 }],
      orders: [],
    },
  ]);
  expect(() => demandFromIcs(ics, '2026-03-05')).toThrow(/No event of 2026-03-05/);
  expect(() => demandFromIcs('hello', '2026-03-05')).toThrow('This is not a calendar.');
  const torn = ics.replace(/DTSTART:\d+/, 'DTSTART:2026');
  expect(() => demandFromIcs(torn, '2026-03-04')).toThrow('The time of “60 Wrap” cannot be read.');
});

test.each([
  [{ serviceTo: clockS(10) }, 'The service ends before it begins.'],
  [{ cooks: [] }, 'Nobody is on shift.'],
  [{ breads: [] }, 'There is no bread to make.'],
  [{ breads: [SERVICE.breads[0]!, SERVICE.breads[0]!] }, 'The same formula appears twice.'],
])('a service that cannot be is refused at its field: %#', (changes, sentence) => {
  expect(said(problemsIn(serviceDaySchema, { ...SERVICE, ...changes }))).toContain(sentence);
});

test('a calendar made to exhaust its reader is read in proportion to its length', () => {
  const event = (summary: string) =>
    `BEGIN:VEVENT\r\nUID:1\r\nDTSTART:20260304T110000Z\r\nSUMMARY:${summary}\r\nEND:VEVENT\r\n`;
  const calendar = (events: string) => `BEGIN:VCALENDAR\r\nVERSION:2.0\r\n${events}END:VCALENDAR\r\n`;
  const spaces = event(`a${' '.repeat(600_000)}b`);
  expect(demandFromIcs(calendar(spaces + event('60 Wrap')), '2026-03-04')).toHaveLength(1);
  const many = Array.from({ length: 10_000 }, () => event('1 Wrap')).join('');
  expect(demandFromIcs(calendar(many), '2026-03-04')[0]?.orders).toHaveLength(10_000);
});
