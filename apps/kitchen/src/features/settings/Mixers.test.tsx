import { DEFAULT_KITCHEN, type Kitchen, withChange } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { draw, press, pressed, typed } from '../../test/liveBatch';
import { Mixers } from './Mixers';

const spiral = {
  ...{ id: 'spiral', name: 'Spiral', by: 'machine' as const, minG: 3000, maxG: 12_000 },
  ...{ warmCPerMin: 0.9, openingMm: 480 },
};
const kitchen: Kitchen = { ...DEFAULT_KITCHEN, mixers: [spiral] };

let saved: jest.SpyInstance<Promise<Kitchen>, Parameters<typeof api.changeKitchen>>;
beforeEach(() => {
  saved = jest
    .spyOn(api, 'changeKitchen')
    .mockImplementation(async (change) => withChange(DEFAULT_KITCHEN, change));
  saved.mockClear();
  draw(<Mixers kitchen={kitchen} />);
});
const sent = async () => {
  await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
  return saved.mock.calls[0]?.[0];
};

test('a bowl is added beside the others, under an id of its own', async () => {
  press('Add a bowl or mixer');
  await typed('Name', 'Spiral');
  await typed('Most it takes, g', '4000');
  fireEvent.click(screen.getByRole('radio', { name: 'Hand' }));
  await pressed('Save');
  expect((await sent())?.mixers).toMatchObject([spiral, { id: 'spiral-2', by: 'hand', maxG: 4000 }]);
});

test('a measured warming is written where the mixer stands', async () => {
  press(/^Spiral: 3\.0 to 12\.0\skg, \+0\.9 °C\/min$/);
  await typed('Warms the dough a minute, °C', '1,1');
  await pressed('Save');
  expect((await sent())?.mixers).toEqual([{ ...spiral, warmCPerMin: 1.1 }]);
});

test('one can be taken away', async () => {
  press(/^Spiral/);
  press('Delete');
  press('Press again to delete this bowl');
  expect((await sent())?.mixers).toEqual([]);
});

test('bad figures are said at their field, and nothing is saved', async () => {
  press(/^Spiral/);
  await typed('Least it mixes well, g', '20000');
  await pressed('Save');
  expect(screen.getByRole('alert').textContent).toBe('The smallest load is more than the largest.');
  await typed('Warms the dough a minute, °C', '50');
  await typed('Least it mixes well, g', '100');
  await pressed('Save');
  expect(screen.getByRole('alert').textContent).toBe('Warming must be between 0 and 5 °C/min.');
  expect(saved).not.toHaveBeenCalled();
});

test('the limit for perishable dough is saved when it is one', async () => {
  await typed('Milk, yogurt or egg dough out of the cold, at most in all, h', '0');
  expect(screen.getByRole('alert').textContent).toBe('Time out of the cold must be between 0.25 and 24 h.');
  expect(saved).not.toHaveBeenCalled();
  await typed('Milk, yogurt or egg dough out of the cold, at most in all, h', '2,5');
  expect((await sent())?.coldLimitH).toBe(2.5);
});
