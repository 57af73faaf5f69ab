import { LUNCH, clockS } from '../../test/exampleShift';
import { drawDays } from '../planner/planShift';
import { compileShift } from '../line/compile';
import { learnWaves } from '../demand/history';
import { readyBy, waysInTime } from '../planner/readyBy';
import { clockText, readClock } from './clockText';
import { demandFromCsv, demandFromIcs, planIcs } from './demandFile';
import { lastStart } from './lastStart';
import { nextActs } from './nextActs';
import { dayPicture } from './picture';
import { clockOf, stockOf } from './serviceState';
import { type ServiceAct, type ServiceDay, serviceDaySchema } from './serviceDaySchema';

const SERVICE: ServiceDay = {
  ...{ format: 'kettle-scale/service-day', formatVersion: 1, day: '2026-03-04', name: 'Lunch' },
  ...{ opens: LUNCH.opens, serviceFrom: LUNCH.serviceFrom, serviceTo: LUNCH.serviceTo, ends: LUNCH.ends },
  cooks: [{ id: 'cook', name: 'Cook', can: ['weigh'] }],
  breads: [{ formulaId: 'wrap', waves: LUNCH.breads[0]!.waves! }],
  ...{ sureness: 0.85, leftAtClose: 'thrown out' },
};

const line = compileShift(LUNCH);
const clock = clockOf('2026-03-04', 'UTC');
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
  // Of two hours' holding: what was counted at eleven is too old at half past one.
  expect(stock(told, clockS(13, 30)).tooOld).toBe(3);
});

test('the picture of a day: rows that do not overlap, what is made against what is wanted, what binds', () => {
  const plan = {
    batches: [
      { bread: 0, n: 60, start: clockS(9), bakeAt: clockS(10, 10) },
      { bread: 1, n: 40, start: clockS(9, 30), bakeAt: clockS(10, 50) },
    ],
  };
  const picture = dayPicture(line, plan, drawDays(LUNCH, 1, 30));
  const plate = picture.rows.find(({ of }) => of === 'plate')!;
  expect(plate.bars.map(({ kind }) => kind)).toContain('heat');
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

test('ready by: the safest start leaves room for nine batches in ten; too late has ways out', () => {
  const [wrap, round] = LUNCH.breads;
  const plate = LUNCH.plates[0]!;
  const ask = { pieces: 30, readyBy: clockS(11), ready: 'all', helperRolls: true } as const;
  const { start, safest, spreadS } = readyBy(wrap!, plate, ask);
  expect(start - safest).toBeCloseTo(1.2816 * spreadS, 6);
  expect(waysInTime(wrap!, plate, ask, start, [round!])).toBeNull();
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
});

test.each([
  [{ serviceTo: clockS(10) }, 'The service ends before it begins.'],
  [{ cooks: [] }, 'Nobody is on shift.'],
  [{ breads: [] }, 'There is no bread to make.'],
  [{ breads: [SERVICE.breads[0]!, SERVICE.breads[0]!] }, 'A formula stands there twice.'],
])('a service that cannot be is refused at its field: %#', (changes, sentence) => {
  const { issues } = serviceDaySchema.safeParse({ ...SERVICE, ...changes }).error!;
  expect(issues.map(({ message }) => message)).toContain(sentence);
});
