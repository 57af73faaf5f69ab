import { FEELS, correctFeel } from './feel';

describe('feel', () => {
  const ask = (feel: (typeof FEELS)[number], stillDrinking = false) =>
    correctFeel({
      feel,
      flourG: 1000,
      hydration: 0.55,
      topped: [{ lineId: 'salt', name: 'Salt', fraction: 0.02 }],
      stillDrinking,
    });

  test('a step of dryness is 1.5 % of the flour as water, no more than 0.7 % at once', () => {
    expect(ask('right')).toMatchObject({ kind: 'none', massG: 0 });
    expect(ask('a bit dry')).toMatchObject({ kind: 'water', massG: 15, additions: 3, additionG: 5 });
    expect(ask('crumbly')).toMatchObject({ kind: 'water', massG: 45, additions: 7 });
  });

  test('flour against wetness restores the hydration, and the salt goes with it', () => {
    const { massG, topUps } = ask('sticky');
    const wetG = 1000 * (0.55 + 2 * 0.015);
    expect(wetG / (1000 + massG)).toBeCloseTo(0.55, 9);
    expect(topUps[0]?.massG).toBeCloseTo(0.02 * massG, 9);
    expect(topUps[0]?.fractionWithout).toBeCloseTo(20 / (1000 + massG), 9);
  });

  test('a dough a bit tacky that still drinks is left alone first', () => {
    expect(ask('a bit tacky', true).waitFirst).toBe(true);
    expect(ask('a bit tacky').waitFirst).toBe(false);
    expect(ask('batter', true).waitFirst).toBe(false);
  });
});
