import { said } from '../test/said';
import { planLessons } from '../log/planLessons';
import { request } from '../test/examples';
import { type Adjustment, adjustmentSchema } from './adjustmentSchema';
import { ORDINARY_DAY } from '../kitchen/conditionsSchema';
import { planBatch } from './planBatch';

const change = (what: Adjustment['what'], value: number): Adjustment => ({
  ...{ id: `lesson/${what}`, from: 'lesson', what, value, words: 'as seen' },
});
const day = { conditions: ORDINARY_DAY };
const plan = (...adjustments: Adjustment[]) => planBatch({ ...request(), ...day, adjustments });
const plain = planBatch({ ...request(), ...day });

test('a plan without changes is the plan as it was', () => {
  expect(plan()).toEqual(plain);
});

test('points of water move the dough and leave the formula, so that a lot learns nothing from them', () => {
  const { today, totals } = plan(change('water', 1.5));
  // The sheet is rounded to 5 g, so the dough follows to a tenth of a point.
  const moved = totals.hydration - plain.totals.hydration;
  expect(Math.abs(moved - 0.015)).toBeLessThan(0.001);
  expect(today?.hydration.formula).toBe(plain.today?.hydration.formula);
  expect(today?.hydration.byChange).toBeCloseTo(0.015, 9);
  const asWritten = planBatch({ ...request(), adjustments: [change('water', 1.5)] });
  const movedAsWritten = asWritten.totals.hydration - planBatch(request()).totals.hydration;
  expect(Math.abs(movedAsWritten - 0.015)).toBeLessThan(0.001);
});

test('losses that were seen make the dough as much larger as they ask', () => {
  const { neededG } = plan(change('bowl-loss', 0.03), change('bench-loss', 0.01));
  expect(neededG / plain.neededG).toBeCloseTo((0.99 * 0.995) / (0.97 * 0.99), 9);
});

test('salt, rest, kneading, plate, sides and thickness follow their changes', () => {
  const { totals, formula } = plan(
    ...[change('salt', -0.3), change('rest', 10), change('knead', -60), change('plate', -15)],
    ...[change('sides', 4), change('thickness', 0.2)],
  );
  expect(totals.salt).toBeCloseTo(plain.totals.salt - 0.003, 4);
  expect(formula.method.rests.at(-1)?.earliestS).toBe(1200);
  expect(formula.method.rests[0]?.earliestS).toBe(900);
  expect(formula.method.knead).toMatchObject({ minS: 240, maxS: 540 });
  expect(formula.bake).toMatchObject({ plateC: 215, sides: [{ seconds: 29 }, { seconds: 24 }] });
  expect(formula.product.thicknessMm).toBeCloseTo(1.8, 9);
});

test('rest in all at least so long: the last one takes what the others leave', () => {
  expect(plan(change('least-rest', 40)).formula.method.rests.at(-1)?.earliestS).toBe(40 * 60 - 900);
  expect(plan(change('least-rest', 5)).formula.method.rests.at(-1)?.earliestS).toBe(600);
});

test('a dough that relaxes slower rests longer', () => {
  const last = (of: typeof plain) => of.today?.rests.at(-1)?.earliestS ?? 0;
  expect(last(plan(change('relaxing-time', 2)))).toBeGreaterThan(last(plain));
});

test.each(['water', 'plate', 'bowl-loss'] as const)(
  'a change of %s beyond any kitchen is refused in a sentence',
  (what) => {
    const read = adjustmentSchema.safeParse(change(what, 1000));
    expect(read.error?.issues[0]).toMatchObject({
      path: ['value'],
      message: 'This change is larger than a plan takes.',
    });
  },
);

test('the plan says what each lesson did to it, with grams and minutes', () => {
  const offset = { meanPoints: -2, sdPoints: 0.5, noisePoints: 1, batches: 4 };
  const lot = {
    ...{ id: 'quay', name: 'Quay 13', ingredient: 'flour-strong', moisture: 0.14, days: 0 },
    ...{ storage: 'closed' as const, offset },
  };
  const told = planBatch({
    ...request(),
    conditions: { ...ORDINARY_DAY, lot },
    adjustments: [change('bowl-loss', 0.016), change('plate', -10)],
  });
  const words = said(planLessons(told)).map(({ effect, why }) => `${effect}: ${why}`);
  const grams = Math.round((0.02 * told.flourG) / 5) * 5;
  expect(words[0]).toMatch(new RegExp(`^Start ${grams}\\sg lower: last 4 batches of Quay 13$`));
  expect(words[1]).toMatch(/^1\.6\s% of the dough counted as lost in the bowl/);
  expect(words[2]).toMatch(/^Plate at 220\s°C: 10\s°C cooler/);
});
