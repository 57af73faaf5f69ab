import { DEFAULT_KITCHEN, type Kitchen, withChange } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { draw, typed } from '../../test/liveBatch';
import { KitchenForm } from './KitchenForm';

const save = () => screen.getByRole('button', { name: 'Save the kitchen' });

let saved: jest.SpyInstance<Promise<Kitchen>, Parameters<typeof api.changeKitchen>>;
beforeEach(() => {
  saved = jest
    .spyOn(api, 'changeKitchen')
    .mockImplementation(async (change) => withChange(DEFAULT_KITCHEN, change));
  saved.mockClear();
  draw(<KitchenForm kitchen={DEFAULT_KITCHEN} />);
});

test('shows losses in percent and saves them as fractions, its own figures alone', async () => {
  expect(screen.getByLabelText<HTMLInputElement>('Stays in bowl and on hands, %').value).toBe('1');
  await typed('Stays in bowl and on hands, %', '1,5');
  await typed('Most dough a bowl takes, g', '8000');
  await waitFor(() => expect(save().getAttribute('aria-disabled')).not.toBe('true'));
  fireEvent.click(save());
  await screen.findByText('Saved.');
  expect(saved.mock.calls[0]?.[0]).toEqual({
    ...{ benchStepG: 1, fineStepG: 0.1, fineMaxG: 500, benchLoss: 0.005, bowlLoss: 0.015 },
    ...{ bowlCapacityG: 8000, bowlMinimumG: 1500 },
    ...{ altitudeM: 0, benchMm: null, benchBalls: null },
  });
});

test('nothing to save, nothing to press', () => {
  expect(save().getAttribute('aria-disabled')).toBe('true');
});

test.each([
  ['Step of the bench scale, g', '3', /must be a step that scales show/],
  ['Most dough a bowl takes, g', '', /Bowl capacity is missing/],
  ['Most dough a bowl takes, g', 'much', /Bowl capacity must be a number/],
  ['Least dough it mixes well, g', '20000', /smallest load is more than the bowl holds/],
  ['Lost on the bench, %', '50', /Bench loss must be a fraction/],
  ['Most the fine scale can weigh, g', '-1', /between 1 and 20,000 g/],
])('%s of "%s" is said at the field and cannot be saved', async (label, value, sentence) => {
  await typed(label, value);
  await waitFor(() => expect(screen.getByRole('alert').textContent).toMatch(sentence));
  expect(screen.getByLabelText<HTMLInputElement>(label).value).toBe(value);
  expect(save().getAttribute('aria-disabled')).toBe('true');
  expect(saved).not.toHaveBeenCalled();
});
