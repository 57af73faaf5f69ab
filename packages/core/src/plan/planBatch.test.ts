import { said } from '../test/said';
import fc from 'fast-check';
import { InputError } from '../message/problem';
import { SCALE_STEPS_G, sumG } from '../quantity/roundToStep';
import { formula, kitchen, request } from '../test/examples';
import { explainFigure } from '../explain/explain';
import type { Griddle } from '../kitchen/griddleSchema';
import type { Kitchen } from '../kitchen/kitchenSchema';
import { doughForPiecesG } from './amounts';
import { planBatch } from './planBatch';
import type { Need } from './planRequestSchema';
import { planSchema } from './planSchema';
import { weighSheet } from './weighSheet';
import { resolveLines } from '../formula/resolveLines';
import { CATALOGUE } from '../ingredient/catalogue';

const plan = planBatch(request());
const sheetOf = (p: typeof plan) => Object.fromEntries(p.sheet.map((line) => [line.lineId, line.massG]));

/** Any need and kitchen that a plan can be made for. */
const requests = fc
  .record({
    pieces: fc.integer({ min: 1, max: 500 }),
    flourG: fc.double({ min: 400, max: 60_000, noNaN: true }),
    ballG: fc.double({ min: 25, max: 150, noNaN: true }),
    byFlour: fc.boolean(),
    benchStepG: fc.constantFrom(...SCALE_STEPS_G.filter((s) => s >= 0.1 && s <= 10)),
    bowlCapacityG: fc.double({ min: 3000, max: 30_000, noNaN: true }),
    bowlLoss: fc.double({ min: 0, max: 0.05, noNaN: true }),
  })
  .filter(({ pieces, ballG, byFlour }) => byFlour || pieces * ballG > 400)
  .map(({ pieces, flourG, ballG, byFlour, ...rest }) => {
    const need: Need = byFlour ? { by: 'flour', flourG, ballG } : { by: 'pieces', pieces, ballG };
    const k: Kitchen = { ...kitchen, ...rest };
    return request({ need, kitchen: k });
  });

describe('pieces × ball weight', () => {
  test('needs the balls plus what bowl and bench keep: N·m / ((1−ℓ)(1−ℓ))', () => {
    expect(doughForPiecesG(64, 92, kitchen)).toBeCloseTo((64 * 92) / (0.99 * 0.995), 9);
    expect(plan.neededG).toBeCloseTo(5977.36, 2);
  });

  test('gives a weigh sheet in steps of the scales, salt on the fine one', () => {
    expect(sheetOf(plan)).toEqual({ strong: 2505, soft: 1075, water: 1935, oil: 395, salt: 68 });
    expect(plan.sheet.find(({ lineId }) => lineId === 'salt')).toMatchObject({ scale: 'fine', stepG: 0.1 });
    expect(plan.holdBack).toEqual({ lineId: 'water', massG: 195 });
  });

  test('gives the disc before and after spring-back', () => {
    expect(plan.doughDensityGMl).toBeGreaterThan(1.1);
    expect(plan.doughDensityGMl).toBeLessThan(1.25);
    const { diameterMm, thicknessMm } = plan.relaxed;
    expect((plan.doughDensityGMl * Math.PI * diameterMm ** 2 * thicknessMm) / 4000).toBeCloseTo(92, 9);
    expect(plan.rolled.diameterMm * (1 - 0.06)).toBeCloseTo(diameterMm, 9);
  });

  test('lists the steps in order', () => {
    expect(plan.steps.map(({ id }) => id)).toEqual([
      ...['strong', 'soft', 'water', 'oil', 'salt'].map((line) => `weigh-1-${line}`),
      ...['mix-1', 'knead-1', 'rest-1', 'divide', 'rest-2', 'flatten', 'griddle', 'finish'],
    ]);
  });
});

describe('flour at hand', () => {
  const byFlour = planBatch(request({ need: { by: 'flour', flourG: 3333, ballG: 92 } }));

  test('never asks for more flour than there is, and says what is left', () => {
    expect(byFlour.flourG).toBeLessThanOrEqual(3333);
    expect(byFlour.flourG).toBeGreaterThan(3333 - 2 * kitchen.benchStepG);
    expect(byFlour.pieces).toBe(Math.floor((3333 * 1.669 * 0.99 * 0.995) / 92));
    expect(byFlour.leftoverG).toBeLessThan(92);
  });
});

describe('bowls', () => {
  test('equal loads when one bowl does not hold the dough', () => {
    const three = planBatch(request({ kitchen: { ...kitchen, bowlCapacityG: 2000 } }));
    expect(three.bowls).toBe(3);
    expect(three.bowlG).toBeLessThanOrEqual(2000);
    expect(three.doughG).toBe(sumG([three.bowlG * 3]));
    expect(three.steps.filter(({ kind }) => kind === 'knead')).toHaveLength(3);
  });

  test('a load that just fits is not split, nor rounded past the rim', () => {
    const capacity = doughForPiecesG(64, 92, kitchen);
    const tight = planBatch(request({ kitchen: { ...kitchen, bowlCapacityG: capacity } }));
    expect(tight.bowls).toBe(1);
    expect(tight.bowlG).toBeLessThanOrEqual(capacity);
  });

  test('warns under the smallest load and when a line is below the scale', () => {
    const small = planBatch(
      request({
        need: { by: 'pieces', pieces: 3, ballG: 60 },
        kitchen: { ...kitchen, fineStepG: 5, bowlMinimumG: 1500 },
      }),
    );
    expect(small.warnings.map(({ path }) => path)).toEqual(
      expect.arrayContaining(['kitchen.fineStepG', 'kitchen.bowlMinimumG']),
    );
  });
});

describe('what cannot be planned', () => {
  test.each([
    [
      'a bowl smaller than one ball',
      { kitchen: { ...kitchen, bowlCapacityG: 80 } },
      'kitchen.bowlCapacityG',
      /one ball/,
    ],
    ['too many bowls', { kitchen: { ...kitchen, bowlCapacityG: 100 } }, 'kitchen.bowlCapacityG', /60 bowls/],
    [
      'flour for less than one ball',
      { need: { by: 'flour', flourG: 20, ballG: 92 } as const },
      'need.flourG',
      /less than one ball/,
    ],
    [
      'flour below the step of the scale',
      {
        need: { by: 'pieces', pieces: 1, ballG: 20 } as const,
        kitchen: { ...kitchen, benchStepG: 50 as const, fineMaxG: 1 },
      },
      'kitchen.benchStepG',
      /finer scale/,
    ],
  ])('%s', (_case, changes, path, message) => {
    const attempt = () => planBatch(request(changes));
    expect(attempt).toThrow(InputError);
    expect(attempt).toThrow(message);
    expect(attempt).toThrow(path);
  });
});

describe('every plan', () => {
  test('re-adds: lines to the bowl, bowls to the dough; within bowl and flour; as its schema says', () => {
    fc.assert(
      fc.property(requests, (r) => {
        const p = planBatch(r);
        expect(sumG(p.sheet.map(({ massG }) => massG))).toBe(p.bowlG);
        expect(p.doughG).toBeCloseTo(p.bowlG * p.bowls, 6);
        expect(p.bowlG).toBeLessThanOrEqual(r.kitchen.bowlCapacityG + 1e-6);
        if (r.need.by === 'flour') expect(p.flourG).toBeLessThanOrEqual(r.need.flourG + 1e-6);
        expect(planSchema.safeParse(p).error).toBeUndefined();
      }),
    );
  });

  test('keeps its percentages within the error it states', () => {
    fc.assert(
      fc.property(requests, (r) => {
        const p = planBatch(r);
        const flourG = sumG(p.sheet.filter(({ kind }) => kind === 'flour').map(({ massG }) => massG));
        for (const line of p.sheet) {
          const asked = r.formula.lines.find(({ id }) => id === line.lineId)?.fraction ?? 0;
          expect(Math.abs(line.massG / flourG - asked)).toBeLessThanOrEqual(
            p.rounding.worstFractionError + 1e-9,
          );
          expect(Math.abs(line.massG / line.exactG - 1)).toBeLessThanOrEqual(
            Math.abs(p.rounding.worstRelativeError) + 1e-9,
          );
        }
      }),
    );
  });

  test('scaled up and down again returns the start', () => {
    const lines = resolveLines(formula, CATALOGUE);
    fc.assert(
      fc.property(
        fc.double({ min: 100, max: 20_000, noNaN: true }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (flourG, factor) => {
          const start = weighSheet(lines, flourG, kitchen);
          const back = weighSheet(lines, (flourG * factor) / factor, kitchen);
          const scaled = weighSheet(lines, flourG * factor, kitchen);
          expect(back.map(({ massG }) => massG)).toEqual(start.map(({ massG }) => massG));
          scaled.forEach((line, i) => expect(line.exactG / factor).toBeCloseTo(start[i]?.exactG ?? 0, 6));
        },
      ),
    );
  });
});

test('every figure can say why it is what it is', () => {
  const figures = [
    'pieces',
    'ball',
    'dough',
    'disc',
    'thickness',
    'hydration',
    'bowls',
    'rounding',
    'holdBack',
    'ready',
  ];
  for (const figure of [...figures, 'line:water']) {
    const why = explainFigure(plan, figure as Parameters<typeof explainFigure>[1]);
    expect(said(why.value)).toMatch(/\d/);
    expect(why.inputs.length).toBeGreaterThan(0);
    expect(why.changes.length).toBeGreaterThan(0);
    for (const { label, value } of why.inputs) expect(`${label}: ${value}`).not.toMatch(/undefined|NaN/);
  }
  expect(said(explainFigure(plan, 'line:water').value)).toBe('1,935\u00a0g');
});

describe('what would not hold is said on the plan', () => {
  const griddle: Griddle = {
    ...{ id: 'dome', name: 'Small plate', material: 'steel', thicknessMm: 8, shape: 'round' },
    ...{ widthMm: 200, depthMm: 200, heat: 'thermostat', powerW: 3000, marks: [] },
  };
  const warned = (changes: Parameters<typeof request>[0]) =>
    said(planBatch(request(changes)).warnings.map(({ message }) => message));

  test('a disc wider than its plate', () => {
    const wide = { ...kitchen, griddles: [griddle] };
    expect(warned({ kitchen: wide })).toContainEqual(
      expect.stringMatching(/^A disc of 2\d\d\smm is wider than the Small plate \(200\smm\)/),
    );
    const held = { ...kitchen, griddles: [{ ...griddle, widthMm: 400, depthMm: 400 }] };
    expect(warned({ kitchen: held }).join(' ')).not.toMatch(/wider than/);
  });

  test('balls that would wait past their latest, with the batches that hold it', () => {
    const [few, many] = [30, 400].map((pieces) => warned({ need: { by: 'pieces', pieces, ballG: 92 } }));
    expect(few?.join(' ')).not.toMatch(/Baking takes/);
    const words = many?.find((message) => message.startsWith('Baking takes'));
    const [, batches = 0, each = 0] = /: (\d+) batches of (\d+) pieces/.exec(words ?? '')?.map(Number) ?? [];
    expect(batches * each).toBeGreaterThanOrEqual(400);
    expect(warned({ need: { by: 'pieces', pieces: each, ballG: 92 } }).join(' ')).not.toMatch(
      /At the griddle/,
    );
  });
});
