// Holds plans against habits on four kinds of day and prints the table: npm run shift [-- --days 200 --tries 1500]
import { parseArgs } from 'node:util';
import {
  type DayKind,
  type LineBread,
  type ShiftDay,
  type ShiftPlan,
  compileShift,
  drawDay,
  estimateOf,
  planShift,
  runShift,
} from '@kettle-scale/core/shift';
import { finish } from '@kettle-scale/core/bake';
import { allBefore, demoShift, followDay, whenTrayIsLow } from '@kettle-scale/simulation';

const { values } = parseArgs({
  options: { days: { type: 'string', default: '200' }, tries: { type: 'string', default: '1500' } },
});
const DAYS = Number(values.days);
const TRIES = Number(values.tries);

const OPENS_S = 8 * 3600;
const LOOK_S = 900;
const SEED = 4711;

const shift = demoShift(OPENS_S);
const line = compileShift(shift);

const KINDS: readonly (readonly [string, DayKind])[] = [
  ['as forecast', {}],
  ['heavy × 1.3', { factor: 1.3 }],
  ['light × 0.7', { factor: 0.7 }],
  ['20 min late', { lateS: 1200 }],
];

/** A habit tuned by its own figures: the best of several on days of its own. */
function tuned(): { low: number; size: number } {
  const days = Array.from({ length: 12 }, (_, day) => drawDay(shift, SEED + 1, day));
  const habits = [5, 10, 15, 20, 30].flatMap((low) => [20, 30, 40].map((size) => ({ low, size })));
  const cost = (habit: { low: number; size: number }) =>
    estimateOf(days.map((day) => runShift(line, whenTrayIsLow(line, day, habit), day).cost)).mean;
  return habits.reduce((best, one) => (cost(one) < cost(best) ? one : best));
}

const { plan } = finish(planShift(shift, { tries: TRIES }));
const habit = tuned();
const looks = Array.from(
  { length: Math.floor((shift.serviceTo - shift.serviceFrom) / LOOK_S) },
  (_, at) => shift.serviceFrom + at * LOOK_S,
);
const WAYS: readonly (readonly [string, (day: ShiftDay) => ShiftPlan])[] = [
  ['the plan', () => plan],
  ['the plan, followed', (day) => followDay(line, plan, day, looks)],
  ['all before opening', () => allBefore(line)],
  ['all before opening, a fifth more', () => allBefore(line, 1.2)],
  [`tray below ${habit.low}, ${habit.size} a batch`, (day) => whenTrayIsLow(line, day, habit)],
];

const figure = (numbers: number[]): string => {
  const { mean, standardError } = estimateOf(numbers);
  return `${mean.toFixed(1)} ± ${standardError.toFixed(1)}`;
};
const sum = (bread: readonly LineBread[], of: (index: number) => number) =>
  bread.reduce((total, _, index) => total + of(index), 0);

process.stdout.write(
  `| day | way | cost, EUR | go without | thrown away |\n| --- | --- | --- | --- | --- |\n`,
);
for (const [name, kind] of KINDS) {
  const days = Array.from({ length: DAYS }, (_, day) => drawDay(shift, SEED, day, kind));
  for (const [way, planFor] of WAYS) {
    const runs = days.map((day) => runShift(line, planFor(day), day));
    const lost = runs.map(({ counts }) => sum(line.breads, (bread) => counts[bread]?.lost ?? 0));
    const waste = runs.map(({ counts }) =>
      sum(line.breads, (bread) => (counts[bread]?.waste ?? 0) + (counts[bread]?.ballsThrown ?? 0)),
    );
    const cells = [name, way, figure(runs.map(({ cost }) => cost)), figure(lost), figure(waste)];
    process.stdout.write(`| ${cells.join(' | ')} |\n`);
  }
}
