import { DEFAULT_KITCHEN } from './kitchenDefaults';
import { withChange } from './withChange';

test('what is said takes the place of what was, null takes it away, and what is not said stays', () => {
  const kitchen = { ...DEFAULT_KITCHEN, benchMm: 700, altitudeM: 20 };
  const { benchMm: _gone, ...others } = kitchen;
  expect(withChange(kitchen, { benchMm: null, bowlLoss: 0.03, altitudeM: undefined })).toEqual({
    ...others,
    bowlLoss: 0.03,
  });
});
