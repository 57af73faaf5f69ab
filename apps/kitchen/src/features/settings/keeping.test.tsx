import { DEFAULT_KITCHEN, type Kitchen, withChange } from '@kettle-scale/core/kitchen';
import { act, fireEvent, screen } from '@testing-library/react';
import { Refused, api } from '../../api/api';
import { draw, press, pressed, typed } from '../../test/liveBatch';
import { BackupTicket } from './BackupTicket';
import { HoldLimits } from './HoldLimits';

describe('how long bread is held', () => {
  test('the kitchen’s own hours are kept; a bad one is told at its field', async () => {
    let saved: Kitchen | null = null;
    jest
      .spyOn(api, 'changeKitchen')
      .mockImplementation(async (change) => (saved = withChange(DEFAULT_KITCHEN, change)));
    draw(<HoldLimits kitchen={DEFAULT_KITCHEN} />);
    await typed('fridge, h', '0');
    expect(screen.getByRole('alert').textContent).toBe('Holding time must be between 0.1 and 8,760 h.');
    expect(screen.getByRole('button', { name: 'Save the times' }).getAttribute('aria-disabled')).toBe('true');
    await typed('fridge, h', '36');
    await typed('fridge dough, h', '24');
    await pressed('Save the times');
    expect(saved).toMatchObject({ holdH: { fridge: 36, cloth: 2 }, fridgeDoughH: 24 });
  });
});

describe('a backup', () => {
  const choose = () => {
    const file = new File(['{}'], 'kettle-scale-2026-03-04.jsonl');
    fireEvent.change(screen.getByLabelText('Backup file'), { target: { files: [file] } });
    return file;
  };

  test('is restored into an empty kitchen, and says what came back', async () => {
    const restore = jest
      .spyOn(api, 'restore')
      .mockResolvedValue({ formula: 5, batch: 1, 'flour-lot': 2, end: 1 });
    draw(<BackupTicket />);
    const file = choose();
    await act(async () => press('Restore from this file'));
    expect(restore).toHaveBeenLastCalledWith(file, []);
    expect(await screen.findByText('Restored: 5 formulas, 1 batch, 2 flour lots.')).toBeTruthy();
  });

  test('replaces a kitchen only when that is asked for; what the server refuses is said', async () => {
    const restore = jest
      .spyOn(api, 'restore')
      .mockRejectedValue(new Refused(409, 'This kitchen has formulas or batches already.', []));
    draw(<BackupTicket />);
    choose();
    fireEvent.click(screen.getByRole('checkbox', { name: 'Replace everything that is here now' }));
    expect(screen.getByText(/Save a backup first/)).toBeTruthy();
    await act(async () => press('Restore from this file'));
    expect(restore.mock.lastCall?.[1]).toEqual(['replace=true']);
    expect((await screen.findByRole('alert')).textContent).toMatch(/has formulas or batches already/);
  });

  test('says which lines cannot be restored, and takes the rest when that is asked for', async () => {
    const lines = [{ path: 'line 7', message: 'Line 7: a topping that nobody knows.' }];
    const restore = jest
      .spyOn(api, 'restore')
      .mockRejectedValueOnce(new Refused(422, 'not whole', lines, undefined, 'without=unusable'))
      .mockResolvedValue({ formula: 5, 'left out': 1 });
    draw(<BackupTicket />);
    choose();
    await act(async () => press('Restore from this file'));
    expect(await screen.findByText('Line 7: a topping that nobody knows.')).toBeTruthy();
    expect(screen.getByRole('alert').textContent).toBe('1 line of this backup cannot be restored.');
    await act(async () => press('Restore without these'));
    expect(restore.mock.lastCall?.[1]).toEqual(['without=unusable']);
    expect(await screen.findByText('Restored: 5 formulas, 1 line left out.')).toBeTruthy();
  });
});
