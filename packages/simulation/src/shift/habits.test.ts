import { finish } from '@kettle-scale/core/bake';
import {
  type ShiftDay,
  type ShiftPlan,
  compileShift,
  drawDay,
  keepsRules,
  planOnDays,
  planShift,
  quickPlan,
  runShift,
  worthOf,
} from '@kettle-scale/core/shift';
import { demoPlan } from '../kitchen/demoService';
import { demoShift } from '../kitchen/demoShift';
import { openRandom } from '../random';
import { followDay } from './followDay';
import { allBefore, whenTrayIsLow } from './habits';

const OPENS_S = 8 * 3600;
const shift = demoShift(OPENS_S);
const line = compileShift(shift);
const KINDS = [{}, { factor: 1.3 }, { factor: 0.7 }, { lateS: 1200 }];
/** `npm run shift` takes two hundred. */
const DAYS = 3;
const mean = (figures: number[]) => figures.reduce((sum, one) => sum + one, 0) / figures.length;

test('the demo’s day: the plan costs less than every habit on each kind of day, and less still when it is followed', () => {
  const { plan } = finish(planShift(shift, { tries: 500, days: 60 }));
  const looks = Array.from({ length: 7 }, (_, at) => shift.serviceFrom + at * 1500);
  for (const kind of KINDS) {
    const days = Array.from({ length: DAYS }, (_, day) => drawDay(shift, 77, day, kind));
    const costOf = (planFor: (day: ShiftDay) => typeof plan) =>
      mean(days.map((day) => runShift(line, planFor(day), day).cost));
    const planned = costOf(() => plan);
    expect(planned).toBeLessThan(costOf(() => allBefore(line)));
    expect(planned).toBeLessThan(costOf((day) => whenTrayIsLow(line, day, { low: 15, size: 40 })));
    expect(costOf((day) => followDay(line, plan, day, looks))).toBeLessThan(planned);
  }
});

test('the plan that the demo comes with keeps every rule and is better than a first plan', () => {
  const { batches } = demoPlan(OPENS_S, 0, openRandom(1));
  const plan = {
    batches: batches.map(({ formulaId, n, start, bakeAt }) => ({
      ...{ bread: line.breads.findIndex(({ id }) => id === formulaId), n, start, bakeAt },
    })),
  };
  expect(keepsRules(line, plan)).toBe(true);
  const days = Array.from({ length: 40 }, (_, day) => drawDay(shift, 99, day));
  const worth = (one: ShiftPlan) => worthOf(planOnDays(line, one, days)).score.mean;
  expect(worth(plan)).toBeLessThan(worth(quickPlan(line, days)));
});
