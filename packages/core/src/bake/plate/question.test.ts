import { demoFormulas } from '@kettle-scale/simulation';
import fc from 'fast-check';
import { CATALOGUE } from '../../ingredient/catalogue';
import { DEFAULT_KITCHEN } from '../../kitchen/kitchenDefaults';
import { type Griddle, griddleSchema } from '../../kitchen/griddleSchema';
import { planBatch } from '../../plan/planBatch';
import { MODEL_CONSTANTS } from '../model/model';
import { questionOfFormula, questionOfPlan } from './question';
import { bakeRequestSchema, readBakeDocument } from './requestSchema';

const tenths = (min: number, max: number) =>
  fc.integer({ min: min * 10, max: max * 10 }).map((tenth) => tenth / 10);

const formulas = fc
  .record({
    formula: fc.constantFrom(...demoFormulas()),
    thicknessMm: tenths(1, 4),
    ballG: fc.integer({ min: 30, max: 250 }),
    springBack: fc.integer({ min: 0, max: 30 }).map((percent) => percent / 100),
    plateC: fc.integer({ min: 170, max: 280 }),
  })
  .map(({ formula, plateC, ...product }) => ({
    ...formula,
    product: { ...formula.product, ...product },
    bake: { ...formula.bake, plateC },
  }));
type Bread = ReturnType<typeof demoFormulas>[number];

/** Two plates, one of each surface, of which one has learned something of the bread. */
const platesFor = (formulaId: string, factor: number, widthMm: number): Griddle[] =>
  [false, true].map((domed) =>
    griddleSchema.parse({
      id: domed ? 'dome' : 'plate',
      name: domed ? 'Dome' : 'Long plate',
      material: 'steel',
      thicknessMm: domed ? 3 : 12,
      shape: 'rectangle',
      widthMm,
      depthMm: 500,
      heat: 'thermostat',
      powerW: 9000,
      marks: [],
      ...(domed ? { domed } : {}),
      calibrations: [
        {
          formulaId,
          at: '2026-03-01T00:00:00.000Z',
          pieces: 30,
          parameters: [{ what: 'browning', factor, low: 0.8, high: 2 }],
          constants: MODEL_CONSTANTS,
        },
      ],
    }),
  );
const planOf = (formula: Bread, ballG = formula.product.ballG) =>
  planBatch({
    formula,
    need: { by: 'pieces', pieces: 12, ballG },
    kitchen: DEFAULT_KITCHEN,
    ingredients: [...CATALOGUE],
  });

test('a formula, its plan as it was rolled, and its document ask the model the same question', () => {
  fc.assert(
    fc.property(
      formulas,
      fc.double({ min: 0.9, max: 1.8, noNaN: true }),
      fc.integer({ min: 350, max: 1100 }),
      fc.integer({ min: 0, max: 2500 }),
      (formula, factor, widthMm, altitudeM) => {
        const kitchen = { griddles: platesFor(formula.id, factor, widthMm), altitudeM };
        const asked = questionOfFormula(formula, CATALOGUE, kitchen);
        const plan = planOf(formula);
        const rolledMm = Math.round(plan.rolled.thicknessMm * 10) / 10;
        for (const flattened of [null, { thicknessMm: rolledMm }]) {
          expect(questionOfPlan(plan, kitchen, { flattened })).toEqual(asked);
        }
        expect(asked.griddle?.domed ?? false).toBe(formula.bake.surface === 'domed');
        const document = bakeRequestSchema.parse({ formula, griddle: asked.griddle, air: { altitudeM } });
        expect(readBakeDocument(document).request).toEqual(asked.request);
      },
    ),
    { numRuns: 300 },
  );
});

test('a disc rolled otherwise bakes as thick as it springs back to', () => {
  const half = 0.05 + 1e-9;
  fc.assert(
    fc.property(formulas, tenths(1, 4), fc.integer({ min: 40, max: 200 }), (formula, thicknessMm, ballG) => {
      const plan = planOf(formula, ballG);
      const { relaxed, rolled } = plan;
      const { springBack } = formula.product;
      const isPlanned = Math.abs(thicknessMm - rolled.thicknessMm) <= half;
      const expected = isPlanned ? relaxed.thicknessMm : thicknessMm / (1 - springBack) ** 2;
      expect(questionOfPlan(plan, {}, { flattened: { thicknessMm } }).thicknessMm).toBeCloseTo(expected, 6);
    }),
    { numRuns: 300 },
  );
});
