import fc from 'fast-check';
import { InputError } from '../message/problem';
import { sumG } from '../quantity/roundToStep';
import { kitchen, request } from '../test/examples';
import { planBatch } from './planBatch';
import { type Need, needSchema } from './planRequestSchema';

describe('the six ways to say how much', () => {
  const needs: Need[] = [
    { by: 'pieces', pieces: 40, ballG: 92 },
    { by: 'discs', pieces: 40, diameterMm: 240, thicknessMm: 1.8 },
    { by: 'dough', doughG: 5000, ballG: 92 },
    { by: 'flour', flourG: 3000, ballG: 92 },
    { by: 'stock', atHand: [{ ingredient: 'oil-rapeseed', massG: 250 }], ballG: 92 },
    { by: 'bowl', bowls: 2, ballG: 92 },
  ];

  test.each(needs.map((need) => [need.by, need] as const))(
    'by %s gives a sheet that re-adds',
    (_by, need) => {
      const plan = planBatch(request({ need: needSchema.parse(need) }));
      expect(sumG(plan.sheet.map(({ massG }) => massG))).toBe(plan.bowlG);
      expect(plan.bowlG * plan.bowls).toBeCloseTo(plan.doughG, 9);
      expect(plan.leftoverG).toBeGreaterThan(-plan.ballG / 2);
      expect(plan.leftoverG).toBeLessThan(plan.ballG * 1.05);
    },
  );

  test('by the bread: the ball is what a disc of that size weighs', () => {
    const plan = planBatch(request({ need: { by: 'discs', pieces: 10, diameterMm: 240, thicknessMm: 1.8 } }));
    expect(plan.relaxed.thicknessMm).toBe(1.8);
    expect(Math.abs(plan.relaxed.diameterMm - 240)).toBeLessThan(0.5);
    expect(plan.ballG).toBeCloseTo((plan.doughDensityGMl * Math.PI * 240 ** 2 * 1.8) / 4000, 0);
  });

  test('the scarcest ingredient decides, and no line takes more than there is', () => {
    const atHand = fc.record({
      flour: fc.integer({ min: 300, max: 8000 }),
      oil: fc.integer({ min: 40, max: 900 }),
      salt: fc.integer({ min: 6, max: 150 }),
    });
    fc.assert(
      fc.property(atHand, ({ flour, oil, salt }) => {
        const stock = { 'flour-strong': flour, 'oil-rapeseed': oil, 'salt-fine': salt };
        const need: Need = {
          by: 'stock',
          ballG: 92,
          atHand: Object.entries(stock).map(([ingredient, massG]) => ({ ingredient, massG })),
        };
        const plan = planBatch(request({ need }));
        const scarce = [];
        for (const [ingredient, massG] of Object.entries(stock)) {
          const used = plan.sheet.find((row) => row.ingredient === ingredient);
          const takes = (used?.massG ?? 0) * plan.bowls;
          expect(takes).toBeLessThanOrEqual(massG + 1e-6);
          if ((used?.exactG ?? 0) * plan.bowls > massG - 1e-6) scarce.push(used?.name);
        }
        expect(scarce).toContain(plan.scarcest);
      }),
      { numRuns: 60 },
    );
  });

  test('full bowls are full, to the scale', () => {
    const plan = planBatch(request({ need: { by: 'bowl', bowls: 2, ballG: 92 } }));
    expect(plan.bowls).toBe(2);
    expect(plan.bowlG).toBeLessThanOrEqual(kitchen.bowlCapacityG);
    expect(plan.bowlG).toBeGreaterThan(kitchen.bowlCapacityG - 25);
  });

  test.each([
    [{ by: 'dough', doughG: 60, ballG: 92 }, 'need.doughG'],
    [{ by: 'stock', atHand: [{ ingredient: 'salt-fine', massG: 0.5 }], ballG: 92 }, 'need.atHand'],
    [{ by: 'stock', atHand: [{ ingredient: 'honey', massG: 500 }], ballG: 92 }, 'need.atHand'],
  ] as const)('%j gives no piece and is said at %s', (need, path) => {
    const run = () => planBatch(request({ need: needSchema.parse(need) }));
    expect(run).toThrow(InputError);
    expect(run).toThrow(expect.objectContaining({ problems: [expect.objectContaining({ path })] }));
  });
});
