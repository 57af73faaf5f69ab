import fc from 'fast-check';
import { dayOf } from '../quantity/days';
import { formula as base } from '../test/examples';
import { FORMULA_FORMAT_VERSION, type Formula, formulaSchema } from '../formula/formulaSchema';
import { lotState, lotToday } from '../flourLot/lotState';
import { InputError } from '../message/problem';
import { ADJUSTABLE, type Adjustable, type Adjustment } from './adjustmentSchema';
import { type Conditions, ORDINARY_DAY, conditionsSchema } from '../kitchen/conditionsSchema';
import { DEFAULT_KITCHEN } from '../kitchen/kitchenDefaults';
import { keepablePlan, planBatch } from './planBatch';
import type { Need } from './planRequestSchema';

/** What can be asked may be refused in words; what is planned can be read back as it is stored. */
const plans = (request: Parameters<typeof planBatch>[0]): 'kept' | 'refused' => {
  let plan;
  try {
    plan = planBatch(request);
  } catch (error) {
    if (error instanceof InputError) return 'refused';
    throw error;
  }
  keepablePlan(plan);
  return 'kept';
};
const need: Need = { by: 'pieces', pieces: 24, ballG: 92 };
const kitchen = DEFAULT_KITCHEN;
const changed = (what: Adjustable, value: number): Adjustment => ({
  ...{ id: `${what}/${value}`, from: 'diagnosis', what, value, words: 'as seen' },
});
const offset = { meanPoints: 0, sdPoints: 2, noisePoints: 1, batches: 0 };
const lot: NonNullable<Conditions['lot']> = {
  ...{
    id: 'lot',
    name: 'Lot',
    ingredient: 'flour-strong',
    moisture: 0.14,
    days: 10,
    storage: 'open',
    offset,
  },
};
const withWater = (fraction: number): Formula => ({
  ...base,
  lines: base.lines.map((line) => (line.id === 'water' ? { ...line, fraction } : line)),
});

describe('plans that could not be read back', () => {
  test('flour that has lain for twenty years', () => {
    const old = { id: 'old', ingredient: 'flour-strong', name: 'Old', receivedOn: '2006-01-01', bagKg: 25 };
    const nowMs = Date.parse('2026-03-04T10:00:00.000Z');
    const ofLot = lotToday(lotState(old, [], 0, nowMs, 'UTC'), dayOf(nowMs, 'UTC'));
    expect(plans({ formula: base, need, kitchen, conditions: { ...ORDINARY_DAY, lot: ofLot } })).toBe('kept');
  });

  test('more kept back than all the water: a lot nobody knows, and hardly any water', () => {
    const wild = { ...lot, offset: { ...offset, meanPoints: -15, sdPoints: 20, noisePoints: 20 } };
    for (const fraction of [0.01, 0.05, 0.2]) {
      const asked = {
        formula: withWater(fraction),
        need,
        kitchen,
        conditions: { ...ORDINARY_DAY, lot: wild },
      };
      const { today, sheet } = planBatch(asked);
      expect(plans(asked)).toBe('kept');
      expect(today?.liquid?.lowG).toBeGreaterThanOrEqual(0);
      expect(sheet.every(({ startG = 0, massG }) => startG >= 0 && startG <= massG)).toBe(true);
    }
  });

  test('a line that a change takes down to nothing', () => {
    const adjustments = [
      changed('water', -15),
      changed('water', -15),
      changed('water', -15),
      changed('water', -15),
    ];
    const asked = { formula: base, need, kitchen, adjustments };
    expect(plans(asked)).toBe('kept');
    expect(planBatch(asked).sheet.find(({ lineId }) => lineId === 'water')).toMatchObject({
      massG: 0,
      relativeError: 0,
    });
  });

  test.each(['plate', 'sides', 'thickness', 'rest', 'knead'] as const)(
    'changes of %s that add up past what a formula may say stop at its limit',
    (what) => {
      const { min, max } = ADJUSTABLE[what];
      for (const value of [min, max]) {
        const adjustments = Array.from({ length: 60 }, () => changed(what, value));
        const asked = { formula: base, need, kitchen, adjustments };
        expect(plans(asked)).toBe('kept');
        expect(formulaSchema.safeParse(planBatch(asked).formula).success).toBe(true);
      }
    },
  );
});

test('whatever is asked, a plan is refused in words or can be kept', () => {
  const names = Object.keys(ADJUSTABLE) as Adjustable[];
  const adjustment = fc
    .tuple(fc.constantFrom(...names), fc.double({ min: 0, max: 1, noNaN: true }))
    .map(([what, at]) =>
      changed(what, ADJUSTABLE[what].min + at * (ADJUSTABLE[what].max - ADJUSTABLE[what].min)),
    );
  const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
  const day = fc.record({
    airC: number(-20, 60),
    humidity: number(0.02, 0.98),
    flourC: number(-20, 60),
    liquidC: number(0, 100),
    doughC: fc.option(number(5, 60), { nil: undefined }),
    flourMoisture: fc.option(number(0.04, 0.2), { nil: undefined }),
    meanPoints: number(-20, 20),
    sdPoints: number(0, 20),
    days: number(0, 4000),
  });
  const asked = fc.record({
    pieces: fc.integer({ min: 1, max: 400 }),
    ballG: number(5, 2000),
    water: number(0.00001, 5),
    salt: number(0.00001, 0.2),
    holdBack: number(0, 0.5),
    school: fc.constantFrom('hold-back', 'flour-back', 'boiling-water'),
    liquidTempC: number(0, 100),
    butterG: fc.option(number(0.01, 500), { nil: undefined }),
    step: fc.constantFrom(1, 5),
    capacityG: number(50, 500_000),
    day: fc.option(day, { nil: undefined }),
    adjustments: fc.array(adjustment, { maxLength: 12 }),
  });
  let kept = 0;
  fc.assert(
    fc.property(asked, ({ day: air, butterG, ...a }) => {
      const formula = formulaSchema.parse({
        ...withWater(a.water),
        formatVersion: FORMULA_FORMAT_VERSION,
        lines: withWater(a.water).lines.map((line) =>
          line.id === 'salt' ? { ...line, fraction: a.salt } : line,
        ),
        method: { ...base.method, school: a.school, holdBack: a.holdBack, liquidTempC: a.liquidTempC },
        ...(butterG
          ? { onBread: [{ id: 'top', ingredient: 'butter', gPerPiece: butterG, when: 'at the end' }] }
          : {}),
      });
      const { meanPoints, sdPoints, days, doughC, flourMoisture, ...rest } = air ?? {};
      const conditions = air
        ? conditionsSchema.parse({
            ...{ ...rest, airFrom: 'hand' },
            ...(doughC === undefined ? {} : { doughC }),
            ...(flourMoisture === undefined ? {} : { flourMoisture }),
            lot: { ...lot, days, offset: { ...offset, meanPoints, sdPoints } },
          })
        : undefined;
      const outcome = plans({
        formula,
        need: { by: 'pieces', pieces: a.pieces, ballG: a.ballG },
        kitchen: { ...kitchen, benchStepG: a.step as 1 | 5, bowlCapacityG: a.capacityG, bowlMinimumG: 0 },
        adjustments: a.adjustments,
        ...(conditions ? { conditions } : {}),
      });
      if (outcome === 'kept') kept += 1;
    }),
    { numRuns: 300 },
  );
  // A property that everything is refused by would say nothing.
  expect(kept).toBeGreaterThan(150);
});
