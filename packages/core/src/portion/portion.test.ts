import fc from 'fast-check';
import { CATALOGUE } from '../ingredient/catalogue';
import type { Ingredient } from '../ingredient/ingredientSchema';
import { ballMassG, discDiameterMm, discThicknessMm, relaxedFromRolled, rolledFromRelaxed } from './disc';
import { doughDensity } from './doughDensity';

const mm = fc.double({ min: 50, max: 500, noNaN: true });
const thin = fc.double({ min: 0.5, max: 10, noNaN: true });
const density = fc.double({ min: 0.8, max: 1.3, noNaN: true });

describe('ball, disc and thickness', () => {
  test.each([
    // ball g, density g/ml, thickness mm, diameter mm
    [60, 1.15, 1.8, 192.1],
    [95, 1.15, 1.6, 256.4],
    [40, 1.12, 1.5, 174.1],
    [60, 1.05, 4, 134.9],
  ])('%d g at %d g/ml and %d mm thick is %d mm across', (massG, rho, thicknessMm, diameterMm) => {
    expect(discDiameterMm(massG, thicknessMm, rho)).toBeCloseTo(diameterMm, 1);
    expect(Math.abs(discThicknessMm(massG, diameterMm, rho) - thicknessMm)).toBeLessThan(0.003);
  });

  test('any two give the third', () => {
    fc.assert(
      fc.property(mm, thin, density, (diameterMm, thicknessMm, rho) => {
        const massG = ballMassG(diameterMm, thicknessMm, rho);
        expect(discDiameterMm(massG, thicknessMm, rho)).toBeCloseTo(diameterMm, 6);
        expect(discThicknessMm(massG, diameterMm, rho)).toBeCloseTo(thicknessMm, 6);
      }),
    );
  });

  test('rolling larger and springing back gives the wanted disc, with the same dough in it', () => {
    const relaxed = { diameterMm: 280, thicknessMm: 1.3 };
    const rolled = rolledFromRelaxed(relaxed, 0.06);
    expect(rolled.diameterMm).toBeCloseTo(297.87, 2);
    expect(rolled.thicknessMm).toBeCloseTo(1.1487, 4);
    expect(ballMassG(rolled.diameterMm, rolled.thicknessMm, 1.15)).toBeCloseTo(ballMassG(280, 1.3, 1.15), 9);
    expect(relaxedFromRolled(rolled, 0.06).diameterMm).toBeCloseTo(280, 9);
  });
});

describe('doughDensity', () => {
  const food = (id: string): Ingredient => {
    const found = CATALOGUE.find((i) => i.id === id);
    if (!found) throw new Error(id);
    return found;
  };

  test('the reference dough of 100 flour, 52 water, 10 fat and 1.8 salt with 6 % air is 1.1533 g/ml', () => {
    const flour: Ingredient = {
      ...food('flour-plain'),
      water: 0.135,
      protein: 0.11,
      fat: 0.012,
      ash: 0.006,
      carbohydrate: 0.737,
    };
    const parts = [
      { mass: 100, food: flour },
      { mass: 52, food: food('water') },
      { mass: 10, food: food('lard') },
      { mass: 1.8, food: food('salt-fine') },
    ];
    expect(doughDensity(parts, 0.06)).toBeCloseTo(1.1533, 4);
  });

  test('air makes it lighter in proportion', () => {
    const parts = [{ mass: 1, food: food('flour-plain') }];
    expect(doughDensity(parts, 0.15) / doughDensity(parts, 0)).toBeCloseTo(0.85, 12);
  });
});
