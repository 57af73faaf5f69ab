import { demoFormulas } from '@kettle-scale/simulation';
import type { BakeProgram, ProductStandard } from '../../formula/methodSchema';
import { CATALOGUE } from '../../ingredient/catalogue';
import { questionOfFormula } from '../plate/question';
import { bakeWith } from './bakeRequest';
import { solveTimes } from './solve';

/** A demo bread of which something else is asked, on another plate. */
function asked(
  id: string,
  plateC: number,
  product: Partial<ProductStandard>,
  bake: Partial<BakeProgram> = {},
) {
  const formula = demoFormulas().find((one) => one.id === id);
  if (!formula) throw new RangeError(`no demo bread ${id}`);
  const changed = {
    ...formula,
    product: { ...formula.product, ...product },
    bake: { ...formula.bake, ...bake },
  };
  // The model is asked, not the formula.
  const { written: _written, ...request } = questionOfFormula(changed, CATALOGUE, {}, { plateC }).request;
  return request;
}

test('a bread of iron and flame is possible where its own black is wanted, and is not blacker than that', () => {
  const flame = { finish: { kind: 'flame' as const, seconds: 6 } };
  const iron = (black?: number) =>
    asked(
      'lantern-round',
      230,
      { thicknessMm: 3.5, spots: 'deep freckles', ...(black ? { black } : {}) },
      flame,
    );
  expect(solveTimes(iron()).trouble).toBe('burns first');
  const wanted = iron(0.2);
  const { good, seconds } = solveTimes(wanted);
  expect(good).toBe(true);
  expect(Math.max(...bakeWith(wanted, seconds).char)).toBeLessThanOrEqual(20.5);
  // Nobody's black is more than is wanted.
  expect(asked('lantern-round', 230, { black: 0 }).standard.charMost).toBeLessThan(1);
});

test('a sheet that dries on a slow dome may leave it dry where it softens in the stack', () => {
  const sheet = (pliable: 'at the plate' | 'after the stack') =>
    asked('sailcloth-sheet', 180, {
      thicknessMm: 1.4,
      fold: 'folds in half',
      puff: 'flat',
      spots: 'light freckles',
      pliable,
    });
  expect(solveTimes(sheet('at the plate')).trouble).toBe('dries first');
  const stacked = sheet('after the stack');
  const { good, seconds } = solveTimes(stacked);
  expect(good).toBe(true);
  expect(bakeWith(stacked, seconds).moisture).toBeGreaterThanOrEqual(stacked.standard.moistureLeast);
});
