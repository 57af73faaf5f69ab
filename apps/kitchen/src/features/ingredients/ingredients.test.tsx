import { CATALOGUE, type Ingredient } from '@kettle-scale/core/ingredient';
import { screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { draw, pressed, typed } from '../../test/liveBatch';
import { push } from '../../test/router';
import { IngredientForm } from './IngredientForm';
import { readText, textOf } from './ingredientText';

jest.mock('expo-router', () => jest.requireActual('../../test/router'));

const flour = CATALOGUE.find(({ id }) => id === 'flour-strong') as Ingredient;

test('every ingredient of the catalogue goes through the form unchanged', () => {
  for (const food of CATALOGUE) {
    const read = readText(food.id, textOf(food), food);
    if (!read.ok) throw new Error(`${food.id}: ${[...read.problems.values()].join(' ')}`);
    const bare = ({ densities = [], pieces = [], ...rest }: Ingredient) => ({
      ...rest,
      pieces,
      densities: [...densities].sort((a, b) => a.fill.localeCompare(b.fill)),
    });
    expect(bare(read.food)).toEqual(bare(food));
  }
});

test('a weighed cup stays weighed until its figures are changed', () => {
  const own = {
    ...flour,
    densities: [{ fill: 'scooped' as const, low: 0.6, typical: 0.62, high: 0.64, weighedOn: '2026-03-04' }],
  };
  const text = textOf(own);
  expect(readText('flour-strong', text, own)).toMatchObject({
    food: { densities: [{ weighedOn: '2026-03-04' }] },
  });
  text.fills.scooped.high = '0,7';
  const changed = readText('flour-strong', text, own);
  expect(changed.ok && changed.food.densities?.[0]).toEqual({
    fill: 'scooped',
    low: 0.6,
    typical: 0.62,
    high: 0.7,
  });
});

test('a price is changed and saved', async () => {
  const save = jest.spyOn(api, 'saveIngredient').mockImplementation(async (food) => food);
  draw(<IngredientForm food={flour} foods={CATALOGUE} currency="EUR" />);
  await typed('and costs, EUR', '26,5');
  await pressed('Save');
  await waitFor(() => expect(save.mock.calls[0]?.[0].pack).toEqual({ massG: 25_000, price: 26.5 }));
});

test.each([
  ['and costs, EUR', '-1', /Price of a pack must be between/],
  ['A pack holds, g', '', /Pack is missing/],
  ['Water, %', '90', /add up to more than the whole/],
  ['scooped, low, g/ml', '0.9', /densities must rise/],
  ['scooped, typical, g/ml', 'much', /must be a number/],
])('%s “%s” gets its sentence and cannot be saved', async (label, value, sentence) => {
  draw(<IngredientForm food={flour} foods={CATALOGUE} currency="EUR" />);
  await typed(label, value);
  expect(screen.getByRole('alert').textContent).toMatch(sentence);
  expect(screen.getByRole('button', { name: 'Save' }).getAttribute('aria-disabled')).toBe('true');
});

test('a new one gets an address from its name', async () => {
  const save = jest.spyOn(api, 'saveIngredient').mockImplementation(async (food) => food);
  draw(<IngredientForm food={null} foods={CATALOGUE} currency="EUR" />);
  await typed('Name', 'Quay seaweed');
  await pressed('Save');
  await waitFor(() => expect(push).toHaveBeenCalledWith('/ingredients/quay-seaweed'));
  expect(save.mock.lastCall?.[0]).toMatchObject({ id: 'quay-seaweed', name: 'Quay seaweed', kind: 'other' });
});
