import { DEFAULT_KITCHEN, type Kitchen, withChange } from '@kettle-scale/core/kitchen';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { api } from '../../api/api';
import { draw, press, pressed, typed } from '../../test/liveBatch';
import { CooksTicket } from './CooksTicket';

const early = { id: 'early-cook', name: 'Early cook' };
const old = { id: 'late-cook', name: 'Late cook', gone: true as const };

let saved: jest.SpyInstance<Promise<Kitchen>, Parameters<typeof api.changeKitchen>>;
beforeEach(() => {
  saved = jest
    .spyOn(api, 'changeKitchen')
    .mockImplementation(async (change) => withChange(DEFAULT_KITCHEN, change));
  saved.mockClear();
  draw(<CooksTicket kitchen={{ ...DEFAULT_KITCHEN, cooks: [early, old] }} />);
});
const sent = async () => {
  await waitFor(() => expect(saved).toHaveBeenCalledTimes(1));
  return saved.mock.calls[0]?.[0];
};

test('a cook is named once, under an id that nobody ever had here', async () => {
  press('Add a cook');
  await pressed('Save');
  expect(screen.getByRole('alert').textContent).toBe('Name of the cook is empty.');
  await typed('Name, or what the others call them', ' Late cook ');
  await pressed('Save');
  expect((await sent())?.cooks).toEqual([early, old, { id: 'late-cook-2', name: 'Late cook' }]);
});

test('who has left is off the list and stays known to the records', async () => {
  expect(screen.queryByRole('button', { name: 'Late cook' })).toBeNull();
  press('Early cook');
  press('Has left');
  press('Press again to remove the name');
  expect((await sent())?.cooks).toEqual([{ ...early, gone: true }, old]);
});

test('learning from each cook is switched off for the kitchen', async () => {
  fireEvent.click(screen.getByRole('radio', { name: 'Switched off' }));
  expect((await sent())?.learnPerCook).toBe(false);
});

test('the name of a cook who has left is taken out of all records after a second press', async () => {
  const nameless = jest.spyOn(api, 'makeNameless').mockResolvedValue(DEFAULT_KITCHEN);
  press('Who has left');
  press('Late cook');
  expect(screen.queryByRole('button', { name: 'Has left' })).toBeNull();
  press('Make nameless');
  expect(nameless).not.toHaveBeenCalled();
  press('Press again to take the name out of all records');
  await waitFor(() => expect(nameless).toHaveBeenCalledWith('late-cook'));
});
